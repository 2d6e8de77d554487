import { checkPlan, computeRequirement, listArrivalLamps, listMet } from '../isolation';
import { carrierOf, hazardsOf, type Grade } from '../plant';
import { refuse, type Refusal } from '../rules/refuse';
import {
  classifySpace,
  DEPTH_FOR_DEVICE_M,
  isByName,
  listSpaceChecks,
  readChart,
  readSpace,
  SPACE_CHECKS,
  type CheckPhase,
  type PurgeLimits,
  type Space,
  type SpaceCheckCode,
  type SpaceFacts,
  type SpaceHazard,
} from '../space';
import { computePurgeLeft } from '../space/purge-left';
import { findAirTest } from './air';
import { listPlacesLeft, listTestPlaces } from './air-places';
import { listPapers } from './papers';
import { findRequirement, type SiteFacts } from './site';
import type { Dossier, SpaceChecked } from './state';
import { findHeatMinutes, findInert, findStay } from './sums';
import { writeFigure } from '../units';

const MINUTE = 60_000;

export const isEntry = (dossier: Dossier, site: SiteFacts): boolean =>
  listPapers(dossier, site).includes('confined-space');

/** Spaces of the plant, with what is known of each. */
export const listSpaces = ({ graph }: SiteFacts): Space[] =>
  graph.plant.equipment.flatMap((item) => readSpace(item) ?? []);

/** The space that is entered: as planned, else that of the equipment. */
export const findSpace = ({ entry, equipment }: Dossier, site: SiteFacts): Space | undefined =>
  listSpaces(site).find(({ id }) => id === (entry.plan?.space ?? equipment));

/** What a purge has to reach at this site. */
export const purgeLimits = ({ values }: SiteFacts): PurgeLimits => ({
  chart: readChart(values['purge-chart']),
  lflMost: values['entry-lfl-most'],
  lflBasis: values['lfl-basis'],
  exposureSchool: values['exposure-school'],
  oxygenLeast: values['oxygen-least'],
  oxygenMost: values['oxygen-most'],
  oxygenFresh: values['oxygen-fresh'],
  changesLeast_h: values['air-changes-h'],
});

/** Dangers of the space from all that can come into it. */
function listHazards(dossier: Dossier, site: SiteFacts): SpaceHazard[] {
  const { trace } = findRequirement(dossier, site);
  const { graph } = site;
  const media = listMet(trace).flatMap((section) => graph.medium[section] ?? []);
  const bodies = [...new Map(media.map((medium) => [medium.id, medium])).values()];
  // What only drives, heats or stirs is a danger of another sort: it is named by what it does.
  const others = [
    ...bodies.filter((medium) => carrierOf(medium) !== 'fluid').map(({ name }) => name),
    ...listArrivalLamps(graph, trace)
      .filter(({ kind }) => kind === 'drive' || kind === 'heat')
      .map(({ words }) => words),
  ];
  const inert = findInert(dossier);
  return [
    ...classifySpace(
      findSpace(dossier, site),
      bodies
        .filter((medium) => carrierOf(medium) === 'fluid')
        .map((medium) => ({ ...medium, hazards: hazardsOf(medium) })),
      others,
    ),
    ...(inert === undefined
      ? []
      : [
          {
            kind: 'atmosphere' as const,
            why: `made inert to ${writeFigure(inert)} % oxygen: it suffocates`,
          },
        ]),
  ];
}

/** Fluid sources that the plan keeps from the space by less than a gap or a blank, with why. Those lowered by name are left out. */
export function listNotPositive(
  dossier: Dossier,
  site: SiteFacts,
): { source: string; why: string }[] {
  if (dossier.plan.kind === 'none') return [];
  const { graph, policy } = site;
  const { demands } = findRequirement(dossier, site);
  const fluids = demands.filter(
    ({ id, source, isGraded }) =>
      isGraded && graph.carrier[source] === 'fluid' && !(id in dossier.grades),
  );
  const positive = Object.fromEntries(fluids.map(({ id }): [string, Grade] => [id, 'positive']));
  const required = computeRequirement(
    graph,
    dossier.scope,
    positive,
    policy,
    Object.keys(dossier.bypasses),
  );
  const only = { ...required, demands: required.demands.filter(({ id }) => id in positive) };
  return checkPlan(graph, only, dossier.plan.plan)
    .findings.filter(({ severity, subject }) => severity === 'stops' && subject in positive)
    .map(({ subject, words }) => ({ source: subject, why: words }));
}

