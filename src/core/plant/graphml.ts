import { XMLBuilder } from 'fast-xml-parser';
import type { Plant } from './schema';

interface Key {
  readonly id: string;
  readonly for: 'node' | 'edge';
  readonly name: string;
  readonly type: 'string' | 'double' | 'boolean';
}

const KEYS: readonly Key[] = [
  { id: 'name', for: 'node', name: 'name', type: 'string' },
  { id: 'medium', for: 'node', name: 'medium', type: 'string' },
  { id: 'energy', for: 'node', name: 'energy', type: 'string' },
  { id: 'area', for: 'node', name: 'area', type: 'string' },
  { id: 'source', for: 'node', name: 'source', type: 'string' },
  { id: 'pressure_bar', for: 'node', name: 'pressure_bar', type: 'double' },
  { id: 'temperature_c', for: 'node', name: 'temperature_c', type: 'double' },
  { id: 'voltage_v', for: 'node', name: 'voltage_v', type: 'double' },
  { id: 'fault_ka', for: 'node', name: 'fault_ka', type: 'double' },
  { id: 'fault_s', for: 'node', name: 'fault_s', type: 'double' },
  { id: 'kind', for: 'edge', name: 'kind', type: 'string' },
  { id: 'normal', for: 'edge', name: 'normal', type: 'string' },
  { id: 'lockable', for: 'edge', name: 'lockable', type: 'boolean' },
  { id: 'operated', for: 'edge', name: 'operated', type: 'string' },
  { id: 'operated_by', for: 'edge', name: 'operated_by', type: 'string' },
  { id: 'passing', for: 'edge', name: 'passing', type: 'boolean' },
  { id: 'seized', for: 'edge', name: 'seized', type: 'boolean' },
  { id: 'breaks', for: 'edge', name: 'breaks', type: 'string' },
  { id: 'fails', for: 'edge', name: 'fails', type: 'string' },
  { id: 'powered_by', for: 'edge', name: 'powered_by', type: 'string' },
  { id: 'protects', for: 'edge', name: 'protects', type: 'string' },
  { id: 'excludes', for: 'edge', name: 'excludes', type: 'string' },
  { id: 'dn_mm', for: 'edge', name: 'dn_mm', type: 'double' },
];

type Value = string | number | boolean | undefined;

const data = (values: Readonly<Record<string, Value>>) =>
  Object.entries(values)
    .filter(([, value]) => value !== undefined)
    .map(([key, value]) => ({ '@key': key, '#text': String(value) }));

/** Writes the plant as GraphML: sections are nodes, links are edges. Source: GraphML 1.0, graphdrawing.org. */
export function writeGraphml(plant: Plant): string {
  const energyOf = new Map(plant.media.map(({ id, energy }) => [id, energy]));
  const document = {
    '?xml': { '@version': '1.0', '@encoding': 'UTF-8' },
    graphml: {
      '@xmlns': 'http://graphml.graphdrawing.org/xmlns',
      key: KEYS.map((key) => ({
        '@id': key.id,
        '@for': key.for,
        '@attr.name': key.name,
        '@attr.type': key.type,
      })),
      graph: {
        '@id': plant.name,
        '@edgedefault': 'undirected',
        node: plant.sections.map((section) => ({
          '@id': section.id,
          data: data({
            name: section.name,
            medium: section.medium,
            energy: energyOf.get(section.medium),
            area: section.area,
            source: section.source?.name,
            pressure_bar: section.pressure_bar,
            temperature_c: section.temperature_c,
            voltage_v: section.voltage_v,
            fault_ka: section.fault_ka,
            fault_s: section.fault_s,
          }),
        })),
        edge: plant.links.map((link) => ({
          '@id': link.id,
          '@source': link.between[0],
          '@target': link.between[1],
          data: data({
            kind: link.kind,
            normal: link.normal ?? 'open',
            lockable: link.lockable,
            operated: link.operated,
            operated_by: link.operated_by,
            passing: link.passing,
            seized: link.seized,
            breaks: link.breaks,
            fails: link.fails,
            powered_by: link.powered_by,
            protects: link.protects?.join(' '),
            excludes: link.excludes?.join(' '),
            dn_mm: link.dn_mm,
          }),
        })),
      },
    },
  };
  return new XMLBuilder({
    ignoreAttributes: false,
    attributeNamePrefix: '@',
    format: true,
    suppressEmptyNode: true,
  }).build(document);
}
