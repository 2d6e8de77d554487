import type { AirUse, GasDetector } from '../gas';
import { refuse, type Refusal } from '../rules/refuse';
import type { OpenJob, SiteFacts } from './site';
import type { DetectorFault, Dossier } from './state';

/** A detector that stands at a job and sends what it reads. */
export interface StandingDetector {
  readonly device: string;
  readonly use: AirUse;
  readonly place: string;
  /** When it was put there (ISO 8601, UTC). */
  readonly placedAt: string;
}

/** Detectors that stand at a job: those placed for it, and the monitors round its hot work. */
export function listDetectors({ detectors, hotWork }: Dossier): StandingDetector[] {
  const { monitors } = hotWork;
  const placed = Object.entries(detectors).map(([device, { use, place, at }]) => {
    return { device, use, place, placedAt: at };
  });
  const ring = (monitors?.devices ?? []).map((device, n) => {
    const place = `place ${n + 1} of the circle`;
    return { device, use: 'hot-work' as const, place, placedAt: monitors?.at ?? '' };
  });
  return [...placed, ...ring.filter(({ device }) => !(device in detectors))];
}

/** What is wrong with the detectors that stand at a job now, by device. */
export function listFaults(dossier: Dossier): (DetectorFault & { readonly device: string })[] {
  return listDetectors(dossier).flatMap(({ device }) => {
    const fault = dossier.faults[device];
    return fault ? [{ ...fault, device }] : [];
  });
}

/** Detectors that stand at a job and send nothing: nobody knows what the air is there. */
export const listSilent = (dossier: Dossier) =>
  listFaults(dossier).filter(({ why }) => why === 'silent');

/**
 * Since when a detector has sent nothing (ISO 8601, UTC), when that is longer than the site allows; undefined while it is heard.
 * `heardAt` is its newest reading. Before it was placed, and before anyone listened (`listeningSince`), it could not be heard.
 */
export function findSilence(
  { placedAt }: StandingDetector,
  heardAt: string | undefined,
  {
    now,
    listeningSince,
    most_s,
  }: { readonly now: string; readonly listeningSince: string; readonly most_s: number },
): string | undefined {
  const latest = (...all: readonly string[]) =>
    all.reduce((a, b) => (Date.parse(a) >= Date.parse(b) ? a : b));
  const last = latest(placedAt, heardAt ?? placedAt);
  const counted = latest(last, listeningSince);
  return Date.parse(now) - Date.parse(counted) > most_s * 1000 ? last : undefined;
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
