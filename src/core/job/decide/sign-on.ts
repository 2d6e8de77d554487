import { refuse, type Refusal } from '../../rules/refuse';
import { requireRole } from '../authority';
import { type CommandOf } from '../commands';
import { requireBriefed } from '../briefing';
import { gateFirm, gateLeadOff } from '../firms';
import { gateWork } from '../gates-permit';
import { type Context } from '../site';
import { isHeld, listOn, type Dossier } from '../state';
import { requireCrew } from './crew';
import { requireDutyCovers, requireFree } from './duty';
import { requireHole, requireLock, requireOwn } from './lock';
import { type Outcome, nameOf } from './outcome';
import { requireContract } from './contract';
import { requireTold } from './told';

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

/** Refuses someone who is named for other jobs and not for this one. */
function requireTeam({ team }: Dossier, person: string, context: Context): Refusal[] {
  if (team.includes(person)) return [];
  const named = context.others
    .open()
    .filter((other) => other.dossier.team.includes(person))
    .map(({ id }) => id);
  return team.length > 0 || named.length > 0
    ? [
        refuse('not-of-this-job', {
          person: nameOf(context, person),
          jobs: named.join(', ') || 'none',
        }),
      ]
    : [];
}

/** Refuses the paper of another job, or one that has been replaced. */
function requireThisPermit({ permit }: Dossier, given: string | undefined): Refusal[] {
  if (given === undefined || !isHeld(permit) || given === permit.number) return [];
  return [refuse('other-permit', { given, number: permit.number })];
}

/** What the papers ask of whoever signs on: an entrant for an entry, hot work for sparks, and the duties taken. */
function requirePapers(
  dossier: Dossier,
  { person, sparks }: CommandOf<'sign-on'>,
  context: Context,
): Refusal[] {
  const { permit } = dossier;
  if (!isHeld(permit)) return [];
  const isEntry = permit.papers.includes('confined-space');
  const isHot = permit.papers.includes('hot-work');
  return [
    ...(isEntry ? requireRole(context, person, ['entrant']) : []),
    ...(sparks && !isHot ? [refuse('no-sparks-here')] : []),
    ...(sparks && isHot && !dossier.hotWork.briefed ? [refuse('watch-not-briefed')] : []),
    ...requireDutyCovers(dossier, { sparks: sparks === true }, context),
  ];
}

function decideSignOn(dossier: Dossier, command: CommandOf<'sign-on'>, context: Context): Outcome {
  const { person, crew, permit, sparks } = command;
  const locks = locksOf(dossier, command);
  const on = person in listOn(dossier.permit) ? context.jobId : context.others.personOn.get(person);
  return {
    refusals: [
      ...gateWork(dossier, context.site, context.now),
      ...requireRole(context, person, ['worker', 'performing-authority']),
      ...(person === context.actor
        ? [refuse('performs-and-issues', { person: nameOf(context, person) })]
        : []),
      ...requireContract(person, context),
      ...gateFirm(dossier, person, context.site),
      ...requireThisPermit(dossier, permit),
      ...requireTeam(dossier, person, context),
      ...requirePapers(dossier, command, context),
      ...requireTold(dossier, person, context),
      ...requireBriefed(dossier, person, context.site, context.now),
      ...requireFree(dossier, person, context),
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
    event: {
      kind: 'signed-on',
      person,
      locks,
      ...(crew === undefined ? {} : { crew }),
      ...(sparks ? { sparks } : {}),
    },
  };
}

function decideSignOff(
  dossier: Dossier,
  command: CommandOf<'sign-off'>,
  context: Context,
): Outcome {
  const people = listOn(dossier.permit);
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
          ...(command.person in dossier.entry.inside
            ? [refuse('people-inside', { people: nameOf(context, command.person) })]
            : []),
          ...gateLeadOff(dossier, command.person, context.site),
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

/** Decides who comes on to a permit and who goes off it. */
export const decideSigning = (
  dossier: Dossier,
  command: CommandOf<'sign-on' | 'sign-off'>,
  context: Context,
): Outcome =>
  command.kind === 'sign-on'
    ? decideSignOn(dossier, command, context)
    : decideSignOff(dossier, command, context);
