import { refuse, type Refusal } from '../rules/refuse';
import { gateChanges } from './changes';
import { gateClearances } from './clearances';
import { gateClashes } from './clashes';
import { gateDefects, gateLabels } from './defects';
import { gateIsolation, gateNewest, gatePlan, gateStanding, gateWalkDown } from './gates';
import { gateClose, gateLeakTests } from './gates-back';
import { gateHalt, gateHandBack, gateIssue, gateTail, gateWork } from './gates-permit';
import { gateCalled } from './run-up';
import { requireTogether } from './shared';
import type { Context, OpenJob, SiteFacts } from './site';
import { isHeld, isNumbered, type Dossier } from './state';

export const STAGES = [
  'plan',
  'review',
  'walk-down',
  'isolate',
  'permit',
  'work',
  'restore',
  'closed',
] as const;
export type Stage = (typeof STAGES)[number];

const isAnyLocked = ({ isolation }: Dossier): boolean =>
  Object.keys(isolation.locked).length + Object.keys(isolation.tagged).length > 0;

/** The permit was cancelled with points isolated already: they are put back, unless the task is assessed anew. */
const isGivenUp = (dossier: Dossier): boolean =>
  dossier.permit.kind === 'cancelled' && (dossier.restoring || isAnyLocked(dossier));

/** Where a job stands in working order. */
export function findStage(dossier: Dossier, site: SiteFacts): Stage {
  if (dossier.kind === 'closed') return 'closed';
  if (dossier.plan.kind === 'none' || dossier.plan.kind === 'drafted') return 'plan';
  if (dossier.plan.kind === 'submitted') return 'review';
  if (gateWalkDown(dossier).length > 0) return 'walk-down';
  if (dossier.permit.kind === 'closed' || isGivenUp(dossier)) return 'restore';
  if (isNumbered(dossier.permit)) return 'work';
  return gateIsolation(dossier, site).length > 0 ? 'isolate' : 'permit';
}

/** What is holding a job up: every rule that the next stage does not find met. Empty when nothing is. */
export function listHolding(
  dossier: Dossier,
  {
    site,
    now,
    others = [],
    jobId = '',
  }: Pick<Context, 'site' | 'now'> & {
    readonly others?: readonly OpenJob[];
    readonly jobId?: string;
  },
): Refusal[] {
  switch (findStage(dossier, site)) {
    case 'plan': {
      const missing = [...gatePlan(dossier, site), ...requireTogether(dossier, site, others)];
      return missing.length > 0 ? missing : [refuse('plan-not-submitted')];
    }
    case 'review':
      return [...requireTogether(dossier, site, others), refuse('plan-not-reviewed')];
    case 'walk-down':
      return [
        ...gateWalkDown(dossier),
        ...gateLabels(dossier, site),
        ...gateNewest(dossier, site),
        ...gateDefects(dossier, site),
      ];
    case 'isolate':
      return [
        ...(dossier.isolation.stopped ? [] : gateCalled(dossier)),
        ...gateClearances(dossier, site, now),
        ...gateIsolation(dossier, site),
        ...gateStanding(dossier, site, now),
      ];
    case 'permit': {
      const missing = [
        ...gateIssue(dossier, site, now),
        ...gateClashes({ id: jobId, dossier }, site, others, now),
      ];
      return missing.length > 0 ? missing : [refuse('not-issued')];
    }
    case 'work':
      if (!isHeld(dossier.permit)) return [...gateTail(dossier, now), refuse('permit-open')];
      return [
        ...gateWork(dossier, site, now),
        ...gateHandBack(dossier, site),
        refuse('still-held'),
      ];
    case 'restore':
      return [
        ...gateHalt(dossier, site),
        ...(dossier.isolation.box ? [refuse('box-still-locked')] : []),
        ...(isAnyLocked(dossier) ? gateLeakTests(dossier, site) : []),
        ...gateClose(dossier, site),
        ...(dossier.isolation.takenBack ? [] : gateChanges(dossier, site, now, jobId)),
      ];
    case 'closed':
      return [];
  }
}
