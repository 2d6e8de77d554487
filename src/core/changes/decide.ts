import { findDevice, listAreasOf } from '../defects/devices';
import { REPAIRING_ROLES } from '../defects/decide';
import { hoursAfter, isWithin } from '../hours';
import { requireRole, requireSigned, within } from '../job/authority';
import { drawnNow, type SiteFacts } from '../job/site';
import type { Role } from '../people/people';
import { isElectrical, type PlantGraph } from '../plant';
import type { RecordDecision } from '../rules/decision';
import { refuse, type Refusal } from '../rules/refuse';
import type { ChangeCommand } from './commands';
import { CHANGES, kindOf } from './kinds';
import {
  isPending,
  listChangeSigners,
  nameChange,
  type Change,
  type ChangeEvent,
  type ChangeRecord,
} from './record';

/** The facts given with a command. */
export interface ChangeContext {
  readonly actor: string;
  readonly now: string;
  readonly signed: ReadonlySet<string>;
  readonly site: SiteFacts;
  readonly hasJob: (id: string) => boolean;
}

/** A step that somebody can take about a change. */
export type ChangeStep = Exclude<ChangeCommand['kind'], 'propose-change'>;

const LOOKING: readonly Role[] = [
  'coordinator',
  'issuing-authority',
  'area-operator',
  'isolating-electrical',
  'isolating-mechanical',
  'isolating-process',
];
const ALLOWING: readonly Role[] = ['issuing-authority', 'site-manager'];

/** The roles of which one is enough for a step; none where everybody of the site may take it. */
export const ROLES_FOR: Readonly<Record<ChangeStep, readonly Role[]>> = {
  'assess-change': LOOKING,
  'allow-change': ALLOWING,
  'turn-down-change': ALLOWING,
  'tell-change': [],
  'draw-change': ['coordinator', 'site-manager'],
  'undo-change': REPAIRING_ROLES,
  'see-undone': LOOKING,
};

/** The areas of what a change is about, as far as a drawing has it. */
function listAreas(graph: PlantGraph, places: readonly string[]): string[] {
  const areas = places.flatMap((id) => {
    const section = graph.sections[graph.sectionAt.get(id) ?? -1];
    if (section) return [section.area];
    const device = findDevice(graph, id);
    return device ? listAreasOf(graph, device) : [];
  });
  return [...new Set(areas)];
}

type Propose = Extract<ChangeCommand, { kind: 'propose-change' }>;

/** Refuses places that the drawing does not have, or that cannot be joined so. */
function refusePlaces({ change, places }: Propose, graph: PlantGraph): Refusal[] {
  const isSection = (id: string) => graph.sectionAt.has(id);
  const unknown = places.filter((id) => !isSection(id) && findDevice(graph, id) === undefined);
  if (unknown.length > 0) return [refuse('change-place-unknown', { places: unknown.join(', ') })];
  const { connects } = kindOf(change);
  if (connects === undefined) return [];
  const fits =
    places.length <= 2 &&
    places.every((id) => isSection(id) && isElectrical(graph, id) === (connects === 'conductors'));
  const what = connects === 'conductors' ? 'electrical' : 'other than electrical';
  return fits ? [] : [refuse('change-ends-wrong', { change: CHANGES[change].label, what })];
}

/** Refuses a moment that is past or too far off; a change that ends on a day needs one. */
function refuseUntil(
  until: string | undefined,
  { change }: Pick<Change, 'change'>,
  { site, now }: Pick<ChangeContext, 'site' | 'now'>,
): Refusal[] {
  const { label, isTemporary } = CHANGES[change];
  const most = site.values['change-most-d'];
  if (until === undefined)
    return isTemporary ? [refuse('change-until-missing', { change: label, most })] : [];
  return isWithin(until, now, 24 * most) ? [] : [refuse('change-until-wrong', { until, most })];
}

function decidePropose(command: Propose, context: ChangeContext): Refusal[] {
  const { job, until } = command;
  return [
    ...requireRole(context, context.actor, []),
    ...refusePlaces(command, drawnNow(context.site)),
    ...refuseUntil(until, command, context),
    ...(job !== undefined && !context.hasJob(job) ? [refuse('change-job-unknown', { job })] : []),
  ];
}

/** Refuses somebody who would look at, allow or see their own: a change is reviewed by others than those who want it. */
function refuseOwn(by: string, what: string, { actor, site }: ChangeContext): Refusal[] {
  const person = site.people.get(actor)?.name ?? actor;
  return by === actor ? [refuse('change-own', { person, what })] : [];
}

type About = Extract<ChangeCommand, { kind: ChangeStep }>;

