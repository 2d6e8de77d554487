import type { JobEvent } from '../events';
import type { Dossier, Mark } from '../state';
import { put } from './ledger';

type Kept = Pick<Dossier, 'briefing' | 'cylinders' | 'pressureRepair'>;

/** What was said and looked at before the work of one permit. The next permit begins anew, and so does a task that is assessed anew. */
export function evolveBriefing(
  { briefing, cylinders, pressureRepair }: Kept,
  event: JobEvent,
  mark: Mark,
): Kept {
  const kept = { briefing, cylinders, pressureRepair };
  switch (event.kind) {
    case 'briefing-held': {
      const { present, points, looked, loads, weather, beside, told } = event;
      const held = { present, points, looked, loads, weather, beside, told };
      const heard = Object.fromEntries(present.map((person) => [person, mark]));
      return { ...kept, briefing: { ...held, ...mark, heard } };
    }
    case 'latecomer-briefed': {
      const { person, topic, question, answer } = event;
      const asked = { topic, question, answer };
      return briefing
        ? {
            ...kept,
            briefing: { ...briefing, heard: put(briefing.heard, person, { ...mark, asked }) },
          }
        : kept;
    }
    case 'cylinders-checked': {
      const { here, where, upright, capped, clean, apart, apart_m, off_m, lift, leaking } = event;
      const check = { here, where, upright, capped, clean, apart, apart_m, off_m, lift, leaking };
      return { ...kept, cylinders: { ...check, ...mark } };
    }
    case 'pressure-repair-allowed': {
      const { what, bar, why, limits, until } = event;
      return { ...kept, pressureRepair: { ...mark, what, bar, why, limits, until } };
    }
    case 'task-assessed':
      return { ...kept, briefing: undefined };
    case 'permit-closed':
    case 'permit-cancelled':
      return { briefing: undefined, cylinders: undefined, pressureRepair: undefined };
    default:
      return kept;
  }
}
