import { refuse, type Refusal } from '../../rules/book';
import { requireRole } from '../authority';
import { type CommandOf } from '../commands';
import { gateHandBack, gateIssue, gateWork } from '../gates';
import { LONGEST_VALIDITY_HOURS, type Context } from '../site';
import { type Dossier } from '../state';
import { requireCrew } from './crew';
import { requireHole, requireLock, requireOwn } from './lock';
import { type Outcome, nameOf } from './outcome';
import { requireTold } from './told';
import { requireNotWatching } from './watch';

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
      ...gateIssue(dossier, context.site, context.now),
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

type Locks = Readonly<Record<string, string>>;

/** A worker's locks by where they hang: one on the box, or one on each point. */
function locksOf({ isolation }: Dossier, { lock, each }: CommandOf<'sign-on' | 'sign-off'>): Locks {
  if (isolation.lockout === 'each-point') return each ?? {};
  return lock === undefined || !isolation.box ? {} : { [isolation.box.box]: lock };
}

/** Refuses to go on while a place where the worker's own lock has to hang goes without. */
function requireEverywhere({ isolation }: Dossier, locks: Locks): Refusal[] {
  const places =
    isolation.lockout === 'each-point'
      ? Object.keys(isolation.locked)
      : isolation.box
        ? [isolation.box.box]
        : [];
  const bare = places.filter((place) => !(place in locks));
  const strange = Object.keys(locks).filter((place) => !places.includes(place));
  return [
    ...(bare.length > 0 ? [refuse('own-lock-missing', { places: bare.join(', ') })] : []),
    ...strange.map((subject) => refuse('not-in-plan', { subject })),
  ];
}

/** Refuses one lock that is named for two places. */
function requireOneEach(locks: Locks): Refusal[] {
  const all = Object.entries(locks);
  return all
    .filter(([, lock], n) => all.findIndex(([, other]) => other === lock) < n)
    .map(([where, lock]) => refuse('lock-in-use', { lock, where }));
}

function decideSignOn(dossier: Dossier, command: CommandOf<'sign-on'>, context: Context): Outcome {
  const { person, crew } = command;
  const locks = locksOf(dossier, command);
  const on =
    dossier.permit.kind === 'issued' && person in dossier.permit.people
      ? context.jobId
      : context.others.personOn.get(person);
  return {
    refusals: [
      ...gateWork(dossier, context.site, context.now),
      ...requireRole(context, person, ['worker', 'performing-authority']),
      ...(person === context.actor
        ? [refuse('performs-and-issues', { person: nameOf(context, person) })]
        : []),
      ...requireTold(dossier, person, context),
      ...requireNotWatching(dossier, person, context),
      ...(on === undefined
        ? []
        : [refuse('already-on', { person: nameOf(context, person), job: on })]),
      ...requireCrew(dossier, command, context),
      ...requireEverywhere(dossier, locks),
      ...requireOneEach(locks),
      ...Object.entries(locks).flatMap(([where, lock]) => [
        ...requireLock(dossier, lock, 'personal', context),
        ...requireOwn(lock, person, context),
        ...requireHole(dossier, where, context),
      ]),
    ],
    event: { kind: 'signed-on', person, locks, ...(crew === undefined ? {} : { crew }) },
  };
}

function decideSignOff(
  dossier: Dossier,
  command: CommandOf<'sign-off'>,
  context: Context,
): Outcome {
  const people = dossier.permit.kind === 'issued' ? dossier.permit.people : {};
  const on = people[command.person];
  const named = Object.values(locksOf(dossier, command));
  const hung = Object.entries(on?.locks ?? {});
  const ownerOf = (lock: string) =>
    Object.entries(people).find(([, { locks }]) => Object.values(locks).includes(lock))?.[0] ??
    context.site.locks.get(lock)?.owner ??
    'nobody here';
  const foreign = named.filter((lock) => !hung.some(([, own]) => own === lock));
  const left = hung.filter(([, lock]) => !named.includes(lock)).map(([where]) => where);
  return {
    refusals: on
      ? [
          ...foreign.map((lock) =>
            refuse('lock-not-yours', { lock, owner: nameOf(context, ownerOf(lock)) }),
          ),
          ...(left.length > 0 && foreign.length === 0
            ? [refuse('own-lock-missing', { places: left.join(', ') })]
            : []),
        ]
      : [refuse('not-on', { person: nameOf(context, command.person) })],
    event: { kind: 'signed-off', person: command.person },
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