function decideAbout(one: Change, command: About, context: ChangeContext): Refusal[] {
  const { actor, site } = context;
  const name = nameChange(one.number);
  if (!isPending(one) && command.kind !== 'tell-change')
    return [refuse('change-over-already', { name })];
  const areas = listAreas(drawnNow(site), one.places);
  return [
    ...requireRole(within(context, areas), actor, ROLES_FOR[command.kind]),
    ...refuseStep(one, command, context),
  ];
}

/** What stands against a step beside the role of whoever takes it. */
function refuseStep(one: Change, command: About, context: ChangeContext): Refusal[] {
  const { site } = context;
  const { review } = one;
  const name = nameChange(one.number);
  switch (command.kind) {
    case 'assess-change':
      return [
        ...refuseOwn(one.by, 'proposed it', context),
        ...(review.kind === 'allowed' ? [refuse('change-allowed-already', { name })] : []),
      ];
    case 'allow-change': {
      const assessed = review.kind === 'allowed' ? review.assessed : review;
      return [
        ...refuseOwn(one.by, 'proposed it', context),
        ...('hazards' in assessed
          ? refuseOwn(assessed.by, 'looked at its hazards', context)
          : [refuse('change-not-assessed', { name })]),
        ...refuseUntil(command.until ?? one.until, one, context),
      ];
    }
    case 'turn-down-change':
      return [];
    case 'tell-change':
      return command.people.flatMap((person) => requireRole(context, person, []));
    case 'draw-change': {
      const { version } = command;
      const newest = site.newest?.version ?? site.plantVersion;
      return version > one.plantVersion && version <= newest
        ? []
        : [refuse('change-version-wrong', { version, newest, first: one.plantVersion + 1 })];
    }
    case 'undo-change':
      return one.undone ? [refuse('change-undone-already', { name })] : [];
    case 'see-undone':
      return one.undone
        ? refuseOwn(one.undone.by, 'put it back', context)
        : [refuse('change-not-undone', { name })];
  }
}

function toEvent(command: ChangeCommand, { site }: ChangeContext): ChangeEvent {
  switch (command.kind) {
    case 'propose-change': {
      const plantVersion = site.newest?.version ?? site.plantVersion;
      return { ...command, kind: 'change-proposed', plantVersion };
    }
    case 'assess-change':
      return { ...command, kind: 'change-assessed' };
    case 'allow-change':
      return { ...command, kind: 'change-allowed' };
    case 'turn-down-change':
      return { ...command, kind: 'change-turned-down' };
    case 'tell-change':
      return { ...command, kind: 'change-told' };
    case 'draw-change':
      return { ...command, kind: 'change-drawn' };
    case 'undo-change':
      return { ...command, kind: 'change-undone' };
    case 'see-undone':
      return { ...command, kind: 'change-looked-for' };
  }
}

/** Decides a command about changes: the event that follows, or every reason against it. */
export function decideChange(
  record: ChangeRecord,
  command: ChangeCommand,
  context: ChangeContext,
): RecordDecision<ChangeEvent> {
  const unsigned = requireSigned(listChangeSigners(command, context.actor), context);
  const about = (given: About): Refusal[] => {
    const one = record[given.number - 1];
    return one
      ? decideAbout(one, given, context)
      : [refuse('change-not-listed', { name: nameChange(given.number) })];
  };
  const refusals =
    command.kind === 'propose-change' ? decidePropose(command, context) : about(command);
  const all = [...unsigned, ...refusals];
  return all.length > 0
    ? { ok: false, refusals: all }
    : { ok: true, event: toEvent(command, context) };
}

/** The steps that whoever looks may take about a change now: each is tried, as it would be decided. */
export function listChangeSteps(
  record: ChangeRecord,
  { number, until }: Change,
  context: ChangeContext,
): ChangeStep[] {
  const { site, now, actor } = context;
  const soon = until !== undefined && Date.parse(until) > Date.parse(now);
  const end = soon ? until : hoursAfter(now, 1);
  const tries: readonly About[] = [
    { kind: 'assess-change', number, hazards: '-', measures: '-' },
    { kind: 'allow-change', number, until: end },
    { kind: 'turn-down-change', number, why: '-' },
    { kind: 'tell-change', number, people: [actor], how: '-' },
    { kind: 'draw-change', number, version: site.newest?.version ?? site.plantVersion },
    { kind: 'undo-change', number, how: '-' },
    { kind: 'see-undone', number, found: 'gone', how: '-' },
  ];
  return tries.filter((one) => decideChange(record, one, context).ok).map(({ kind }) => kind);
}
