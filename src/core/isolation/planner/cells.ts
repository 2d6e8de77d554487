import { findUsableOutlet, labelParts, type Grade } from '../../plant';
import { isThrough } from '../bodies';
import { JoinedSets } from './joined-sets';
import { listWays, type PlannerModel, type Ways } from './model';
import { demandBit } from './standings';

/** A way between two cells: a barrier that may be closed; one that never can be, over which nothing is sure; a converter. */
export const BARRIER = 0;
export const LOOSE = 1;
export const TIE = 2;

/**
 * The plant as the planner sees it. A cell is what surely hangs together and no barrier can divide; edges join two different
 * cells. Cells are numbered in the order of their first section.
 */
export interface Cells {
  readonly count: number;
  /** Cell of each section. */
  readonly cellOf: Int32Array;
  /** Link number of each edge, its two cells at 2n and 2n + 1 (the driving one first for a converter), and what it is. */
  readonly links: Int32Array;
  readonly ends: Int32Array;
  readonly kind: Uint8Array;
  /** 1 for a barrier that surely passes a let-down while it is not closed. */
  readonly isSure: Uint8Array;
  /** 1 for a converter over which what is itself at the driven end drives the other. */
  readonly backs: Uint8Array;
  /** Edge of each link; -1 for a link that is none. */
  readonly edgeOf: Int32Array;
  /** Edges at cell n are `incident[start[n]]` up to `incident[start[n + 1] - 1]`. */
  readonly start: Int32Array;
  readonly incident: Int32Array;
  readonly isZone: Uint8Array;
  /** 1 for a cell whose network touches the work: what is there may come over. */
  readonly isOver: Uint8Array;
  /** 1 for a cell whose network drives something on, or ends in the work, and so may come at it without being its own. */
  readonly drivesOn: Uint8Array;
  /** 1 where something leaks into the work past a wall; where heat, blades or rays end in it, 2 when also from what is driven. */
  readonly leaks: Uint8Array;
  readonly endsIn: Uint8Array;
  /** 1 where the part has to be let down for a grade; where what is shut in comes at people; where something is under pressure. */
  readonly needsBleed: Uint8Array;
  readonly isOpened: Uint8Array;
  readonly isPressed: Uint8Array;
  readonly isFluid: Uint8Array;
  readonly hasSource: Uint8Array;
  /** Bits of the grades that the sources of a cell demand; 1 where a source has no demand. */
  readonly demanded: Uint8Array;
  readonly hasUnasked: Uint8Array;
  /** 1 where a bled part may lie: some safe outlet can be had without passing a source or what is not sure. */
  readonly canBeBled: Uint8Array;
  readonly safeOutlets: ReadonlyMap<number, readonly number[]>;
  readonly stores: ReadonlyMap<number, readonly number[]>;
}

function listAt(count: number, ends: Int32Array): { start: Int32Array; incident: Int32Array } {
  const start = new Int32Array(count + 1);
  for (const end of ends) start[end + 1] = (start[end + 1] as number) + 1;
  for (let n = 0; n < count; n++) start[n + 1] = (start[n + 1] as number) + (start[n] as number);
  const next = start.slice();
  const incident = new Int32Array(ends.length);
  for (let index = 0; index < ends.length; index++) {
    const end = ends[index] as number;
    const slot = next[end] as number;
    incident[slot] = index >> 1;
    next[end] = slot + 1;
  }
  return { start, incident };
}

/** Numbers the joined sets in the order of their first member. */
function numberSets(sets: JoinedSets, count: number): { of: Int32Array; count: number } {
  const of = new Int32Array(count).fill(-1);
  let next = 0;
  for (let n = 0; n < count; n++) {
    const root = sets.find(n);
    if (of[root] === -1) of[root] = next++;
    of[n] = of[root] as number;
  }
  return { of, count: next };
}

/** The edges of a problem as they are gathered. */
interface Edges {
  readonly links: number[];
  readonly ends: number[];
  readonly kind: number[];
  readonly isSure: number[];
  readonly backs: number[];
}

/** What an arrangement fixes before cells are built: links that are not closed, and those among them that are locked open. */
export interface Fixed {
  readonly keptOpen: ReadonlySet<number>;
  readonly stand: ReadonlySet<number>;
}

const isSureIn = ({ graph }: PlannerModel, { stand }: Fixed, link: number): boolean =>
  graph.surelyOpen[link] === 1 || stand.has(link);

function listEdges(model: PlannerModel, fixed: Fixed, of: Int32Array, ways: Ways): Edges {
  const { graph, candidate } = model;
  const edges: Edges = { links: [], ends: [], kind: [], isSure: [], backs: [] };
  const add = (
    link: number,
    a: number,
    b: number,
    kind: number,
    isSure: boolean,
    backs: boolean,
  ) => {
    if (a === b) return;
    edges.links.push(link);
    edges.ends.push(a, b);
    edges.kind.push(kind);
    edges.isSure.push(isSure ? 1 : 0);
    edges.backs.push(backs ? 1 : 0);
  };
  for (let link = 0; link < candidate.length; link++) {
    if (!isThrough(graph, link)) continue;
    const a = of[graph.ends[2 * link] as number] as number;
    const b = of[graph.ends[2 * link + 1] as number] as number;
    const isBarrier = candidate[link] === 1 && !fixed.keptOpen.has(link);
    add(link, a, b, isBarrier ? BARRIER : LOOSE, isSureIn(model, fixed, link), false);
  }
  for (const { link, from, to, backs } of ways.drives) {
    add(link, of[from] as number, of[to] as number, TIE, false, backs);
  }
  return edges;
}

