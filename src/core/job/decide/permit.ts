import { findLatestEnd, listAccepters, refuseAssessment } from '../../permits';
import { hoursAfter } from '../../hours';
import type { TailPolicy } from '../../hotwork';
import { refuse, type Refusal } from '../../rules/refuse';
import type { SiteValues } from '../../rules/values';
import { requireRole } from '../authority';
import { gateClashes } from '../clashes';
import { findClearanceEnd, requireWithinClearance } from '../clearances';
import { type CommandOf } from '../commands';
import { refuseCopiesOut } from '../copies';
import { gateApproval, gateHandBack, gateIssue, gateTail } from '../gates-permit';
import { listPapers, listSuggested } from '../papers';
import { type Context } from '../site';
import { isHeld, isNumbered, type Dossier, type PermitRecord } from '../state';
import { requireFree } from './duty';
import { type Outcome } from './outcome';
import { requireNotPerformer, requirePerformer } from './performer';

/** Clashes of the job at hand with those that are open beside it, while it lasts or until a given end. */
export const requireNoClash = (
  dossier: Dossier,
  { jobId, site, others, now }: Context,
  until?: string,
): Refusal[] =>
  gateClashes(
    { id: jobId, dossier },
    site,
    others.open(),
    now,
    until === undefined ? undefined : { from: Date.parse(now), until: Date.parse(until) },
  );

function decideAssess(
  dossier: Dossier,
  command: CommandOf<'assess-task'>,
  context: Context,
): Outcome {
  const { permit, restoring } = dossier;
  const isOpen =
    permit.kind === 'draft' || permit.kind === 'assessed' || permit.kind === 'cancelled';
  return {
    refusals: [
      ...(isOpen ? [] : [refuse('already-done', { what: 'Approving' })]),
      ...(restoring ? [refuse('restoring-begun')] : []),
      ...refuseAssessment(command, listSuggested(dossier, context.site)),
      ...listAccepters(command).flatMap(({ person, remains }) =>
        requireRole(
          context,
          person,
          remains === 'high' ? ['site-manager'] : ['issuing-authority', 'site-manager'],
        ),
      ),
    ],
    event: { ...command, kind: 'task-assessed' },
  };
}

function decideApprove(dossier: Dossier, context: Context): Outcome {
  const { kind } = dossier.permit;
  const isEarly = kind === 'draft' || kind === 'cancelled';
  return {
    refusals: [
      ...(isEarly || kind === 'assessed'
        ? gateApproval(dossier, context.site)
        : [refuse('already-done', { what: 'Approving' })]),
      ...requireNoClash(dossier, context),
      ...requireNotPerformer(dossier, context),
    ],
    event: { kind: 'permit-approved' },
  };
}

/** The number of a permit: that of the job, and from the second on which one it is. */
function numberPermit({ pastPermits }: Dossier, jobId: string): string {
  const number = `P-${jobId.replace(/^J-/, '')}`;
  return pastPermits.length === 0 ? number : `${number}-${pastPermits.length + 1}`;
}

/** Refuses an end that is later than the site allows. */
export const requireEnd = (until: string, latest: string): Refusal[] =>
  Date.parse(until) > Date.parse(latest) ? [refuse('validity-too-long', { until, latest })] : [];

function decideIssue(
  dossier: Dossier,
  command: CommandOf<'issue-permit'>,
  context: Context,
): Outcome {
  const { site, now } = context;
  const latest = findLatestEnd(now, site.values);
  const cleared = findClearanceEnd(dossier, site) ?? latest;
  const longest = Date.parse(cleared) < Date.parse(latest) ? cleared : latest;
  const until = command.hours === undefined ? longest : hoursAfter(now, command.hours);
  return {
    refusals: [
      ...gateIssue(dossier, site, now),
      ...(isNumbered(dossier.permit) ? [refuse('already-done', { what: 'Issuing' })] : []),
      ...requireNoClash(dossier, context, until),
      ...requirePerformer(dossier, command.performer, context),
      ...requireNotPerformer(dossier, context, command.performer),
      ...requireEnd(until, latest),
      ...requireWithinClearance(dossier, until, site),
      ...(command.briefed || site.values.briefing === 'signed' ? [] : [refuse('briefing-missing')]),
    ],
    event: {
      kind: 'permit-issued',
      number: numberPermit(dossier, context.jobId),
      until,
      performer: command.performer,
      papers: listPapers(dossier, site),
    },
  };
}

