import { labelParts, type IsolationPlan, type Outlet, type PlantGraph } from '../plant';

/** An id of a plan that the plant does not have in that table. */
export interface UnknownId {
  readonly id: string;
  readonly table: 'links' | 'outlets' | 'stores';
}

/** The plant as it stands when a plan is carried out: what is barred, and the bodies that remain. */
export interface PlantState {
  readonly plan: IsolationPlan;
  readonly unknown: readonly UnknownId[];
  /** 1 for a link that is closed, locked and of strength 1 or 2; and these links by number. */
  readonly barred: Uint8Array;
  readonly barriers: readonly number[];
  /** Numbers of the links in the plan that are no barrier, whatever is hung on them. */
  readonly powerless: readonly number[];
  readonly opened: readonly number[];
  readonly restrained: ReadonlySet<number>;
  /** Body of each section; bodies are the connected parts that remain. */
  readonly body: Int32Array;
  /** By body: 1 when it holds a source. */
  readonly live: Uint8Array;
  /** By body: 1 when it holds no source and an opened outlet leads it to a safe place. */
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
 * Whether an opened outlet lets its section down to a safe place: never an earth; to atmosphere only when what
 * comes out is neither flammable nor toxic.
 */
export function leadsToSafety(graph: PlantGraph, outlet: Outlet): boolean {
  if (outlet.kind === 'earth') return false;
  if (outlet.leads_to === 'safe' || outlet.leads_to === 'closed-system') return true;
  const hazards = graph.medium[graph.sectionAt.get(outlet.section) ?? -1]?.hazards ?? ['toxic'];
  return (
    outlet.leads_to === 'atmosphere' && !hazards.includes('flammable') && !hazards.includes('toxic')
  );
}

/** The section of an outlet; -1 for a number that no outlet has. */
export const sectionOfOutlet = (graph: PlantGraph, outlet: number): number =>
  graph.outletSection[outlet] ?? -1;

/** Works out what a plan makes of the plant. Ids that the plant does not have are set aside and listed. */
export function computePlantState(graph: PlantGraph, plan: IsolationPlan): PlantState {
  const unknown: UnknownId[] = [];
  const close = resolveIds(plan.close, graph.linkAt, 'links', unknown);
  const opened = resolveIds(plan.open, graph.outletAt, 'outlets', unknown);
  const restrained = resolveIds(plan.restrain, graph.storeAt, 'stores', unknown);
  const barred = new Uint8Array(graph.links.length);
  const barriers = close.filter((link) => graph.strength[link] !== 0);
  for (const link of barriers) barred[link] = 1;
  const body = labelParts(graph, (link) => barred[link] === 0);
  const live = new Uint8Array(graph.sections.length);
  graph.isSource.forEach((isSource, section) => {
    if (isSource) live[body[section] as number] = 1;
  });
  const bled = new Uint8Array(graph.sections.length);
  for (const outlet of opened) {
    const at = body[sectionOfOutlet(graph, outlet)] as number;
    if (!live[at] && leadsToSafety(graph, graph.outlets[outlet] as Outlet)) bled[at] = 1;
  }
  return {
    plan,
    unknown,
    barred,
    barriers,
    powerless: close.filter((link) => graph.strength[link] === 0),
    opened,
    restrained: new Set(restrained),
    body,
    live,
    bled,
  };
}
