import { group } from 'd3';
import ELK, { type ElkNode } from 'elkjs/lib/elk.bundled.js';
import type { Diagram, IsolationPlan, PlantGraph } from '../core/plant';
import { linksOf, otherEnd } from '../core/plant';

const SYMBOL = 26;
const elk = new ELK();
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

async function lay(graph: PlantGraph, sections: ReadonlySet<number>): Promise<Diagram> {
  const laid = await elk.layout(toElk(graph, sections));
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

function layOnce(graph: PlantGraph, sections: ReadonlySet<number>): Promise<Diagram> {
  const key = [...sections].sort((a, b) => a - b).join(',');
  const drawn = drawnOf(graph);
  const known = drawn.get(key);
  if (known) return known;
  const fresh = lay(graph, sections);
  if (drawn.size > 50) drawn.clear();
  drawn.set(key, fresh);
  return fresh;
}

/** Lays out the whole plant. */
export const drawPlant = (graph: PlantGraph): Promise<Diagram> =>
  layOnce(graph, new Set(graph.sections.keys()));

/** Lays out what lies round the work: all within `reach` links of it, each point of the plan, and the route that is shown. */
export function drawAround(
  graph: PlantGraph,
  work: readonly string[],
  plan: IsolationPlan | undefined,
  route: readonly string[],
  reach = 2,
): Promise<Diagram> {
  let shown = new Set(work.flatMap((id) => graph.sectionAt.get(id) ?? []));
  for (let ring = 0; ring < reach; ring++) {
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
  return layOnce(graph, shown);
}
