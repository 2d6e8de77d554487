import { AIR_USES } from '../gas';
import { findAirAlarm, findAirTest } from './air';
import { listSilent } from './detectors';
import { isHeld, type Dossier } from './state';

/** An alarm that stands: why, and who was inside and has not been ticked out, by id. */
export interface StandingAlarm {
  readonly why: string;
  readonly missing: readonly string[];
}

/**
 * Why the air at a job is not fit, or not known, while a permit is out: an alarm of a detector since its newest test, or that test; and
 * detectors that send nothing. What was read comes first.
 */
function findBadAir(dossier: Dossier): string | undefined {
  const { halt, permit } = dossier;
  if (!isHeld(permit)) return undefined;
  const alarms = AIR_USES.flatMap((use) => findAirAlarm(dossier, use)?.findings ?? []);
  const isUnfit = AIR_USES.some((use) => findAirTest(dossier, use)?.isFit === false);
  const silent = listSilent(dossier).map(
    ({ device, place, words }) => `${device}, ${place}: ${words}`,
  );
  const read = alarms.length > 0 ? alarms : halt && isUnfit ? [halt.reason] : [];
  const all = [...new Set([...read, ...silent])];
  return all.length > 0 ? all.join('; ') : undefined;
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
