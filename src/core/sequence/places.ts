import type { Link, PlantGraph } from '../plant';
import type { Place } from './walk';

export const placeOfSection = (graph: PlantGraph, id: string): Place | undefined =>
  graph.sections[graph.sectionAt.get(id) ?? -1]?.at;

export function placeOfLink(graph: PlantGraph, link: Link): Place | undefined {
  return (
    link.at ?? placeOfSection(graph, link.between[0]) ?? placeOfSection(graph, link.between[1])
  );
}

/** Where a link, outlet, store, gauge or section stands; undefined when the drawing does not say. */
export function findPlace(graph: PlantGraph, id: string): Place | undefined {
  const link = graph.links[graph.linkAt.get(id) ?? -1];
  if (link) return placeOfLink(graph, link);
  const outlet = graph.outlets[graph.outletAt.get(id) ?? -1];
  const store = graph.stores[graph.storeAt.get(id) ?? -1];
  const gauge = graph.plant.gauges.find((one) => one.id === id);
  const section = outlet?.section ?? gauge?.section ?? graph.sections[store?.section ?? -1]?.id;
  return placeOfSection(graph, section ?? id);
}

/** What a point is, and where it is found. */
export interface Whereabouts {
  readonly what: string;
  readonly where: string;
}

/** What a link, outlet, store, gauge or section is and where it is found, in words; undefined for what is not on the drawing. */
export function describePoint(graph: PlantGraph, id: string): Whereabouts | undefined {
  const areaOf = (section: string) => {
    const found = graph.sections[graph.sectionAt.get(section) ?? -1];
    const area = graph.plant.areas.find((one) => one.id === found?.area)?.name ?? '';
    return `${found?.name ?? section}, ${area}`;
  };
  const link = graph.links[graph.linkAt.get(id) ?? -1];
  if (link) {
    const [a, b] = link.between;
    return { what: link.kind, where: `between ${areaOf(a)}, and ${areaOf(b)}` };
  }
  const outlet = graph.outlets[graph.outletAt.get(id) ?? -1];
  if (outlet) {
    const what = `${outlet.kind}, leads to ${outlet.leads_to}`;
    return { what, where: `on ${areaOf(outlet.section)}` };
  }
  const placed = graph.stores[graph.storeAt.get(id) ?? -1];
  if (placed) {
    const section = graph.sections[placed.section]?.id ?? '';
    return { what: placed.store.kind, where: `on ${areaOf(section)}` };
  }
  const gauge = graph.plant.gauges.find((one) => one.id === id);
  if (gauge) return { what: `${gauge.reads} gauge`, where: `on ${areaOf(gauge.section)}` };
  const section = graph.sections[graph.sectionAt.get(id) ?? -1];
  return (
    section && {
      what: graph.plant.media.find((one) => one.id === section.medium)?.name ?? '',
      where: areaOf(id),
    }
  );
}
