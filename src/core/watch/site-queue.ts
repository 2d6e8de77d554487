import { findNextForChange, NEXT_FOR_CHANGE, type NextForChange } from '../changes/line';
import { findChangeEnd, isPending, nameChange, sayChange, type Change } from '../changes/record';
import {
  findEnd,
  isCriticalDefect,
  isStanding,
  nameDefect,
  sayDefect,
  type Defect,
} from '../defects';
import { drawnNow, type SiteFacts } from '../job';
import { ROLE_NAMES, type Role } from '../people/people';
import { findInspectionEnd, nameProcedure, type Procedure } from '../procedures/record';
import type { NextUp, Urgency } from './queue';

interface Next {
  readonly urgency: Urgency;
  readonly role: Role;
  readonly what: string;
  readonly at?: string;
}

/** What a defect needs next: something in place of a safety-critical device at once, the repair by its moment, the proof after it. */
function findNext(defect: Defect, isCritical: boolean, now: string): Next {
  const says = sayDefect(defect);
  const end = findEnd(defect);
  const isOver = end !== undefined && Date.parse(end) < Date.parse(now);
  if (isCritical && (!defect.guard || isOver)) {
    const what = `${says}: say what stands in, or repair it`;
    return { urgency: 'now', role: 'issuing-authority', what };
  }
  const at = end === undefined ? {} : { at: end };
  const urgency = end === undefined ? 'waiting' : 'timed';
  if (defect.kind === 'repaired')
    return { urgency, role: 'area-operator', what: `${says}: repaired, try it`, ...at };
  return { urgency, role: 'coordinator', what: `${says}: have it repaired`, ...at };
}

/** How long before its inspection is due a procedure is named (ms). */
const AHEAD_MS = 30 * 86_400_000;

/** What a procedure needs next: its inspection, by its moment. */
export function listProceduresUp(
  record: readonly Procedure[],
  { values }: SiteFacts,
  now: string,
): NextUp[] {
  return record.flatMap((one): NextUp[] => {
    const at = findInspectionEnd(one, values['procedure-inspect-d']);
    if (one.withdrawn || Date.parse(at) - Date.parse(now) > AHEAD_MS) return [];
    const name = nameProcedure(one.number);
    const what = `${one.task}: have the procedure inspected`;
    const to = `/procedures/${one.number}`;
    const role = 'coordinator' as const;
    return [
      {
        job: name,
        title: 'Procedure',
        urgency: 'timed',
        at,
        role,
        who: ROLE_NAMES[role],
        what,
        to,
      },
    ];
  });
}

const URGENCY: Readonly<Record<NextForChange, Urgency>> = {
  assess: 'waiting',
  allow: 'waiting',
  tell: 'waiting',
  draw: 'waiting',
  undo: 'now',
  'see-undone': 'waiting',
  stands: 'timed',
};

const ROLE_FOR_CHANGE: Readonly<Record<NextForChange, Role>> = {
  assess: 'area-operator',
  allow: 'issuing-authority',
  tell: 'issuing-authority',
  draw: 'coordinator',
  undo: 'area-operator',
  'see-undone': 'area-operator',
  stands: 'coordinator',
};

/** How long before its time is over a change is named (ms). */
const BEFORE_ITS_END_MS = 2 * 86_400_000;

/** What the changes of a site need next: their review, being told and drawn, and an end once their time is over. */
export function listChangesUp(record: readonly Change[], now: string): NextUp[] {
  return record.filter(isPending).flatMap((one): NextUp[] => {
    const next = findNextForChange(one, now);
    const end = findChangeEnd(one);
    const isFar = end === undefined || Date.parse(end) - Date.parse(now) > BEFORE_ITS_END_MS;
    if (next === 'stands' && isFar) return [];
    const name = nameChange(one.number);
    const role = ROLE_FOR_CHANGE[next];
    return [
      {
        job: name,
        title: 'Change',
        urgency: URGENCY[next],
        role,
        who: ROLE_NAMES[role],
        what: `${sayChange(one)}: ${NEXT_FOR_CHANGE[next]}`,
        to: `/changes#${name}`,
        ...(end === undefined ? {} : { at: end }),
      },
    ];
  });
}

/** What of the defects of a site needs someone next, at `now`. */
export function listDefectsUp(record: readonly Defect[], site: SiteFacts, now: string): NextUp[] {
  const drawing = drawnNow(site);
  return record.filter(isStanding).map((defect): NextUp => {
    const isCritical = isCriticalDefect(drawing, defect);
    const name = nameDefect(defect.number);
    const next = findNext(defect, isCritical, now);
    const title = isCritical ? 'Defect of a safety-critical device' : 'Defect';
    return { job: name, title, who: ROLE_NAMES[next.role], to: `/defects#${name}`, ...next };
  });
}
