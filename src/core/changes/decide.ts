import { findDevice, listAreasOf } from '../defects/devices';
import { REPAIRING_ROLES } from '../defects/decide';
import { requireRole, requireSigned } from '../job/authority';
import { drawnNow, type SiteFacts } from '../job/site';
import type { Role } from '../people/people';
import type { PlantGraph } from '../plant';
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

/** Who may look at what a change can do, and see that one is gone. */
export const ASSESSING_ROLES: readonly Role[] = [
  'coordinator',
  'issuing-authority',
  'area-operator',
  'isolating-electrical',
  'isolating-mechanical',
  'isolating-process',
];

/** Who may allow a change, or turn it down. */
export const ALLOWING_ROLES: readonly Role[] = ['issuing-authority', 'site-manager'];

/** Who may say which drawing shows a change. */
const DRAWING_ROLES: readonly Role[] = ['coordinator', 'site-manager'];

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

const isElectrical = (graph: PlantGraph, section: string): boolean => {
  const medium = graph.sections[graph.sectionAt.get(section) ?? -1]?.medium;
  return graph.plant.media.some(({ id, energy }) => id === medium && energy === 'electrical');
};

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
  const days = (Date.parse(until) - Date.parse(now)) / 86_400_000;
  return days > 0 && days <= most ? [] : [refuse('change-until-wrong', { until, most })];
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
function refuseOwn(
  people: readonly string[],
  what: string,
  { actor, site }: ChangeContext,
): Refusal[] {
  const person = site.people.get(actor)?.name ?? actor;
  return people.includes(actor) ? [refuse('change-own', { person, what })] : [];
}

function decideAbout(
  one: Change,
  command: Exclude<ChangeCommand, { kind: 'propose-change' }>,
  context: ChangeContext,
): Refusal[] {
  const { actor, site } = context;
  const name = nameChange(one.number);
  const areas = listAreas(drawnNow(site), one.places);
  const at = areas.length === 0 ? context : { ...context, where: { areas, needs: 'one' as const } };
  const { review } = one;
  if (!isPending(one) && command.kind !== 'tell-change')
    return [refuse('change-over-already', { name })];
  switch (command.kind) {
    case 'assess-change':
      return [
        ...requireRole(at, actor, ASSESSING_ROLES),
        ...refuseOwn([one.by], 'proposed it', context),
        ...(review.kind === 'allowed' ? [refuse('change-allowed-already', { name })] : []),
      ];
    case 'allow-change': {
      const assessed = review.kind === 'allowed' ? review.assessed : review;
      const isAssessed = 'hazards' in assessed;
      return [
        ...requireRole(at, actor, ALLOWING_ROLES),
        ...refuseOwn([one.by], 'proposed it', context),
        ...(isAssessed
          ? refuseOwn([assessed.by], 'looked at its hazards', context)
          : [refuse('change-not-assessed', { name })]),
        ...refuseUntil(command.until ?? one.until, one, context),
      ];
    }
    case 'turn-down-change':
      return requireRole(at, actor, ALLOWING_ROLES);
    case 'tell-change':
      return [actor, ...command.people].flatMap((person) => requireRole(context, person, []));
    case 'draw-change': {
      const { version } = command;
      const newest = site.newest?.version ?? site.plantVersion;
      return [
        ...requireRole(at, actor, DRAWING_ROLES),
        ...(version > one.plantVersion && version <= newest
          ? []
          : [refuse('change-version-wrong', { version, newest, first: one.plantVersion + 1 })]),
      ];
    }
    case 'undo-change':
      return [
        ...requireRole(at, actor, REPAIRING_ROLES),
        ...(one.undone ? [refuse('change-undone-already', { name })] : []),
      ];
    case 'see-undone':
      return [
        ...requireRole(at, actor, ASSESSING_ROLES),
        ...(one.undone
          ? refuseOwn([one.undone.by], 'put it back', context)
          : [refuse('change-not-undone', { name })]),
      ];
  }
}

const EVENT_OF = {
  'assess-change': 'change-assessed',
  'allow-change': 'change-allowed',
  'turn-down-change': 'change-turned-down',
  'tell-change': 'change-told',
  'draw-change': 'change-drawn',
  'undo-change': 'change-undone',
  'see-undone': 'change-looked-for',
} as const;

function toEvent(command: ChangeCommand, { site }: ChangeContext): ChangeEvent {
  if (command.kind !== 'propose-change')
    return { ...command, kind: EVENT_OF[command.kind] } as ChangeEvent;
  const plantVersion = site.newest?.version ?? site.plantVersion;
  return { ...command, kind: 'change-proposed', plantVersion };
}

/** Decides a command about changes: the event that follows, or every reason against it. */
export function decideChange(
  record: ChangeRecord,
  command: ChangeCommand,
  context: ChangeContext,
): RecordDecision<ChangeEvent> {
  const unsigned = requireSigned(listChangeSigners(command, context.actor), context);
  const about = (given: Exclude<ChangeCommand, { kind: 'propose-change' }>): Refusal[] => {
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

/** A step that somebody can take about a change. */
export type ChangeStep = Exclude<ChangeCommand['kind'], 'propose-change'>;

/** The steps that whoever looks may take about a change now: each is tried, as it would be decided. */
export function listChangeSteps(
  record: ChangeRecord,
  { number, until }: Change,
  context: ChangeContext,
): ChangeStep[] {
  const { site, now, actor } = context;
  const soon = until !== undefined && Date.parse(until) > Date.parse(now);
  const end = soon ? until : new Date(Date.parse(now) + 3_600_000).toISOString();
  const tries: readonly Exclude<ChangeCommand, { kind: 'propose-change' }>[] = [
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