/**
 * Drops the edges to dead ends without source, store, work or outlet: closing anything there helps nobody. What is under pressure in one
 * that surely hangs together with the next is felt there; what hangs on it loosely, with no outlet, asks for nothing.
 */
function dropDeadEnds(
  model: PlannerModel,
  cells: {
    readonly count: number;
    readonly keep: Uint8Array;
    readonly isPressed: Uint8Array;
  },
  edges: Edges,
): Edges {
  const { start, incident } = listAt(cells.count, Int32Array.from(edges.ends));
  const gone = new Uint8Array(edges.links.length);
  const degree = new Int32Array(cells.count);
  for (const end of edges.ends) degree[end] = (degree[end] as number) + 1;
  const dearest = model.graph.outlets.reduce((most, { minutes = 5 }) => Math.max(most, minutes), 0);
  const queue = [...degree.keys()].filter((cell) => degree[cell] === 1 && !cells.keep[cell]);
  for (let cell = queue.pop(); cell !== undefined; cell = queue.pop()) {
    for (let at = start[cell] as number; at < (start[cell + 1] as number); at++) {
      const edge = incident[at] as number;
      if (gone[edge]) continue;
      const a = edges.ends[2 * edge] as number;
      const other = a === cell ? (edges.ends[2 * edge + 1] as number) : a;
      const isFelt = cells.isPressed[cell] === 1 && edges.isSure[edge] === 1;
      // Shutting off what is under pressure may come cheaper than letting it down.
      if (isFelt && (model.closing[edges.links[edge] as number] as number) < dearest) break;
      gone[edge] = 1;
      if (isFelt) cells.isPressed[other] = 1;
      degree[other] = (degree[other] as number) - 1;
      if (degree[other] === 1 && !cells.keep[other]) queue.push(other);
    }
  }
  const kept = [...gone.keys()].filter((edge) => !gone[edge]);
  const take = (from: readonly number[]) => kept.map((edge) => from[edge] as number);
  return {
    links: take(edges.links),
    ends: kept.flatMap((edge) => [
      edges.ends[2 * edge] as number,
      edges.ends[2 * edge + 1] as number,
    ]),
    kind: take(edges.kind),
    isSure: take(edges.isSure),
    backs: take(edges.backs),
  };
}

function groupBy(of: (item: number) => number, items: Iterable<number>): Map<number, number[]> {
  const groups = new Map<number, number[]>();
  for (const item of items) {
    const group = groups.get(of(item));
    if (group) group.push(item);
    else groups.set(of(item), [item]);
  }
  return groups;
}

/** Marks the cells from which a safe outlet can be had over ways that can be made sure, past no source. */
function markBleedable(
  model: PlannerModel,
  {
    count,
    links,
    ends,
    kind,
    isSure,
    hasSource,
    safeOutlets,
  }: Pick<Cells, 'count' | 'links' | 'ends' | 'kind' | 'isSure' | 'hasSource' | 'safeOutlets'>,
): Uint8Array {
  const sets = new JoinedSets(count);
  for (let edge = 0; edge < links.length; edge++) {
    const a = ends[2 * edge] as number;
    const b = ends[2 * edge + 1] as number;
    if (mayBeSure(model, { isSure, kind, links }, edge) && !hasSource[a] && !hasSource[b])
      sets.join(a, b);
  }
  const good = new Set([...safeOutlets.keys()].map((cell) => sets.find(cell)));
  return Uint8Array.from({ length: count }, (_, cell) =>
    !hasSource[cell] && good.has(sets.find(cell)) ? 1 : 0,
  );
}

/** Marks the cells of the networks in which some sections lie, over whatever is open or closed. */
function markNetworks(
  network: Int32Array,
  cellOf: Int32Array,
  count: number,
  sections: readonly number[],
): Uint8Array {
  const touched = new Set(sections.map((one) => network[one]));
  const marks = new Uint8Array(count);
  network.forEach((one, section) => {
    if (touched.has(one)) marks[cellOf[section] as number] = 1;
  });
  return marks;
}

