import type { GradePolicy } from '../isolation';
import {
  buildGraph,
  STRENGTH_BY_KIND,
  type LinkKind,
  type PlantGraph,
  type Strength,
} from '../plant';
import type { SiteValues } from '../rules/values';
import type { SiteFacts } from './site';

const policies = new Map<string, GradePolicy>();
const MOST_POLICIES = 50;

/** How sources are graded at a site with these values; the same object for the same figures. */
export function policyOf(values: SiteValues): GradePolicy {
  const made: GradePolicy = {
    version: 'grades-3',
    school: values['grade-school'],
    table: {
      inside: values['grade-inside'],
      lethal: values['grade-lethal'],
      lethalLong: values['grade-lethal-long'],
      harmful: values['grade-harmful'],
      pressure: values['grade-pressure'],
      temperature: values['grade-temperature'],
      fluid: values['grade-fluid'],
      electrical: values['grade-electrical'],
      other: values['grade-other'],
    },
    longJobHours: values['long-job-h'],
    highPressureBar: values['high-pressure-bar'],
    hotLiquidC: values['hot-liquid-c'],
    hotGasC: values['hot-gas-c'],
    coldC: values['very-cold-c'],
    highVoltageV: values['high-voltage-v'],
  };
  const key = JSON.stringify(made);
  const known = policies.get(key);
  if (known) return known;
  if (policies.size >= MOST_POLICIES) policies.clear();
  policies.set(key, made);
  return made;
}

type Strengths = Readonly<Record<LinkKind, Strength>>;

/** What each kind counts for at a site with these values. */
export function strengthsOf(values: SiteValues): Strengths {
  const weaker = (kind: LinkKind, strength: Strength): Strength => {
    if (values['never-barriers'].includes(kind)) return 0;
    return strength === 2 && values['not-positive'].includes(kind) ? 1 : strength;
  };
  return Object.fromEntries(
    Object.entries(STRENGTH_BY_KIND).map(([kind, strength]) => [
      kind,
      weaker(kind as LinkKind, strength),
    ]),
  ) as Strengths;
}

const trusted = new WeakMap<PlantGraph, Map<string, PlantGraph>>();

/** A drawing as a site with these values trusts it; the same graph where the site trusts every kind as usual. */
export function trustedBy(graph: PlantGraph, values: SiteValues): PlantGraph {
  const less = [...values['never-barriers'], '', ...values['not-positive']];
  if (less.length === 1) return graph;
  const of = trusted.get(graph) ?? new Map<string, PlantGraph>();
  trusted.set(graph, of);
  const key = less.join();
  const made = of.get(key) ?? buildGraph(graph.plant, strengthsOf(values));
  of.set(key, made);
  return made;
}

/** A site as it would be under other values. */
export const siteUnder = (site: SiteFacts, values: SiteValues): SiteFacts => ({
  ...site,
  values,
  policy: policyOf(values),
  graph: trustedBy(site.graph, values),
  ...(site.sound ? { sound: trustedBy(site.sound, values) } : {}),
  ...(site.newest
    ? { newest: { ...site.newest, graph: trustedBy(site.newest.graph, values) } }
    : {}),
});
