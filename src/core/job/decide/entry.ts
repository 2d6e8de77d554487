import { refuse, type Refusal } from '../../rules/refuse';
import { isByName, planPurge, SPACE_CHECK_CODES, SPACE_CHECKS } from '../../space';
import { findAirTest, gateAir } from '../air';
import { requireRole } from '../authority';
import { type CommandOf } from '../commands';
import {
  gateChecked,
  gateEntry,
  isEntry,
  listInsideLeft,
  listInside,
  purgeLimits,
  refuseEntryPlan,
  refusePurgeRunning,
} from '../entry';
import { gateIsolation } from '../gates';
import { refuseNotLive } from '../gates-permit';
import { type Context, type SiteFacts } from '../site';
import { isHeld, listOn, type Dossier } from '../state';
import { nameOf, type Outcome } from './outcome';
import { findInert } from '../sums';
import { writeFigure } from '../../units';

type Opening = CommandOf<'open-space' | 'pump-out' | 'start-purge' | 'end-purge' | 'stop-purge'>;
type Inside = CommandOf<'enter-space' | 'leave-space' | 'call-in'>;
export type EntryCommand = CommandOf<'plan-entry' | 'check-space'> | Opening | Inside;

/** Refuses a step before the air was tested from outside, lately. */
function requireTested(dossier: Dossier, step: string, { site, now }: Context): Refusal[] {
  const minutes = site.values['air-test-min'];
  const test = findAirTest(dossier, 'entry');
  const age = test ? (Date.parse(now) - Date.parse(test.at)) / 60_000 : Infinity;
  return age <= minutes ? [] : [refuse('space-before-test', { minutes, step })];
}

/** A purge of what was made inert begins with as little oxygen as that left, or its time is too short. */
function refuseFromInert(dossier: Dossier, oxygen: number): Refusal[] {
  const least = findInert(dossier);
  const most = least === undefined ? Infinity : Number(writeFigure(least));
  return oxygen > most ? [refuse('purge-from-inert', { oxygen, most })] : [];
}

/** Steps that open a space and blow it out. They come before the permit: nobody is inside. */
function decideOpening(dossier: Dossier, command: Opening, context: Context): Outcome {
  const { entry } = dossier;
  const { site, now } = context;
  const shut = entry.opened ? [] : [refuse('space-shut')];
  // Nothing is opened or blown into before what feeds it is kept away and proved.
  const isolated = gateIsolation(dossier, site);
  switch (command.kind) {
    case 'open-space':
      return {
        refusals: [
          ...isolated,
          ...gateChecked(dossier, site, 'open'),
          ...requireTested(dossier, 'opening it', context),
        ],
        event: { ...command, kind: 'space-opened' },
      };
    case 'pump-out':
      return {
        refusals: [...isolated, ...requireTested(dossier, 'pumping it out', context)],
        event: { ...command, kind: 'pumped-out' },
      };
    case 'start-purge': {
      const { plan, refusals } = planPurge(command, purgeLimits(site));
      const minutes = plan?.minutes ?? 0;
      return {
        refusals: [
          ...isolated,
          ...shut,
          ...(entry.purge ? [refuse('purge-under-way')] : []),
          ...refuseFromInert(dossier, command.oxygen_pct),
          ...refusals,
        ],
        event: {
          ...command,
          kind: 'purge-started',
          minutes,
          why: plan ? plan.longest.says : '',
          until: new Date(Date.parse(now) + minutes * 60_000).toISOString(),
        },
      };
    }
    case 'end-purge': {
      const { purge } = entry;
      const isEarly = purge !== undefined && Date.parse(now) < Date.parse(purge.until);
      return {
        refusals: [
          ...(purge ? [] : [refuse('purge-not-begun')]),
          ...(isEarly ? [refusePurgeRunning(purge.until, now)] : []),
        ],
        event: { ...command, kind: 'purge-ended' },
      };
    }
    case 'stop-purge':
      return {
        refusals: entry.purge ? [] : [refuse('purge-not-begun')],
        event: { ...command, kind: 'purge-stopped' },
      };
  }
}

