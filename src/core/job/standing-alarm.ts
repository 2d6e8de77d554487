import { AIR_USES } from '../gas';
import { findAirTest } from './air';
import type { Dossier } from './state';

/** An alarm that stands: why, and who was inside and has not been ticked out, by id. */
export interface StandingAlarm {
  readonly why: string;
  readonly missing: readonly string[];
}

/** Why the air at a job is not fit as far as is known: its newest test, or an alarm of a detector since. */
function findBadAir(dossier: Dossier): string | undefined {
  const { airAlarm, halt } = dossier;
  if (!halt) return undefined;
  const bad = AIR_USES.some((use) => {
    const test = findAirTest(dossier, use);
    const isAlarmed =
      airAlarm?.use === use && (!test || Date.parse(airAlarm.at) >= Date.parse(test.at));
    return isAlarmed || test?.isFit === false;
  });
  return bad ? halt.reason : undefined;
}

/** The alarm that stands at a job, for every screen to show; undefined when none does. */
export function findStandingAlarm(dossier: Dossier): StandingAlarm | undefined {
  const { emptying } = dossier.entry;
  const { alarm } = dossier.isolation;
  const missing = emptying?.people ?? [];
  if (emptying && missing.length > 0) return { why: emptying.why, missing };
  if (alarm) return { why: `alarm at ${alarm.where}: ${alarm.seen}`, missing };
  const why = findBadAir(dossier);
  return why === undefined ? undefined : { why, missing };
}
