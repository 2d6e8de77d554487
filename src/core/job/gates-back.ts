import { refuse, type Refusal } from '../rules/refuse';
import { gateReturned } from './clearances';
import { listLeakTests } from './leak-test';
import { listLineup } from './lineup';
import { gateCalledBack } from './run-up';
import { findWorkOrder, type SiteFacts, type WorkOrder } from './site';
import { isFreed, isHeld, type Dossier } from './state';

/** What keeps the points from being restored. */
export function gateRestore(dossier: Dossier): Refusal[] {
  const { permit, isolation } = dossier;
  return [
    ...(isHeld(permit) ? [refuse('still-held')] : []),
    ...(isFreed(permit) ? [] : [refuse('permit-open')]),
    ...(isolation.box ? [refuse('box-still-locked')] : []),
  ];
}

/** Links, outlets and stores of the plan that still stand isolated. */
export function listStanding(dossier: Dossier, order: WorkOrder): string[] {
  const { locked, tagged, opened, restrained } = dossier.isolation;
  return order.restore
    .map((step) => step.subject)
    .filter((subject) => [locked, tagged, opened, restrained].some((held) => subject in held));
}

/** What keeps the locks on a line that was broken into: its leak test. */
export function gateLeakTests(dossier: Dossier, site: SiteFacts): Refusal[] {
  const { leakTests } = dossier.isolation;
  return listLeakTests(dossier, site).flatMap(({ section }) => {
    const test = leakTests[section];
    if (!test) return [refuse('leak-test-missing', { section })];
    const { tight, from_bar, to_bar, minutes } = test;
    return tight ? [] : [refuse('line-leaks', { section, from: from_bar, to: to_bar, minutes })];
  });
}

/** What keeps plant from being started again: points that stand, a line not walked, or found otherwise than it should be. */
export function gateLineup(dossier: Dossier, site: SiteFacts): Refusal[] {
  const { walked, differs } = dossier.isolation;
  const order = findWorkOrder(dossier, site);
  const standing = order ? listStanding(dossier, order) : [];
  const lineup = order ? listLineup(site.graph, order) : [];
  const left = lineup
    .map(({ point }) => point)
    .filter((point) => !(point in walked) && !(point in differs));
  return [
    ...(isFreed(dossier.permit) ? [] : [refuse('permit-open')]),
    ...(standing.length > 0 ? [refuse('points-locked', { points: standing.join(', ') })] : []),
    ...gateReturned(dossier),
    ...(left.length > 0 ? [refuse('lineup-missing', { points: left.join(', ') })] : []),
    ...lineup.flatMap(({ point, words }) => {
      const found = differs[point];
      return found
        ? [
            refuse('position-wrong', {
              subject: point,
              found: words[found.found],
              normal: words[found.normal],
            }),
          ]
        : [];
    }),
  ];
}

/** Blanks that were put in behind openings for hot work. */
function gateBlanks({ hotWork: { cleared } }: Dossier): Refusal[] {
  const links = Object.values(cleared).flatMap(({ blank }) => blank?.links ?? []);
  return links.length > 0 ? [refuse('blanks-in', { links: links.join(', ') })] : [];
}

/** A job that was given up before anyone touched the plant leaves nothing to be walked. */
const isUntouched = ({ permit, isolation }: Dossier): boolean =>
  permit.kind === 'cancelled' && isolation.attended === undefined;

/** What keeps operations from taking the plant back. */
export const gateTakeBack = (dossier: Dossier, site: SiteFacts): Refusal[] =>
  isUntouched(dossier)
    ? gateReturned(dossier)
    : [
        ...gateBlanks(dossier),
        ...gateLineup(dossier, site),
        ...(dossier.isolation.started ? [] : [refuse('start-not-seen')]),
      ];

/** What keeps the job from being closed. */
export const gateClose = (dossier: Dossier, site: SiteFacts): Refusal[] => [
  ...gateTakeBack(dossier, site),
  ...(isUntouched(dossier) || dossier.isolation.takenBack ? [] : [refuse('not-taken-back')]),
  ...gateCalledBack(dossier),
];