/** Something that is looked at round the opening or inside, and how it was found. */
export interface SpaceCheckView {
  readonly code: SpaceCheckCode;
  readonly asks: string;
  readonly isByName: boolean;
  readonly found: SpaceChecked | undefined;
}

/** What the screens show of an entry. */
export interface EntryView {
  readonly space: Space | undefined;
  readonly spaces: readonly Space[];
  readonly hazards: readonly SpaceHazard[];
  readonly notPositive: readonly { readonly source: string; readonly why: string }[];
  readonly limits: PurgeLimits;
  /** What is looked at before the space is opened, and before anybody goes in. */
  readonly checks: Readonly<Record<CheckPhase, readonly SpaceCheckView[]>>;
  /** Places inside that are still to be tested: until they are, one person alone goes in. */
  readonly insideLeft: readonly string[];
  /** When those inside have to be called next (ISO 8601, UTC); undefined while nobody is in. */
  readonly callDue: string | undefined;
  /** The longest stay (min), by the plan and by what the heat allows; undefined where neither limits it. */
  readonly stay_min: number | undefined;
}

export function viewEntry(dossier: Dossier, site: SiteFacts): EntryView | undefined {
  if (!isEntry(dossier, site)) return undefined;
  return {
    space: findSpace(dossier, site),
    spaces: listSpaces(site),
    hazards: listHazards(dossier, site),
    notPositive: listNotPositive(dossier, site),
    limits: purgeLimits(site),
    checks: { open: listChecks(dossier, site, 'open'), enter: listChecks(dossier, site, 'enter') },
    insideLeft: listInsideLeft(dossier, site),
    callDue: findCallDue(dossier, site),
    stay_min: findStay(dossier),
  };
}

/** Places inside that have not been tested since the space was last blown out: corners, and every line that opens there. */
export function listInsideLeft(dossier: Dossier, site: SiteFacts): string[] {
  const since = Date.parse(dossier.entry.purged?.at ?? '');
  const tests = dossier.airTests.filter(
    ({ use, at }) => use === 'entry' && Date.parse(at) >= since,
  );
  const left = tests.map((test) => listPlacesLeft(dossier, site, test));
  return (
    left.find((one) => one.length === 0) ?? left.at(-1) ?? listTestPlaces(dossier, site, 'entry')
  );
}

export const listInside = ({ entry }: Dossier): string[] => Object.keys(entry.inside);

/** When those inside have to be called next (ISO 8601, UTC). */
export function findCallDue({ entry }: Dossier, { values }: SiteFacts): string | undefined {
  const since = Object.values(entry.inside).map((one) => Date.parse(one.since));
  if (since.length === 0) return undefined;
  const heard = entry.heard ? Date.parse(entry.heard.at) : -Infinity;
  const last = Math.max(heard, Math.min(...since));
  return new Date(last + values['call-every-min'] * MINUTE).toISOString();
}

/** Those inside for longer than the plan allows. */
export const listOverstayed = (dossier: Dossier, now: string): string[] => {
  const most = findStay(dossier);
  if (most === undefined) return [];
  return Object.entries(dossier.entry.inside)
    .filter(([, { since }]) => Date.parse(now) - Date.parse(since) > most * MINUTE)
    .map(([person]) => person);
};

/** What keeps the plan of an entry from being good. */
export function refuseEntryPlan(
  {
    space,
    rescue,
    drilledAt,
  }: Pick<NonNullable<Dossier['entry']['plan']>, 'space' | 'rescue' | 'drilledAt'>,
  site: SiteFacts,
  now: string,
): Refusal[] {
  const days = site.values['rescue-drill-days'];
  const age = (Date.parse(now) - Date.parse(drilledAt)) / 86_400_000;
  const found = listSpaces(site).find(({ id }) => id === space);
  const isDeep = (found?.depth_m ?? Infinity) > DEPTH_FOR_DEVICE_M;
  return [
    ...(found ? [] : [refuse('space-unknown', { space })]),
    ...(age < 0 ? [refuse('rescue-in-future', { at: drilledAt })] : []),
    ...(age > days ? [refuse('rescue-not-practised', { at: drilledAt, days })] : []),
    ...(found && isDeep && rescue !== 'device'
      ? [
          refuse('rescue-by-device', {
            depth: found.depth_m ?? 'unknown, so perhaps more than 1.5',
          }),
        ]
      : []),
  ];
}

