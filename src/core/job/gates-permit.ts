import { computeTail } from '../hotwork';
import { findRevalidationDue, listUntreated, nameHazard } from '../permits';
import { refuse, type Refusal } from '../rules/refuse';
import { nameFew } from '../text';
import { gateIsolation, gateStanding } from './gates';
import { gateAir } from './air';
import { gateClearances } from './clearances';
import { gateCleared } from './clearing';
import { gateBriefing } from './briefing';
import { gateBarriers } from './barriers';
import { gateEntryPlan, gateInside } from './entry';
import { gateHotWork } from './hot-work';
import { gateKit } from './kit';
import { gatePressureTest } from './sums';
import { gatePapers, listSuggested } from './papers';
import { type SiteFacts } from './site';
import { listOn, isHeld, type Dossier, type PermitRecord } from './state';

/** Hazards that have come up since the task was assessed. */
function gateAssessment(dossier: Dossier, site: SiteFacts): Refusal[] {
  const { permit } = dossier;
  if (permit.kind === 'draft' || permit.kind === 'cancelled') return [refuse('not-assessed')];
  return listUntreated(permit.assessment, listSuggested(dossier, site)).map(({ code, why }) =>
    refuse('hazard-not-treated', { hazard: nameHazard(code), why: why.join('; ') }),
  );
}

/** Someone stopped the job, and nobody has lifted that. */
export function gateHalt({ halt }: Dossier, site: SiteFacts): Refusal[] {
  if (!halt) return [];
  const person = site.people.get(halt.by)?.name ?? halt.by;
  return [refuse('work-stopped', { person, reason: halt.reason })];
}

/** What keeps a permit from being approved. */
export const gateApproval = (dossier: Dossier, site: SiteFacts): Refusal[] => [
  ...gatePapers(dossier, site),
  ...gateAssessment(dossier, site),
];

const isApproved = ({ kind }: PermitRecord) =>
  kind !== 'draft' && kind !== 'assessed' && kind !== 'cancelled';

/** What keeps a permit from being issued. */
export function gateIssue(dossier: Dossier, site: SiteFacts, now: string): Refusal[] {
  return [
    ...gateIsolation(dossier, site),
    ...gateStanding(dossier, site, now),
    ...gateHalt(dossier, site),
    ...gateApproval(dossier, site),
    ...(isApproved(dossier.permit) ? [] : [refuse('not-approved')]),
    ...gateClearances(dossier, site, now),
    ...gateBarriers(dossier, site),
    ...gateKit(dossier, site, now),
    ...gateEntryPlan(dossier, site, now),
    ...gateHotWork(dossier, site),
    ...gatePressureTest(dossier, site),
    ...gateAir(dossier, site, now),
    ...gateBriefing(dossier, site, now),
  ];
}

/** Why a permit is not live: never issued, suspended or lapsed. */
export function refuseNotLive(dossier: Dossier, site: SiteFacts): Refusal[] {
  const { permit } = dossier;
  switch (permit.kind) {
    case 'issued':
    case 'suspended':
      return gateHalt(dossier, site);
    case 'lapsed':
      return [refuse('permit-lapsed', { until: permit.until }), ...gateHalt(dossier, site)];
    default:
      return [refuse('not-issued')];
  }
}

/** A permit that runs on into a shift is revalidated when that begins. */
function gateRevalidation({ permit }: Dossier, { values }: SiteFacts, now: string): Refusal[] {
  if (permit.kind !== 'issued') return [];
  const due = findRevalidationDue(permit.validated.at, now, values);
  return due !== undefined && Date.parse(now) > Date.parse(due)
    ? [refuse('not-revalidated', { number: permit.number, due })]
    : [];
}

/** What keeps anyone from signing on. */
export function gateWork(dossier: Dossier, site: SiteFacts, now: string): Refusal[] {
  if (!isHeld(dossier.permit)) return [refuse('not-issued')];
  return [
    ...refuseNotLive(dossier, site),
    ...gateIsolation(dossier, site),
    ...gateStanding(dossier, site, now),
    ...gateRevalidation(dossier, site, now),
    ...gateClearances(dossier, site, now),
    ...gateKit(dossier, site, now),
    ...gateHotWork(dossier, site),
    ...gatePressureTest(dossier, site),
    ...gateAir(dossier, site, now),
  ];
}

/** The fire watch's time that is still to run, and the last look after it. */
export function gateTail({ permit }: Dossier, now: string): Refusal[] {
  if (permit.kind !== 'watched') return [];
  const { tail, handedBack, rounds, looked } = permit;
  const { left_min, endsAt } = computeTail(tail, handedBack.at, rounds, now);
  if (left_min > 0) return [refuse('tail-running', { until: endsAt, left: left_min })];
  return [
    ...(permit.watchEnded ? [] : [refuse('watch-end-untold')]),
    ...(looked || tail.final === 'none' ? [] : [refuse('tail-final-missing')]),
  ];
}

/** What keeps the permit from being handed back. */
export function gateHandBack(dossier: Dossier, site: SiteFacts): Refusal[] {
  const { permit } = dossier;
  if (!isHeld(permit)) return [refuse('not-issued')];
  const names = Object.keys(listOn(permit)).map((id) => site.people.get(id)?.name ?? id);
  const crews = Object.keys(permit.crews);
  const { test } = dossier.isolation;
  return [
    ...(test ? [refuse('test-open', { purpose: test.purpose })] : []),
    ...(names.length > 0 ? [refuse('people-on', { people: nameFew(names) })] : []),
    ...gateInside(dossier, site),
    ...gateCleared(dossier),
    ...(crews.length > 0 ? [refuse('crews-on', { crews: crews.join(', ') })] : []),
  ];
}
