import { createHash } from 'node:crypto';
import { group } from 'd3';
import { eq } from 'drizzle-orm';
import {
  CARRIERS,
  linksOf,
  listAround,
  type Around,
  type AroundWhat,
  type Carrier,
  type Diagram,
  type PlantGraph,
} from '../core/plant';
import { logFault, perProcess, tables, type Db } from '../db';
import type { LaidDrawing, LaneDrawing } from './beside/lanes';
import { doFor } from './beside/queue';
import { readGraph } from './plant';

/** Sizes in pixels: a plate holds a tag and the beginning of a name that can be read at arm's length. */
const PLATE = { width: 132, height: 38 } as const;
const SYMBOL = 26;
/** Raised whenever drawings are laid out in another way: what was kept before is then laid out anew. */
const LAYOUT_VERSION = 1;

/** What a lane is called on the way to the drawing: its place in this order. */
const LANES: readonly Carrier[] = ['current', 'motion', 'fluid', 'heat', 'radiation'];
const laneOf = (carrier: Carrier | undefined): number => LANES.indexOf(carrier ?? CARRIERS[0]);

/** Links with both ends among the sections. */
const listInner = (graph: PlantGraph, sections: ReadonlySet<number>): number[] => {
  const inner = new Set<number>();
  for (const section of sections) for (const link of linksOf(graph, section)) inner.add(link);
  return [...inner]
    .filter((link) => [0, 1].every((end) => sections.has(graph.ends[2 * link + end] as number)))
    .sort((a, b) => a - b);
};

/** What is to be drawn. A link that changes the carrier lies with what it makes: a motor with its shaft, a pump with its fluid. */
function toDrawing(graph: PlantGraph, { sections, depth }: Around): LaneDrawing {
  const inner = listInner(graph, sections);
  const place = (at: number | undefined) => (at === undefined ? {} : { depth: at });
  const endsOf = (link: number) => [0, 1].map((end) => graph.ends[2 * link + end] as number);
  return {
    nodes: [
      ...[...sections]
        .sort((a, b) => a - b)
        .map((section) => ({
          id: `s:${graph.sections[section]?.id}`,
          ...PLATE,
          lane: laneOf(graph.carrier[section]),
          ...place(depth.get(section)),
        })),
      ...inner.map((link) => {
        const [a = 0, b = 0] = endsOf(link).map((end) => depth.get(end) ?? 0);
        return {
          id: `l:${graph.links[link]?.id}`,
          width: SYMBOL,
          height: SYMBOL,
          lane: Math.max(...endsOf(link).map((end) => laneOf(graph.carrier[end]))),
          ...place(depth.size > 0 ? (a + b) / 2 : undefined),
        };
      }),
    ],
    edges: inner.flatMap((at) => {
      const { id, between } = graph.links[at] as PlantGraph['links'][number];
      return [
        { id: `e0:${id}`, from: `s:${between[0]}`, to: `l:${id}` },
        { id: `e1:${id}`, from: `l:${id}`, to: `s:${between[1]}` },
      ];
    }),
  };
}

/** The diagram of what was laid out, with what the drawing says of each thing today. */
function toDiagram(graph: PlantGraph, { sections }: Around, laid: LaidDrawing): Diagram {
  const at = new Map(laid.nodes.map((node) => [node.id, node]));
  const outletsAt = group(graph.outlets, ({ section }) => section);
  const inner = listInner(graph, sections);
  const drawn = new Set(inner);
  return {
    width: laid.width,
    height: laid.height,
    lanes: laid.lanes.map(({ lane, y, height }) => ({
      carrier: LANES[lane] ?? 'current',
      y,
      height,
    })),
    sections: [...sections].map((n) => {
      const { id, name, source } = graph.sections[n] as PlantGraph['sections'][number];
      const { x = 0, y = 0 } = at.get(`s:${id}`) ?? {};
      const more = linksOf(graph, n).filter((link) => !drawn.has(link)).length;
      const outlets = (outletsAt.get(id) ?? []).map((one) => ({ id: one.id, kind: one.kind }));
      return { id, name, source: source !== undefined, x, y, ...PLATE, outlets, more };
    }),
    links: inner.map((n) => {
      const { id, kind, normal = 'open' } = graph.links[n] as PlantGraph['links'][number];
      const { x = 0, y = 0 } = at.get(`l:${id}`) ?? {};
      return { id, kind, normal, x: x + SYMBOL / 2, y: y + SYMBOL / 2 };
    }),
    lines: laid.lines.map(({ id, points }) => ({ link: id.slice(3), points })),
  };
}

const underWay = perProcess('layouts', () => new Map<string, Promise<LaidDrawing>>());

/** Lays a drawing out once, whoever asks and however often the server is started; what could not be laid out is tried again. */
function layOnce(db: Db, drawing: LaneDrawing, who: string): Promise<LaidDrawing> {
  const asked = JSON.stringify([LAYOUT_VERSION, drawing]);
  const digest = createHash('sha256').update(asked).digest('hex');
  const { layouts } = tables;
  const kept = db.select().from(layouts).where(eq(layouts.digest, digest)).get();
  if (kept) return Promise.resolve(JSON.parse(kept.document) as LaidDrawing);
  const known = underWay.get(digest);
  if (known) return known;
  const fresh = doFor(who, { kind: 'layout', drawing }).then((laid) => {
    db.insert(layouts)
      .values({ digest, document: JSON.stringify(laid) })
      .onConflictDoNothing()
      .run();
    return laid;
  });
  const forget = () => void underWay.delete(digest);
  fresh.then(forget, forget);
  underWay.set(digest, fresh);
  return fresh;
}

const draw = async (db: Db, graph: PlantGraph, around: Around, who: string): Promise<Diagram> =>
  toDiagram(graph, around, await layOnce(db, toDrawing(graph, around), who));

/** Draws what lies round the work: all within two links of it, and whatever else has to be on it. */
export const drawAround = (
  db: Db,
  graph: PlantGraph,
  what: AroundWhat,
  who = 'server',
): Promise<Diagram> => draw(db, graph, listAround(graph, what), who);

/** Draws an area: its sections, and as far as the next section whatever leads out of it. */
export function drawArea(
  db: Db,
  graph: PlantGraph,
  area: string,
  who = 'server',
): Promise<Diagram> {
  const sections = new Set<number>();
  graph.sections.forEach((section, n) => {
    if (section.area === area) sections.add(n);
  });
  return draw(db, graph, { sections, depth: new Map() }, who);
}

/** Lays out every area of the newest plant ahead of time, one after the other, so that nobody waits for it. One that is too large does not keep the others. */
export async function drawAhead(db: Db): Promise<void> {
  const graph = readGraph(db);
  for (const { id } of graph.plant.areas) {
    await drawArea(db, graph, id).catch((error: unknown) =>
      logFault(`area ${id} was not drawn ahead`, error),
    );
  }
}