/** What of the entry's plan keeps its permit from being issued. The grades of its isolation are held by the plan itself. */
export function gateEntryPlan(dossier: Dossier, site: SiteFacts, now: string): Refusal[] {
  if (!isEntry(dossier, site)) return [];
  const { plan } = dossier.entry;
  return plan ? refuseEntryPlan(plan, site, now) : [refuse('entry-not-planned')];
}

/** What a space is, for what is looked at before it is opened: whether something can turn or move in it, and whether hot work is done there. */
const describeSpaceFacts = (dossier: Dossier, site: SiteFacts): SpaceFacts => ({
  machine: listArrivalLamps(site.graph, findRequirement(dossier, site).trace).some(
    ({ kind }) => kind === 'drive',
  ),
  hot: listPapers(dossier, site).includes('hot-work'),
});

/** What is looked at in a phase of the entry, with how it was found. */
export function listChecks(dossier: Dossier, site: SiteFacts, phase: CheckPhase): SpaceCheckView[] {
  return listSpaceChecks(phase, describeSpaceFacts(dossier, site)).map((code) => ({
    code,
    asks: SPACE_CHECKS[code].asks,
    isByName: isByName(code),
    found: dossier.entry.checked[code],
  }));
}

/** Refuses a step of the entry before everything is looked at that comes before it. */
export function gateChecked(dossier: Dossier, site: SiteFacts, phase: CheckPhase): Refusal[] {
  const { cover } = dossier.entry;
  const left = [
    ...(phase === 'open' && !cover ? ['What the cover weighs, and how it is drawn'] : []),
    ...listChecks(dossier, site, phase).flatMap(({ asks, found }) => (found ? [] : [asks])),
  ];
  const step = phase === 'open' ? 'opening it' : 'anybody goes in';
  return left.length > 0 ? [refuse('space-unchecked', { step, checks: left.join('; ') })] : [];
}

/** What keeps anyone from going in: not opened, not purged since it was last empty, not tested since the purge, not heard. */
export function gateEntry(dossier: Dossier, site: SiteFacts, now: string): Refusal[] {
  const { entry } = dossier;
  const due = findCallDue(dossier, site);
  const tested = findAirTest(dossier, 'entry');
  const over = listOverstayed(dossier, now).map((id) => site.people.get(id)?.name ?? id);
  const isPurging = entry.purge !== undefined && Date.parse(now) < Date.parse(entry.purge.until);
  const isEarly =
    entry.purged !== undefined &&
    (tested === undefined || Date.parse(tested.at) < Date.parse(entry.purged.at));
  return [
    ...(findHeatMinutes(dossier) === 0 ? [refuse('too-hot')] : []),
    ...(entry.opened ? [] : [refuse('space-shut')]),
    ...gateChecked(dossier, site, 'enter'),
    ...(isPurging && entry.purge ? [refusePurgeRunning(entry.purge.until, now)] : []),
    ...(entry.purged || isPurging ? [] : [refuse('purge-missing')]),
    ...(isEarly
      ? [
          refuse('test-before-purge', {
            tested: tested?.at ?? 'no time',
            purged: entry.purged?.at ?? '',
          }),
        ]
      : []),
    ...(due !== undefined && Date.parse(now) > Date.parse(due)
      ? [
          refuse('call-late', {
            at: entry.heard?.at ?? 'their entry',
            minutes: site.values['call-every-min'],
          }),
        ]
      : []),
    ...(over.length > 0
      ? [refuse('stay-over', { people: over.join(', '), minutes: findStay(dossier) ?? 0 })]
      : []),
  ];
}

/** A purge that has not come to its end; one whose time is over is still to be ended by name. */
export const refusePurgeRunning = (until: string, now: string): Refusal =>
  refuse('purge-running', { left: computePurgeLeft(until, now), until });

/** Everyone inside, by name, for whom something has to wait. */
export function gateInside(dossier: Dossier, site: SiteFacts): Refusal[] {
  const names = listInside(dossier).map((id) => site.people.get(id)?.name ?? id);
  const { tools } = dossier.entry;
  return [
    ...(names.length > 0 ? [refuse('people-inside', { people: names.join(', ') })] : []),
    ...(names.length === 0 && tools > 0 ? [refuse('tools-inside', { count: tools })] : []),
  ];
}

/** Those who were inside when an alarm came and have not been ticked out. */
export function gateAccounted(dossier: Dossier, site: SiteFacts): Refusal[] {
  const names = (dossier.entry.emptying?.people ?? []).map((id) => site.people.get(id)?.name ?? id);
  return names.length > 0 ? [refuse('not-accounted', { people: names.join(', ') })] : [];
}
