import { listDisabled, type Disabled } from '../isolation';
import { refuse, type Refusal } from '../rules/refuse';
import { listCarriedOut } from './carried-out';
import { findPlant, findRequirement, findWorkOrder, type SiteFacts } from './site';
import type { AllowedBypass, Dossier } from './state';

/** One line of the register of bypasses. */
export interface Bypass extends Disabled {
  /** Whether the device is out of action now, or will be once the plan is carried out. */
  readonly state: 'planned' | 'disabled';
  readonly allowed?: AllowedBypass;
}

const insideOf = (dossier: Dossier, site: SiteFacts) => findRequirement(dossier, site).trace.zone;

/** The devices that a job disables, by its plan or by what has been done of it so far, with who allowed each. */
export function listBypasses(dossier: Dossier, site: SiteFacts): Bypass[] {
  const order = findWorkOrder(dossier, site);
  if (!order || dossier.plan.kind !== 'accepted' || dossier.kind === 'closed') return [];
  const inside = insideOf(dossier, site);
  const plant = findPlant(dossier, site);
  const now = listDisabled(plant, listCarriedOut(dossier), inside);
  const isNow = (device: string) => now.some((one) => one.device === device);
  // A line is shut in before it is let down: for that time its relief is gone.
  const shutIn = { ...order.plan, open: [] };
  const planned = dossier.restoring
    ? []
    : listDisabled(plant, shutIn, inside).filter(({ device }) => !isNow(device));
  const line = (one: Disabled, state: Bypass['state']): Bypass => ({
    ...one,
    state,
    allowed: dossier.bypasses[one.device],
  });
  return [
    ...now.map((one) => line(one, 'disabled')),
    ...planned.map((one) => line(one, 'planned')),
  ].sort((a, b) => (a.device < b.device ? -1 : 1));
}

/** Refuses a device out of action that nobody has allowed to be, or whose time is over. */
function refuseDisabled(
  { device, words }: Disabled,
  allowed: AllowedBypass | undefined,
  now: string,
): Refusal[] {
  if (!allowed) return [refuse('bypass-not-allowed', { device, words })];
  const { until } = allowed;
  return Date.parse(now) > Date.parse(until) ? [refuse('bypass-over', { device, until })] : [];
}

/** Refuses to close a link that puts a device out of action which nobody has allowed to be. */
export function requireBypassAllowed(
  dossier: Dossier,
  link: string,
  site: SiteFacts,
  now: string,
): Refusal[] {
  const inside = insideOf(dossier, site);
  const plant = findPlant(dossier, site);
  const before = listCarriedOut(dossier);
  const after = { ...before, close: [...before.close, link] };
  const known = new Set(listDisabled(plant, before, inside).map(({ device }) => device));
  return listDisabled(plant, after, inside)
    .filter(({ device }) => !known.has(device))
    .flatMap((one) => refuseDisabled(one, dossier.bypasses[one.device], now));
}

/** What is out of action, or will be once the plan is carried out, and was never allowed, or is for longer than it was. */
export function gateBypasses(dossier: Dossier, site: SiteFacts, now: string): Refusal[] {
  return listBypasses(dossier, site)
    .filter(({ state, allowed }) => state === 'disabled' || !allowed)
    .flatMap((one) => refuseDisabled(one, one.allowed, now));
}
