import type { Carrier, LinkKind, Plant } from '../../src/core/plant';

/** One medium of each carrier. */
export const MEDIA = [
  { id: 'fluid', name: 'water', energy: 'process', phase: 'liquid', hazards: [] },
  { id: 'current', name: 'power', energy: 'electrical', phase: 'none', hazards: [] },
  { id: 'motion', name: 'shaft', energy: 'mechanical', phase: 'none', hazards: [] },
  { id: 'heat', name: 'heat', energy: 'thermal', phase: 'none', hazards: [] },
  { id: 'radiation', name: 'rays', energy: 'radiation', phase: 'none', hazards: [] },
] as const;

/** A plant of sections, each of a carrier and some of them sources, joined by links. */
export function plantOf(
  sections: readonly (readonly [string, Carrier, source?: boolean])[],
  links: readonly (readonly [LinkKind, string, string, object?])[],
): Plant {
  return {
    format: 'heavy-lantern/plant',
    version: 1,
    name: 'crossing',
    areas: [{ id: 'A', name: 'area', outline: [], zone: 'none' }],
    media: MEDIA.map((medium) => ({ ...medium, hazards: [] })),
    sections: sections.map(([id, medium, isSource]) => ({
      id,
      name: id,
      medium,
      area: 'A',
      ...(isSource ? { source: { name: id } } : {}),
    })),
    links: links.map(([kind, a, b, more], n) => ({
      id: `L${n}`,
      kind,
      between: [a, b] as [string, string],
      ...more,
    })),
    outlets: [],
    gauges: [],
    equipment: [],
  };
}
