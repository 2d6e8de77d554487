import { ROLE_NAMES } from '../../people/people';
import { refuse, type Refusal } from '../../rules/refuse';
import { requireRole } from '../authority';
import { DUTY_KINDS, READY_CHECKS, type CommandOf } from '../commands';
import { type Context } from '../site';
import { isHeld, listOn, type Dossier, type OnDuty } from '../state';
import { nameOf, type Outcome } from './outcome';
import { requireNotWatching } from './watch';

type Duty = OnDuty['duty'];

/** What someone stands by for on a job: a duty, or the watch for fire after hot work. */
function findDuty({ duties, permit }: Dossier, person: string): Duty | undefined {
  if (permit.kind === 'watched' && permit.watcher === person) return 'fire-watch';
  return duties[person]?.duty;
}

/** Refuses someone who stands by in a duty anywhere, or watches a drain: alone in that duty. */
export function requireFree(dossier: Dossier, person: string, context: Context): Refusal[] {
  const jobs = [{ id: context.jobId, dossier }, ...context.others.open()];
  return [
    ...requireNotWatching(dossier, person, context),
    ...jobs.flatMap(({ id, dossier: other }) => {
      const duty = findDuty(other, person);
      return duty === undefined
        ? []
        : [
            refuse('on-duty', {
              person: nameOf(context, person),
              duty: ROLE_NAMES[duty],
              job: id,
            }),
          ];
    }),
  ];
}

const countDuty = ({ duties }: Dossier, duty: Duty) =>
  Object.values(duties).filter((one) => one.duty === duty).length;

/** How many of a duty are wanted when so many are on, and so many of them make sparks. */
function countWanted(
  dossier: Dossier,
  duty: Duty,
  on: { readonly people: number; readonly sparks: number },
  { values }: Context['site'],
): number {
  const { permit, sharedWatch, hotWork } = dossier;
  if (!isHeld(permit)) return 0;
  if (duty === 'attendant')
    return permit.papers.includes('confined-space') && on.people > 0 ? 1 : 0;
  if (!permit.papers.includes('hot-work')) return 0;
  const isShared = values['fire-watch'] === 'shared' && sharedWatch !== undefined;
  // What was made hot is watched through breaks too, until the tail begins.
  const least = hotWork.sparked ? 1 : 0;
  // Where one watch does not see everything that sparks can reach, there is another.
  const further = on.sparks > 0 && hotWork.briefed?.sees === 'not-all' ? 1 : 0;
  return Math.max(least, isShared ? Math.min(1, on.sparks) : on.sparks) + further;
}

const countOn = (dossier: Dossier) => {
  const on = Object.values(listOn(dossier.permit));
  return { people: on.length, sparks: on.filter(({ sparks }) => sparks).length };
};

/** Refuses someone more to come on while a fire watch or an attendant is missing for them. */
export function requireDutyCovers(
  dossier: Dossier,
  { sparks }: { readonly sparks: boolean },
  { site }: Context,
): Refusal[] {
  const now = countOn(dossier);
  const then = { people: now.people + 1, sparks: now.sparks + (sparks ? 1 : 0) };
  return DUTY_KINDS.flatMap((duty) => {
    const want = countWanted(dossier, duty, then, site);
    const have = countDuty(dossier, duty);
    return have >= want ? [] : [refuse('duty-missing', { have, want, duty: ROLE_NAMES[duty] })];
  });
}

/** Refuses a duty whose means were not checked. */
function requireReady({ duty, checked }: CommandOf<'take-duty'>): Refusal[] {
  const missing = Object.entries(READY_CHECKS[duty]).filter(([code]) => !checked.includes(code));
  return missing.length === 0
    ? []
    : [
        refuse('duty-not-ready', {
          duty: ROLE_NAMES[duty],
          missing: missing.map(([, words]) => words).join('; '),
        }),
      ];
}

function decideTake(dossier: Dossier, command: CommandOf<'take-duty'>, context: Context): Outcome {
  const { person, duty } = command;
  const on = person in listOn(dossier.permit) ? context.jobId : context.others.personOn.get(person);
  return {
    refusals: [
      ...(isHeld(dossier.permit) ? [] : [refuse('not-issued')]),
      ...requireRole(context, person, [duty]),
      ...requireReady(command),
      ...requireFree(dossier, person, context),
      ...(on === undefined
        ? []
        : [refuse('already-on', { person: nameOf(context, person), job: on })]),
    ],
    event: { ...command, kind: 'duty-taken' },
  };
}

/** A duty is left once another has it, or once nobody is on who needs it. */
function decideLeave(
  dossier: Dossier,
  command: CommandOf<'leave-duty'>,
  context: Context,
): Outcome {
  const { person } = command;
  const duty = dossier.duties[person]?.duty;
  const event = { ...command, kind: 'duty-left' } as const;
  if (!duty)
    return { refusals: [refuse('not-on-duty', { person: nameOf(context, person) })], event };
  const isNeeded =
    countDuty(dossier, duty) - 1 < countWanted(dossier, duty, countOn(dossier), context.site);
  const names = Object.keys(listOn(dossier.permit)).map((id) => nameOf(context, id));
  const why =
    names.length > 0
      ? `${names.join(', ')} still signed on`
      : 'sparks were made, and the permit is not handed back';
  return {
    refusals: isNeeded
      ? [refuse('duty-needed', { person: nameOf(context, person), duty: ROLE_NAMES[duty], why })]
      : [],
    event,
  };
}

/** Decides who stands by as fire watch or attendant. */
export function decideDuty(
  dossier: Dossier,
  command: CommandOf<'take-duty' | 'leave-duty' | 'share-fire-watch'>,
  context: Context,
): Outcome {
  switch (command.kind) {
    case 'take-duty':
      return decideTake(dossier, command, context);
    case 'leave-duty':
      return decideLeave(dossier, command, context);
    case 'share-fire-watch':
      return {
        refusals: [
          ...(isHeld(dossier.permit) && dossier.permit.papers.includes('hot-work')
            ? []
            : [refuse('no-sparks-here')]),
          ...(context.site.values['fire-watch'] === 'shared' ? [] : [refuse('watch-not-shared')]),
        ],
        event: { ...command, kind: 'fire-watch-shared' },
      };
  }
}
