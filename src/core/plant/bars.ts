import type { PlantGraph } from './graph';

/** One position that an interlock tells of: a link open or closed, or an opened outlet. */
export interface BarredPosition {
  readonly part: 'link' | 'outlet';
  /** Number of the link or outlet. */
  readonly number: number;
  readonly is: 'open' | 'closed';
}

/** Positions that never stand at once: drawn as an interlock, or the ways of one valve, which exclude one another. */
export interface Bar {
  readonly id: string;
  readonly kind: 'interlock' | 'ways';
  readonly positions: readonly BarredPosition[];
}

const known = new WeakMap<PlantGraph, readonly Bar[]>();

/** Every bar of a plant; worked out once. */
export function listBars(graph: PlantGraph): readonly Bar[] {
  const before = known.get(graph);
  if (before) return before;
  const ofLink = (id: string, is: 'open' | 'closed'): BarredPosition[] => {
    const number = graph.linkAt.get(id);
    return number === undefined ? [] : [{ part: 'link', number, is }];
  };
  const drawn = (graph.plant.interlocks ?? []).map(({ id, open, closed }): Bar => {
    const outlets = open.flatMap((one): BarredPosition[] => {
      const number = graph.outletAt.get(one);
      return number === undefined ? [] : [{ part: 'outlet', number, is: 'open' }];
    });
    const links = [
      ...open.flatMap((one) => ofLink(one, 'open')),
      ...closed.flatMap((one) => ofLink(one, 'closed')),
    ];
    return { id, kind: 'interlock', positions: [...outlets, ...links] };
  });
  const seen = new Set<string>();
  const excluding = graph.links.flatMap(({ id, excludes = [] }): Bar[] =>
    excludes.flatMap((other): Bar[] => {
      const key = [id, other].sort().join('\n');
      if (other === id || seen.has(key)) return [];
      seen.add(key);
      return [{ id, kind: 'ways', positions: [...ofLink(id, 'open'), ...ofLink(other, 'open')] }];
    }),
  );
  const all = [...drawn, ...excluding];
  known.set(graph, all);
  return all;
}

/** The link or outlet of a position, by id. */
export const idOfPosition = (graph: PlantGraph, { part, number }: BarredPosition): string =>
  (part === 'outlet' ? graph.outlets[number]?.id : graph.links[number]?.id) ?? '';

/** Whether something is in a position in normal running; no outlet is open then. */
export const standsIn = (graph: PlantGraph, { part, number, is }: BarredPosition): boolean =>
  part === 'link' && (graph.isNormallyClosed[number] === 1) === (is === 'closed');
