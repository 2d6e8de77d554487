import type { AirUse, GasDetector } from '../gas';
import { refuse, type Refusal } from '../rules/book';
import type { OpenJob, SiteFacts } from './site';
import type { Dossier } from './state';

/** A detector that stands at a job and sends what it reads. */
export interface StandingDetector {
  readonly device: string;
  readonly use: AirUse;
  readonly place: string;
}

/** Detectors that stand at a job: those placed for it, and the monitors round its hot work. */
export function listDetectors({ detectors, hotWork }: Dossier): StandingDetector[] {
  const placed = Object.entries(detectors).map(([device, { use, place }]) => {
    return { device, use, place };
  });
  const ring = (hotWork.monitors?.devices ?? []).map((device, n) => {
    return { device, use: 'hot-work' as const, place: `place ${n + 1} of the circle` };
  });
  return [...placed, ...ring.filter(({ device }) => !(device in detectors))];
}

/** Another job at which a device stands. */
export const findElsewhere = (
  device: string,
  jobId: string,
  others: readonly OpenJob[],
): OpenJob | undefined =>
  others.find(
    ({ id, dossier }) =>
      id !== jobId && listDetectors(dossier).some((standing) => standing.device === device),
  );

/** What makes an instrument a gas detector, while its calibration is in date. */
export function findDetector(
  device: string,
  { instruments }: SiteFacts,
  now: string,
): GasDetector | undefined {
  const found = instruments.get(device);
  return found && Date.parse(found.testedUntil) >= Date.parse(now) ? found.detector : undefined;
}

/** Refuses a device that cannot stand here: no detector in date, or standing at another job. */
export function refuseDevice(
  device: string,
  site: SiteFacts,
  { now, jobId, others }: { now: string; jobId: string; others: readonly OpenJob[] },
): Refusal[] {
  const elsewhere = findElsewhere(device, jobId, others);
  return [
    ...(findDetector(device, site, now) ? [] : [refuse('detector-unfit', { device })]),
    ...(elsewhere ? [refuse('detector-elsewhere', { device, job: elsewhere.id })] : []),
  ];
}
