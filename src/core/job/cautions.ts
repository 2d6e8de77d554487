import { CAUTIONS, findCautionKind, type CautionKind, type KindOfCaution } from '../cautions/kinds';
import { computePlantState, listInside } from '../isolation';
import { EMPTY_PLAN, linksOf, otherEnd, type PlantGraph } from '../plant';
import { findRequirement, type SiteFacts } from './site';
import type { Dossier } from './state';

/** A caution that a job needs: for which equipment, and at which points of the drawing it is said. */
export interface JobCaution extends KindOfCaution {
  readonly kind: CautionKind;
  /** The equipment, stores or earths that it is for, by id. */
  readonly of: readonly string[];
  /** Sections, links, outlets and stores at which whoever works there has to know it. */
  readonly points: readonly string[];
}

/** The work and what lies inside its isolation; the work and what is next to it while nothing is planned. */
function listConcerned(dossier: Dossier, site: SiteFacts): ReadonlySet<number> {
  const { graph } = site;
  const { trace } = findRequirement(dossier, site);
  const { plan } = dossier;
  if (plan.kind === 'none') {
    const next = trace.zone.flatMap((section) =>
      [...linksOf(graph, section)].map((link) => otherEnd(graph, link, section)),
    );
    return new Set([...trace.zone, ...next]);
  }
  return listInside(graph, computePlantState(graph, plan.plan), trace);
}

/** What hangs at some sections: they themselves, the links and outlets at them, the stores in them. */
function listPointsAt(graph: PlantGraph, sections: readonly number[]): string[] {
  const at = new Set(sections);
  return [
    ...sections.flatMap((section) => graph.sections[section]?.id ?? []),
    ...sections.flatMap((section) =>
      [...linksOf(graph, section)].flatMap((link) => graph.links[link]?.id ?? []),
    ),
    ...graph.outlets.flatMap(({ id }, n) => (at.has(graph.outletSection[n] ?? -1) ? [id] : [])),
    ...graph.stores.flatMap(({ store, section }) => (at.has(section) ? [store.id] : [])),
  ];
}

/**
 * The cautions for the kinds of equipment that a job works on or isolates, in the order of their table: equipment by its kind, what stores a charge, and
 * earths that its plan applies.
 */
export function listJobCautions(dossier: Dossier, site: SiteFacts): JobCaution[] {
  if (dossier.kind === 'closed') return [];
  const { graph } = site;
  const concerned = listConcerned(dossier, site);
  const plan = dossier.plan.kind === 'none' ? EMPTY_PLAN : dossier.plan.plan;
  const found = new Map<CautionKind, { of: string[]; points: string[] }>();
  const add = (kind: CautionKind, of: string, points: readonly string[]) => {
    const known = found.get(kind) ?? { of: [], points: [] };
    found.set(kind, { of: [...known.of, of], points: [...known.points, ...points] });
  };
  for (const { id, kind, sections } of graph.plant.equipment) {
    const caution = findCautionKind(kind);
    const own = sections.flatMap((section) => graph.sectionAt.get(section) ?? []);
    if (caution && own.some((section) => concerned.has(section)))
      add(caution, id, listPointsAt(graph, own));
  }
  for (const { store, section } of graph.stores) {
    if (store.kind === 'capacitor' && concerned.has(section))
      add('capacitor bank', store.id, listPointsAt(graph, [section]));
  }
  for (const id of plan.open) {
    if (graph.outlets[graph.outletAt.get(id) ?? -1]?.kind === 'earth') add('earthing', id, [id]);
  }
  return (Object.keys(CAUTIONS) as CautionKind[]).flatMap((kind) => {
    const one = found.get(kind);
    return one
      ? [{ kind, ...CAUTIONS[kind], of: [...new Set(one.of)], points: [...new Set(one.points)] }]
      : [];
  });
}
