import { group } from 'd3';
import type { ElkNode } from 'elkjs/lib/elk.bundled.js';
import type { Diagram, IsolationPlan, PlantGraph } from '../core/plant';
import { linksOf, otherEnd } from '../core/plant';
import { doFor } from './beside/queue';

const SYMBOL = 26;
/** How many links round the work are shown. */
const REACH = 2;
const drawings = new WeakMap<PlantGraph, Map<string, Promise<Diagram>>>();

function drawnOf(graph: PlantGraph): Map<string, Promise<Diagram>> {
  const drawn = drawings.get(graph) ?? new Map<string, Promise<Diagram>>();
  drawings.set(graph, drawn);
  return drawn;
}

function toElk(graph: PlantGraph, sections: ReadonlySet<number>): ElkNode {
  const links = graph.links.flatMap((link, number) =>
    sections.has(graph.ends[2 * number] as number) &&
    sections.has(graph.ends[2 * number + 1] as number)
      ? [link]
      : [],
  );
  return {
    id: 'root',
    layoutOptions: {
      'elk.algorithm': 'layered',
      'elk.direction': 'RIGHT',
      'elk.edgeRouting': 'ORTHOGONAL',
      'elk.layered.spacing.nodeNodeBetweenLayers': '22',
      'elk.spacing.nodeNode': '26',
      'elk.separateConnectedComponents': 'true',
    },
    children: [
      ...[...sections].map((n) => ({ id: `s:${graph.sections[n]?.id}`, width: 118, height: 34 })),
      ...links.map((link) => ({ id: `l:${link.id}`, width: SYMBOL, height: SYMBOL + 12 })),
    ],
    edges: links.flatMap((link) => [
      { id: `e0:${link.id}`, sources: [`s:${link.between[0]}`], targets: [`l:${link.id}`] },
      { id: `e1:${link.id}`, sources: [`l:${link.id}`], targets: [`s:${link.between[1]}`] },
    ]),
  };
}

async function lay(
  graph: PlantGraph,
  sections: ReadonlySet<number>,
  who: string,
): Promise<Diagram> {
  const laid = await doFor(who, { kind: 'layout', drawing: toElk(graph, sections) });
  const at = new Map((laid.children ?? []).map((node) => [node.id, node]));
  const lines = (laid.edges ?? []).map((edge) => {
    const path = edge.sections?.[0];
    const points = path ? [path.startPoint, ...(path.bendPoints ?? []), path.endPoint] : [];
    return { link: edge.id.slice(3), points: points.map(({ x, y }) => [x, y] as const) };
  });
  const outletsAt = group(graph.outlets, ({ section }) => section);
  return {
    width: laid.width ?? 0,
    height: laid.height ?? 0,
    sections: [...sections].map((n) => {
      const section = graph.sections[n] as PlantGraph['sections'][number];
      const { x = 0, y = 0, width = 0, height = 0 } = at.get(`s:${section.id}`) ?? {};
      const energy = graph.medium[n]?.energy ?? '';
      return {
        id: section.id,
        name: section.name,
        energy,
        source: section.source !== undefined,
        x,
        y,
        width,
        height,
        outlets: outletsAt.get(section.id) ?? [],
      };
    }),
    links: graph.links.flatMap((link) => {
      const node = at.get(`l:${link.id}`);
      return node
        ? [
            {
              id: link.id,
              kind: link.kind,
              normal: link.normal ?? 'open',
              x: (node.x ?? 0) + SYMBOL / 2,
              y: (node.y ?? 0) + SYMBOL / 2,
            },
          ]
        : [];
    }),
    lines,
  };
}

/** Lays a part of a plant out once for each version of it, whoever asks; what could not be laid out is tried again. */
function layOnce(graph: PlantGraph, sections: ReadonlySet<number>, who: string): Promise<Diagram> {
  const key = [...sections].sort((a, b) => a - b).join(',');
  const drawn = drawnOf(graph);
  const known = drawn.get(key);
  if (known) return known;
  const fresh = lay(graph, sections, who);
  fresh.catch(() => drawn.delete(key));
  if (drawn.size > 50) drawn.clear();
  drawn.set(key, fresh);
  return fresh;
}

/** Lays out the whole plant. */
export const drawPlant = (graph: PlantGraph, who = 'server'): Promise<Diagram> =>
  layOnce(graph, new Set(graph.sections.keys()), who);

/** Lays out what lies round the work: all within two links of it, each point of the plan, and the route that is shown. */
export function drawAround(
  graph: PlantGraph,
  work: readonly string[],
  plan: IsolationPlan | undefined,
  route: readonly string[],
  who = 'server',
): Promise<Diagram> {
  let shown = new Set(work.flatMap((id) => graph.sectionAt.get(id) ?? []));
  for (let ring = 0; ring < REACH; ring++) {
    const next = new Set(shown);
    for (const section of shown) {
      if (graph.isSource[section] || linksOf(graph, section).length > 8) continue;
      for (const link of linksOf(graph, section)) next.add(otherEnd(graph, link, section));
    }
    shown = next;
  }
  for (const id of [...(plan?.close ?? []), ...route]) {
    for (const end of graph.links[graph.linkAt.get(id) ?? -1]?.between ?? []) {
      shown.add(graph.sectionAt.get(end) as number);
    }
  }
  return layOnce(graph, shown, who);
}
