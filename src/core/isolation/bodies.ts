import {
  canStandOpen,
  hazardsOf,
  labelParts,
  type IsolationPlan,
  type Link,
  type Outlet,
  type PlantGraph,
} from '../plant';

/** An id of a plan that the plant does not have in that table. */
export interface UnknownId {
  readonly id: string;
  readonly table: 'links' | 'outlets' | 'stores';
}

/** The plant as it stands when a plan is carried out: what is barred, the bodies that remain, and the parts that surely hang together. */
export interface PlantState {
  readonly plan: IsolationPlan;
  readonly unknown: readonly UnknownId[];
  /** 1 for a link that is closed, locked and of strength 1 or 2; and these links by number. */
  readonly barred: Uint8Array;
  readonly barriers: readonly number[];
  /** Numbers of the links in the plan that are no barrier, whatever is hung on them. */
  readonly powerless: readonly number[];
  /** 1 for a link that is locked open; numbers of those in the plan that cannot be. */
  readonly standing: Uint8Array;
  readonly unfitToStand: readonly number[];
  readonly opened: readonly number[];
  readonly restrained: ReadonlySet<number>;
  /**
   * Body of each section: the pieces of one carrier that no barrier divides, walls left out. Danger is followed over a body.
   */
  readonly body: Int32Array;
  /** Part of each section: the pieces of a body that surely hang together. Let-down is believed over a part alone. */
  readonly part: Int32Array;
  /** By body: 1 when it holds a source. */
  readonly live: Uint8Array;
  /** By part: 1 when its body holds no source and an opened outlet of the part leads it to a safe place. */
  readonly bled: Uint8Array;
}

function resolveIds(
  ids: readonly string[],
  known: ReadonlyMap<string, number>,
  table: UnknownId['table'],
  unknown: UnknownId[],
): number[] {
  const found = new Set<number>();
  for (const id of ids) {
    const number = known.get(id);
    if (number === undefined) unknown.push({ id, table });
    else found.add(number);
  }
  return [...found].sort((a, b) => a - b);
}

/**
 * Whether an opened outlet lets its section down to a safe place: never an earth, nor one that is known to be blocked; to atmosphere only when what
 * comes out is neither flammable nor toxic, as far as the drawing says.
 */
export function leadsToSafety(graph: PlantGraph, outlet: Outlet): boolean {
  if (outlet.kind === 'earth' || outlet.plugged === true) return false;
  if (outlet.leads_to === 'safe' || outlet.leads_to === 'closed-system') return true;
  const hazards = hazardsOf(graph.medium[graph.sectionAt.get(outlet.section) ?? -1] ?? {});
  return (
    outlet.leads_to === 'atmosphere' && !hazards.includes('flammable') && !hazards.includes('toxic')
  );
}

/**
 * What stands under pressure in the closed system that an outlet leads into, by id: the system's section, where the drawing has it. What
 * the drawing gives no pressure for counts as under pressure. Undefined when nothing comes back.
 */
export function findBackPressure(graph: PlantGraph, outlet: Outlet): string | undefined {
  if (outlet.leads_to !== 'closed-system' || outlet.non_return === true) return undefined;
  const system = graph.sectionAt.get(outlet.system ?? '');
  if (system === undefined) return undefined;
  return graph.sections[system]?.pressure_bar === 0 ? undefined : graph.sections[system]?.id;
}

/** Whether opening an outlet lets its section down, and nothing comes back by it. */
export const canLetDown = (graph: PlantGraph, outlet: Outlet): boolean =>
  leadsToSafety(graph, outlet) && findBackPressure(graph, outlet) === undefined;

/** The section of an outlet; -1 for a number that no outlet has. */
export const sectionOfOutlet = (graph: PlantGraph, outlet: number): number =>
  graph.outletSection[outlet] ?? -1;

/** Whether a link joins two sections of one carrier with no wall between. */
export const isThrough = (graph: PlantGraph, link: number): boolean =>
  graph.crossing[link]?.kind === 'through';

/** Works out what a plan makes of the plant. Ids that the plant does not have are set aside and listed. */
export function computePlantState(graph: PlantGraph, plan: IsolationPlan): PlantState {
  const unknown: UnknownId[] = [];
  const close = resolveIds(plan.close, graph.linkAt, 'links', unknown);
  const stand = resolveIds(plan.stand ?? [], graph.linkAt, 'links', unknown);
  const opened = resolveIds(plan.open, graph.outletAt, 'outlets', unknown);
  const restrained = resolveIds(plan.restrain, graph.storeAt, 'stores', unknown);
  const barred = new Uint8Array(graph.links.length);
  const barriers = close.filter((link) => graph.strength[link] !== 0);
  for (const link of barriers) barred[link] = 1;
  const isShut = new Uint8Array(graph.links.length);
  for (const link of close) isShut[link] = 1;
  const standing = new Uint8Array(graph.links.length);
  const fit = stand.filter((link) => canStandOpen(graph.links[link] as Link) && !isShut[link]);
  for (const link of fit) standing[link] = 1;
  const body = labelParts(graph, (link) => barred[link] === 0 && isThrough(graph, link));
  const part = labelParts(
    graph,
    (link) =>
      isShut[link] === 0 &&
      (graph.surelyOpen[link] === 1 || standing[link] === 1) &&
      isThrough(graph, link),
  );
  const live = new Uint8Array(graph.sections.length);
  graph.isSource.forEach((isSource, section) => {
    if (isSource) live[body[section] as number] = 1;
  });
  const bled = new Uint8Array(graph.sections.length);
  for (const outlet of opened) {
    const at = sectionOfOutlet(graph, outlet);
    if (live[body[at] as number]) continue;
    if (leadsToSafety(graph, graph.outlets[outlet] as Outlet)) bled[part[at] as number] = 1;
  }
  return {
    plan,
    unknown,
    barred,
    barriers,
    powerless: close.filter((link) => graph.strength[link] === 0),
    standing,
    unfitToStand: stand.filter((link) => !standing[link]),
    opened,
    restrained: new Set(restrained),
    body,
    part,
    live,
    bled,
  };
}