/** Builds the cells of a planning problem; the links in `keptOpen` are not closed, those in `stand` surely open. */
export function buildCells(model: PlannerModel, fixed: Fixed): Cells {
  const { graph, candidate } = model;
  const ways = listWays(graph, model.zone);
  const network = labelParts(graph, (link) => isThrough(graph, link));
  const sets = new JoinedSets(graph.sections.length);
  for (let link = 0; link < candidate.length; link++) {
    const isBarrier = candidate[link] === 1 && !fixed.keptOpen.has(link);
    if (isBarrier || !isThrough(graph, link) || !isSureIn(model, fixed, link)) continue;
    sets.join(graph.ends[2 * link] as number, graph.ends[2 * link + 1] as number);
  }
  const { of: cellOf, count } = numberSets(sets, graph.sections.length);
  const cellAt = (section: number) => cellOf[section] as number;
  const mark = (sections: Iterable<number>) => {
    const marks = new Uint8Array(count);
    for (const section of sections) marks[cellAt(section)] = 1;
    return marks;
  };
  const where = (marks: Uint8Array) => [...marks.keys()].filter((section) => marks[section]);
  const isZone = mark(model.zone);
  const hasSource = mark(where(graph.isSource));
  const isPressed = mark(where(model.isPressed));
  const leaks = mark(ways.leakDoors);
  const endsIn = new Uint8Array(count);
  for (const { section, isDriven } of ways.enders) {
    endsIn[cellAt(section)] = Math.max(endsIn[cellAt(section)] as number, isDriven ? 2 : 1);
  }
  const safeOutlets = new Map<number, number[]>();
  for (const [section, outlets] of model.safeOutlets) {
    const known = safeOutlets.get(cellAt(section)) ?? [];
    safeOutlets.set(
      cellAt(section),
      [...known, ...outlets].sort((a, b) => a - b),
    );
  }
  const stores = groupBy((store) => cellAt(graph.stores[store]?.section as number), model.stores);
  const releasing = model.stores.flatMap((store) => {
    const outlet = findUsableOutlet(graph, graph.stores[store]?.store.release ?? '');
    return outlet === undefined ? [] : [graph.outletSection[outlet] as number];
  });
  const keep = mark(releasing);
  for (let cell = 0; cell < count; cell++) {
    const matters =
      isZone[cell] || hasSource[cell] || leaks[cell] || endsIn[cell] || safeOutlets.has(cell);
    if (matters || stores.has(cell)) keep[cell] = 1;
  }
  const edges = dropDeadEnds(
    model,
    { count, keep, isPressed },
    listEdges(model, fixed, cellOf, ways),
  );
  const demanded = new Uint8Array(count);
  const asked = new Set(model.demands.map(({ source }) => source));
  for (const { source, grade } of model.demands) {
    demanded[cellAt(source)] = (demanded[cellAt(source)] as number) | demandBit(grade as Grade);
  }
  const links = Int32Array.from(edges.links);
  const ends = Int32Array.from(edges.ends);
  const edgeOf = new Int32Array(graph.links.length).fill(-1);
  links.forEach((link, edge) => {
    edgeOf[link] = edge;
  });
  const plain = {
    count,
    links,
    ends,
    kind: Uint8Array.from(edges.kind),
    isSure: Uint8Array.from(edges.isSure),
    hasSource,
    safeOutlets,
  };
  return {
    ...plain,
    cellOf,
    backs: Uint8Array.from(edges.backs),
    edgeOf,
    ...listAt(count, ends),
    isZone,
    isOver: markNetworks(network, cellOf, count, [...model.zone, ...ways.leakDoors]),
    drivesOn: markNetworks(network, cellOf, count, [
      ...ways.drives.flatMap(({ from, to, backs }) => (backs ? [from, to] : [from])),
      ...ways.enders.map(({ section }) => section),
    ]),
    leaks,
    endsIn,
    needsBleed: mark(model.bledWork),
    isOpened: mark(model.openedWork),
    isPressed,
    isFluid: mark(
      [...graph.carrier.keys()].filter((section) => graph.carrier[section] === 'fluid'),
    ),
    demanded,
    hasUnasked: mark(where(graph.isSource).filter((section) => !asked.has(section))),
    canBeBled: markBleedable(model, plain),
    stores,
  };
}

/** What an edge counts for when closed: 0 for one that never can be. */
export const strengthOfEdge = (
  { graph }: Pick<PlannerModel, 'graph'>,
  cells: Cells,
  edge: number,
): number =>
  cells.kind[edge] === BARRIER ? (graph.strength[cells.links[edge] as number] as number) : 0;

/** Whether an edge surely passes a let-down while it is not closed, or can be locked open so that it does. */
export const mayBeSure = (
  { mayStand }: Pick<PlannerModel, 'mayStand'>,
  { isSure, kind, links }: Pick<Cells, 'isSure' | 'kind' | 'links'>,
  edge: number,
): boolean => isSure[edge] === 1 || (kind[edge] !== TIE && mayStand[links[edge] as number] === 1);

/** The edges at a cell. */
export const edgesOf = (cells: Cells, cell: number): Int32Array =>
  cells.incident.subarray(cells.start[cell], cells.start[cell + 1]);

/** The cell at the other end of an edge. */
export function otherCell(cells: Cells, edge: number, cell: number): number {
  const a = cells.ends[2 * edge] as number;
  return a === cell ? (cells.ends[2 * edge + 1] as number) : a;
}
