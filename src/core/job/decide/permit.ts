import { refuse } from '../../rules/book';
import { requireRole } from '../authority';
import { type CommandOf } from '../commands';
import { gateHandBack, gateIssue, gateWork } from '../gates';
import { LONGEST_VALIDITY_HOURS, type Context } from '../site';
import { type Dossier } from '../state';
import { requireTold } from './absent';
import { requireLock } from './lock';
import { type Outcome, nameOf } from './outcome';

function decideIssue(
  dossier: Dossier,
  command: CommandOf<'issue-permit'>,
  context: Context,
): Outcome {
  const until = new Date(Date.parse(context.now) + command.hours * 3_600_000).toISOString();
  const live =
    dossier.permit.kind !== 'none' &&
    dossier.permit.kind !== 'assessed' &&
    dossier.permit.kind !== 'approved';
  const self = context.actor === dossier.performer || context.actor === command.performer;
  return {
    refusals: [
      ...gateIssue(dossier, context.site),
      ...(live ? [refuse('already-done', { what: 'Issuing' })] : []),
      ...(command.performer === dossier.performer
        ? requireRole(context, command.performer, ['performing-authority'])
        : [
            refuse('not-the-performer', {
              performer: nameOf(context, dossier.performer),
              person: nameOf(context, command.performer),
            }),
          ]),
      ...(self ? [refuse('performs-and-issues', { person: nameOf(context, context.actor) })] : []),
      ...(command.hours > LONGEST_VALIDITY_HOURS
        ? [refuse('validity-too-long', { hours: command.hours, most: LONGEST_VALIDITY_HOURS })]
        : []),
      ...(command.briefed ? [] : [refuse('briefing-missing')]),
    ],
    event: {
      kind: 'permit-issued',
      number: `P-${context.jobId.replace(/^J-/, '')}`,
      until,
      performer: command.performer,
    },
  };
}

function decideSignOn(dossier: Dossier, command: CommandOf<'sign-on'>, context: Context): Outcome {
  const lock = context.site.locks.get(command.lock);
  const on =
    dossier.permit.kind === 'issued' && command.person in dossier.permit.people
      ? context.jobId
      : context.others.personOn.get(command.person);
  const foreign = lock?.owner !== undefined && lock.owner !== command.person;
  return {
    refusals: [
      ...gateWork(dossier, context.site, context.now),
      ...requireRole(context, command.person, ['worker', 'performing-authority']),
      ...(command.person === context.actor
        ? [refuse('performs-and-issues', { person: nameOf(context, command.person) })]
        : []),
      ...requireTold(dossier, command.person, context),
      ...(on === undefined
        ? []
        : [refuse('already-on', { person: nameOf(context, command.person), job: on })]),
      ...requireLock(dossier, command.lock, 'personal', context),
      ...(foreign
        ? [
            refuse('lock-not-yours', {
              lock: command.lock,
              owner: nameOf(context, lock.owner ?? ''),
            }),
          ]
        : []),
    ],
    event: { kind: 'signed-on', person: command.person, lock: command.lock },
  };
}

function decideSignOff(
  dossier: Dossier,
  command: CommandOf<'sign-off'>,
  context: Context,
): Outcome {
  const people = dossier.permit.kind === 'issued' ? dossier.permit.people : {};
  const hung = people[command.person];
  const owner = Object.entries(people).find(([, lock]) => lock === command.lock)?.[0];
  return {
    refusals: [
      ...(hung === undefined
        ? [refuse('not-on', { person: nameOf(context, command.person) })]
        : []),
      ...(hung !== undefined && hung !== command.lock
        ? [
            refuse('lock-not-yours', {
              lock: command.lock,
              owner: nameOf(
                context,
                owner ?? context.site.locks.get(command.lock)?.owner ?? 'nobody here',
              ),
            }),
          ]
        : []),
    ],
    event: { kind: 'signed-off', person: command.person, lock: command.lock },
  };
}

export function decidePermit(
  dossier: Dossier,
  command: CommandOf<
    | 'assess-task'
    | 'approve-permit'
    | 'issue-permit'
    | 'sign-on'
    | 'sign-off'
    | 'hand-back'
    | 'close-permit'
  >,
  context: Context,
): Outcome {
  const { permit } = dossier;
  switch (command.kind) {
    case 'assess-task':
      return {
        refusals:
          permit.kind === 'none' || permit.kind === 'assessed'
            ? []
            : [refuse('already-done', { what: 'Approving' })],
        event: { ...command, kind: 'task-assessed' },
      };
    case 'approve-permit':
      return {
        refusals: [
          ...(permit.kind === 'none' ? [refuse('not-assessed')] : []),
          ...(permit.kind !== 'none' && permit.kind !== 'assessed'
            ? [refuse('already-done', { what: 'Approving' })]
            : []),
          ...(context.actor === dossier.performer
            ? [refuse('performs-and-issues', { person: nameOf(context, context.actor) })]
            : []),
        ],
        event: { kind: 'permit-approved' },
      };
    case 'issue-permit':
      return decideIssue(dossier, command, context);
    case 'sign-on':
      return decideSignOn(dossier, command, context);
    case 'sign-off':
      return decideSignOff(dossier, command, context);
    case 'hand-back':
      return {
        refusals: [
          ...gateHandBack(dossier, context.site),
          ...(context.actor === dossier.performer
            ? []
            : [
                refuse('not-the-performer', {
                  performer: nameOf(context, dossier.performer),
                  person: nameOf(context, context.actor),
                }),
              ]),
          ...(command.cleared ? [] : [refuse('not-cleared')]),
        ],
        event: { ...command, kind: 'permit-handed-back' },
      };
    case 'close-permit':
      return {
        refusals: [
          ...(permit.kind === 'issued' ? [refuse('still-held')] : []),
          ...(permit.kind === 'closed'
            ? [refuse('already-done', { what: 'Closing the permit' })]
            : []),
          ...(permit.kind === 'issued' || permit.kind === 'handed-back' || permit.kind === 'closed'
            ? []
            : [refuse('not-issued')]),
          ...(context.actor === dossier.performer
            ? [refuse('performs-and-issues', { person: nameOf(context, context.actor) })]
            : []),
        ],
        event: { kind: 'permit-closed', inspected: command.inspected },
      };
  }
}
