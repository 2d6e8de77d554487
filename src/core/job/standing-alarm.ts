import { AIR_USES } from '../gas';
import { findAirTest } from './air';
import { isHeld, type Dossier } from './state';

/** An alarm that stands: why, and who was inside and has not been ticked out, by id. */
export interface StandingAlarm {
  readonly why: string;
  readonly missing: readonly string[];
}

/** Why the air at a job is not fit while a permit is out: an alarm of a detector since its newest test, or that test. */
function findBadAir(dossier: Dossier): string | undefined {
  const { airAlarm, halt, permit } = dossier;
  if (!isHeld(permit)) return undefined;
  const tests = AIR_USES.map((use) => findAirTest(dossier, use));
  const since = tests.find((test) => test?.use === airAlarm?.use)?.at;
  if (airAlarm && (since === undefined || Date.parse(airAlarm.at) >= Date.parse(since))) {
    return airAlarm.findings.join('; ');
  }
  return halt && tests.some((test) => test?.isFit === false) ? halt.reason : undefined;
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