function decideChecks(
  { duties }: Dossier,
  command: CommandOf<'check-space'>,
  context: Context,
): Outcome {
  const { answers, cover } = command;
  const most = context.site.values['lift-one-kg'];
  const named = SPACE_CHECK_CODES.filter((code) => isByName(code) && answers[code]?.here);
  return {
    refusals: [
      ...named.flatMap((code) => {
        const person = answers[code]?.person;
        if (person === undefined)
          return [refuse('check-without-name', { check: SPACE_CHECKS[code].asks })];
        const isAttendant = code === 'blower' && duties[person]?.duty === 'attendant';
        return [
          ...requireRole(context, person, []),
          ...(isAttendant
            ? [refuse('blower-by-attendant', { person: nameOf(context, person) })]
            : []),
        ];
      }),
      ...(cover?.drawn === 'one' && cover.weight_kg > most
        ? [refuse('cover-too-heavy', { weight: cover.weight_kg, most })]
        : []),
    ],
    event: { ...command, kind: 'space-checked' },
  };
}

/** Whoever records who goes in is the attendant on duty. */
function requireAttendant({ duties }: Dossier, { actor, ...context }: Context): Refusal[] {
  return duties[actor]?.duty === 'attendant'
    ? []
    : [refuse('not-the-attendant', { person: nameOf({ actor, ...context }, actor) })];
}

/** Nobody follows the first one in before the places that are reached from inside are tested as well, since it was last empty. */
function requireInsideTested(dossier: Dossier, site: SiteFacts): Refusal[] {
  if (listInside(dossier).length === 0) return [];
  const left = listInsideLeft(dossier, site);
  return left.length > 0 ? [refuse('inside-not-tested', { places: left.join('; ') })] : [];
}

function decideEnter(
  dossier: Dossier,
  command: CommandOf<'enter-space'>,
  context: Context,
): Outcome {
  const { person } = command;
  const { site, now, jobId } = context;
  const inside = listInside(dossier);
  const most = dossier.entry.plan?.most ?? 0;
  const name = nameOf(context, person);
  return {
    refusals: [
      ...(isHeld(dossier.permit) ? refuseNotLive(dossier, site) : [refuse('not-issued')]),
      ...requireAttendant(dossier, context),
      ...requireRole(context, person, ['entrant']),
      ...(person in listOn(dossier.permit) ? [] : [refuse('not-on', { person: name, job: jobId })]),
      ...(inside.includes(person) ? [refuse('already-inside', { person: name })] : []),
      ...(inside.length >= most && !inside.includes(person)
        ? [refuse('space-full', { inside: inside.length, most })]
        : []),
      ...requireInsideTested(dossier, site),
      ...gateEntry(dossier, site, now),
      ...gateAir(dossier, site, now),
    ],
    event: { ...command, kind: 'space-entered' },
  };
}

function decideLeave(
  dossier: Dossier,
  command: CommandOf<'leave-space'>,
  context: Context,
): Outcome {
  const { person, tools } = command;
  const { entry } = dossier;
  return {
    refusals: [
      // Someone else has to have seen them outside.
      ...(person === context.actor
        ? [refuse('not-the-attendant', { person: nameOf(context, person) })]
        : []),
      ...(person in entry.inside
        ? []
        : [refuse('not-inside', { person: nameOf(context, person) })]),
      ...(tools > entry.tools
        ? [refuse('tools-too-many', { out: tools, inside: entry.tools })]
        : []),
    ],
    event: { ...command, kind: 'space-left' },
  };
}

/** Decides an entry: its plan, the order of opening and purging, and who is in. */
export function decideEntry(dossier: Dossier, command: EntryCommand, context: Context): Outcome {
  const paper = isEntry(dossier, context.site) ? [] : [refuse('no-entry-here')];
  const outcome = ((): Outcome => {
    switch (command.kind) {
      case 'plan-entry':
        return {
          refusals: refuseEntryPlan(command, context.site, context.now),
          event: { ...command, kind: 'entry-planned' },
        };
      case 'check-space':
        return decideChecks(dossier, command, context);
      case 'enter-space':
        return decideEnter(dossier, command, context);
      case 'leave-space':
        return decideLeave(dossier, command, context);
      case 'call-in':
        return {
          refusals: [
            ...requireAttendant(dossier, context),
            ...(listInside(dossier).length > 0 ? [] : [refuse('not-inside', { person: 'Nobody' })]),
          ],
          event: { ...command, kind: 'called-in' },
        };
      default:
        return decideOpening(dossier, command, context);
    }
  })();
  return paper.length > 0 ? { ...outcome, refusals: paper } : outcome;
}