/** After hot work someone trained stays and watches for fire. */
function requireTail(
  dossier: Dossier,
  { watcher, watchedFrom }: CommandOf<'hand-back'>,
  context: Context,
): Refusal[] {
  const { permit } = dossier;
  const isVessel = isHeld(permit) && permit.papers.includes('confined-space');
  if (watcher === undefined) return [refuse('tail-watcher-missing')];
  const onDuty = dossier.duties[watcher];
  return [
    ...requireRole(context, watcher, ['fire-watch']),
    ...(isVessel && watchedFrom !== 'opening' ? [refuse('watch-inside')] : []),
    ...(onDuty?.duty === 'fire-watch' ? [] : requireFree(dossier, watcher, context)),
  ];
}

/** The regime of the watch after hot work, as the site has set it. */
const tailPolicy = (values: SiteValues): TailPolicy => ({
  watch_min: values['tail-min'],
  checks_min: values['tail-checks-min'],
  round_min: values['tail-round-min'],
  check_min: values['tail-check-min'],
  final: values['tail-final'],
});

/** Work that is said to be finished was done by somebody; when nobody was ever signed on it is asked who, and why not. */
const requireWorked = (
  permit: PermitRecord,
  { finished, unsigned }: CommandOf<'hand-back'>,
): Refusal[] =>
  finished && isHeld(permit) && !permit.worked && !unsigned ? [refuse('nobody-signed-on')] : [];

function decideHandBack(
  dossier: Dossier,
  command: CommandOf<'hand-back'>,
  context: Context,
): Outcome {
  const { permit } = dossier;
  const isHot = isHeld(permit) && permit.papers.includes('hot-work');
  const { watcher, ...rest } = command;
  const tail = tailPolicy(context.site.values);
  const last = (tail.watch_min + tail.checks_min) * 60_000;
  return {
    refusals: [
      ...gateHandBack(dossier, context.site),
      ...requirePerformer(dossier, context.actor, context),
      ...(command.cleared ? [] : [refuse('not-cleared')]),
      ...requireWorked(permit, command),
      ...(isHot ? requireTail(dossier, command, context) : []),
    ],
    event: {
      ...rest,
      kind: 'permit-handed-back',
      ...(isHot
        ? {
            watcher,
            watchedUntil: new Date(Date.parse(context.now) + last).toISOString(),
            tail,
          }
        : {}),
    },
  };
}

function decideClose(
  dossier: Dossier,
  command: CommandOf<'close-permit'>,
  context: Context,
): Outcome {
  const { permit } = dossier;
  return {
    refusals: [
      ...(isHeld(permit) ? [refuse('still-held')] : []),
      ...(permit.kind === 'closed' ? [refuse('already-done', { what: 'Closing the permit' })] : []),
      ...(isNumbered(permit) ? [] : [refuse('not-issued')]),
      ...gateTail(dossier, context.now),
      ...refuseCopiesOut(permit),
      ...requireNotPerformer(dossier, context),
    ],
    event: { kind: 'permit-closed', inspected: command.inspected },
  };
}

/** Before it is issued a permit may be cancelled; the points can then be put back, or the task be assessed anew. */
function decideCancel(
  { permit, restoring }: Dossier,
  command: CommandOf<'cancel-permit'>,
): Outcome {
  const isOpen =
    permit.kind === 'draft' || permit.kind === 'assessed' || permit.kind === 'approved';
  return {
    refusals: isOpen && !restoring ? [] : [refuse('nothing-to-cancel')],
    event: { ...command, kind: 'permit-cancelled' },
  };
}

/** Decides the life of a permit from the assessment of its task to closing. */
export function decidePermit(
  dossier: Dossier,
  command: CommandOf<
    | 'assess-task'
    | 'approve-permit'
    | 'issue-permit'
    | 'hand-back'
    | 'close-permit'
    | 'cancel-permit'
  >,
  context: Context,
): Outcome {
  switch (command.kind) {
    case 'assess-task':
      return decideAssess(dossier, command, context);
    case 'approve-permit':
      return decideApprove(dossier, context);
    case 'issue-permit':
      return decideIssue(dossier, command, context);
    case 'hand-back':
      return decideHandBack(dossier, command, context);
    case 'close-permit':
      return decideClose(dossier, command, context);
    case 'cancel-permit':
      return decideCancel(dossier, command);
  }
}
