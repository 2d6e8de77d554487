import {
  AIR_USES,
  AIR_USE_WORDS,
  listUncovered,
  planAirTest,
  type AirLimits,
  type AirPlan,
  type AirSource,
  type AirUse,
  type SubstanceCode,
} from '../gas';
import { listMet } from '../isolation';
import { hazardsOf } from '../plant';
import type { PaperKind } from '../permits';
import { refuse, type Refusal } from '../rules/refuse';
import type { SiteValues } from '../rules/values';
import { listPlacesLeft } from './air-places';
import { listSilent } from './detectors';
import { listPapers } from './papers';
import { findRequirement, type SiteFacts } from './site';
import type { AirTest, Dossier } from './state';

const PAPER_OF: Readonly<Record<AirUse, PaperKind>> = {
  entry: 'confined-space',
  'hot-work': 'hot-work',
};

/** What the air has to be fit for under the papers of a job. */
export const listAirUses = (papers: readonly PaperKind[]): AirUse[] =>
  AIR_USES.filter((use) => papers.includes(PAPER_OF[use]));

/** The limits that the site has set for a use of the air. */
export const airLimits = (values: SiteValues, use: AirUse): AirLimits => ({
  // With hot work too little oxygen is looked at as for people: the welder breathes it too.
  oxygenLeast: values['oxygen-least'],
  oxygenMost: values['oxygen-most'],
  lflMost: use === 'entry' ? values['entry-lfl-most'] : values['hot-lfl-most'],
  lflBasis: values['lfl-basis'],
  exposureMost: values['exposure-most'],
  exposureSchool: values['exposure-school'],
});

/**
 * Media that can be at the work: those worked on, those of every source that comes over to it, and for hot work every flammable gas of
 * the plant: a leak anywhere drifts, and a spark asks for no pipe.
 */
function listSources(dossier: Dossier, site: SiteFacts, use: AirUse): AirSource[] {
  const { trace } = findRequirement(dossier, site);
  const met = listMet(trace).flatMap((section) => site.graph.medium[section] ?? []);
  const drifting = site.graph.plant.media.filter(
    (medium) =>
      (medium.phase === 'gas' || medium.phase === 'vapour') &&
      hazardsOf(medium).includes('flammable'),
  );
  const all = use === 'hot-work' ? [...met, ...drifting] : met;
  const each = new Map(all.map((medium) => [medium.id, medium]));
  return [...each.values()].map((medium) => ({ ...medium, hazards: hazardsOf(medium) }));
}

/** Which gases a job has to be tested for and where, for a use of the air. */
export const planAir = (dossier: Dossier, site: SiteFacts, use: AirUse): AirPlan =>
  planAirTest(listSources(dossier, site, use), use);

/** The newest test of the air for a use. */
export const findAirTest = ({ airTests }: Dossier, use: AirUse): AirTest | undefined =>
  airTests.findLast((test) => test.use === use);

/** The alarm of a detector that still counts for a use: no test of the air has been made since. */
export function findAirAlarm(dossier: Dossier, use: AirUse): Dossier['airAlarms'][AirUse] {
  const alarm = dossier.airAlarms[use];
  const test = findAirTest(dossier, use);
  return !alarm || !test || Date.parse(alarm.at) >= Date.parse(test.at) ? alarm : undefined;
}

/** Until when the newest test of the air lets people on (ISO 8601, UTC); undefined without one. */
export function findAirEnd(
  dossier: Dossier,
  { values }: SiteFacts,
  use: AirUse,
): string | undefined {
  const test = findAirTest(dossier, use);
  return test && new Date(Date.parse(test.at) + values['air-test-min'] * 60_000).toISOString();
}

/** What the screens show of the air for one use: the plan, and until when the newest test lets people on. */
export interface AirView {
  readonly use: AirUse;
  readonly plan: AirPlan;
  readonly until: string | undefined;
}

export const viewAir = (dossier: Dossier, site: SiteFacts): AirView[] =>
  listAirUses(listPapers(dossier, site)).map((use) => ({
    use,
    plan: planAir(dossier, site, use),
    until: findAirEnd(dossier, site, use),
  }));

function gateUse(dossier: Dossier, site: SiteFacts, now: string, use: AirUse): Refusal[] {
  const words = AIR_USE_WORDS[use];
  const test = findAirTest(dossier, use);
  if (!test) return [refuse('air-not-tested', { use: words })];
  const minutes = site.values['air-test-min'];
  const isOld = Date.parse(now) > Date.parse(findAirEnd(dossier, site, use) ?? now);
  // What opens into a space can be reached only from inside: see the entry.
  const left = use === 'hot-work' ? listPlacesLeft(dossier, site, test) : [];
  const missing = listUncovered(planAir(dossier, site, use), describeSamples(test));
  const alarm = findAirAlarm(dossier, use);
  return [
    ...(test.isFit ? [] : [refuse('air-unfit', { use: words, found: test.findings.join('; ') })]),
    ...(alarm ? [refuse('air-unfit', { use: words, found: alarm.findings.join('; ') })] : []),
    ...listSilent(dossier)
      .filter((fault) => fault.use === use)
      .map(({ device, place, since }) => refuse('detector-silent', { device, place, since })),
    ...(isOld ? [refuse('air-test-old', { use: words, at: test.at, minutes })] : []),
    ...(missing.length > 0
      ? [refuse('air-not-covered', { use: words, missing: missing.join(', ') })]
      : []),
    ...(left.length > 0
      ? [refuse('air-places-left', { use: words, places: left.join('; ') })]
      : []),
  ];
}

/** What of the samples counts for a plan: the level, and the gases read there. */
export const describeSamples = ({ samples }: Pick<AirTest, 'samples'>) =>
  samples.map(({ level, readings }) => ({
    level,
    gases: readings.map(({ gas }): SubstanceCode => gas),
  }));

/**
 * What keeps people from the work because of its air: not tested for an entry or hot work, unfit, too long ago, not for every gas
 * or at every place.
 */
export const gateAir = (dossier: Dossier, site: SiteFacts, now: string): Refusal[] =>
  listAirUses(listPapers(dossier, site)).flatMap((use) => gateUse(dossier, site, now, use));
