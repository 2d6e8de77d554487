import ELK, { type ElkNode } from 'elkjs/lib/elk.bundled.js';

/** A drawing to be laid out in lanes. Sizes in pixels. */
export interface LaneDrawing {
  readonly nodes: readonly {
    readonly id: string;
    readonly width: number;
    readonly height: number;
    /** Lanes lie one below the other, in the order of their numbers. */
    readonly lane: number;
    /** How far from the middle it wants to lie, to the left of it below 0; none where the drawing has no middle. */
    readonly depth?: number;
  }[];
  readonly edges: readonly { readonly id: string; readonly from: string; readonly to: string }[];
}

/** A drawing that is laid out (pixels). */
export interface LaidDrawing {
  readonly width: number;
  readonly height: number;
  /** Upper left corners. */
  readonly nodes: readonly { readonly id: string; readonly x: number; readonly y: number }[];
  readonly lines: readonly {
    readonly id: string;
    readonly points: readonly (readonly [number, number])[];
  }[];
  readonly lanes: readonly {
    readonly lane: number;
    readonly y: number;
    readonly height: number;
  }[];
}

const elk = new ELK();

const COLUMN = 24;
const ROW = 26;
const ROOM = 10;
/** So far apart are two depths. */
const HOP = 200;
const LAID_OUT = {
  'elk.algorithm': 'layered',
  'elk.direction': 'RIGHT',
  'elk.edgeRouting': 'ORTHOGONAL',
  'elk.layered.spacing.nodeNodeBetweenLayers': String(COLUMN),
  'elk.spacing.nodeNode': String(ROW),
  'elk.padding': `[top=${ROOM},left=${ROOM},bottom=${ROOM},right=${ROOM}]`,
  'elk.separateConnectedComponents': 'false',
} as const;
/** What has a place keeps it; only the lines are drawn. */
const AS_PLACED = {
  'elk.layered.cycleBreaking.strategy': 'INTERACTIVE',
  'elk.layered.layering.strategy': 'INTERACTIVE',
  'elk.layered.crossingMinimization.strategy': 'INTERACTIVE',
  'elk.layered.nodePlacement.strategy': 'INTERACTIVE',
} as const;

interface Placed {
  readonly id: string;
  readonly lane: number;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

const toElk = (
  { edges }: LaneDrawing,
  nodes: readonly Omit<Placed, 'lane'>[],
  layoutOptions: Readonly<Record<string, string>>,
): ElkNode => ({
  id: 'root',
  layoutOptions: { ...LAID_OUT, ...layoutOptions },
  children: nodes.map(({ id, width, height, x, y }) => ({ id, width, height, x, y })),
  edges: edges.map(({ id, from, to }) => ({ id, sources: [from], targets: [to] })),
});

/** Where the library wants each node: with a middle, what lies before it goes to its left. */
async function placeFreely(drawing: LaneDrawing): Promise<Placed[]> {
  const hasMiddle = drawing.nodes.some(({ depth }) => depth !== undefined);
  // The library compares the middles of what is before and behind.
  const wished = drawing.nodes.map((node) => ({
    ...node,
    x: (node.depth ?? 0) * HOP - node.width / 2,
    y: 0,
  }));
  const options: Record<string, string> = hasMiddle
    ? { 'elk.layered.cycleBreaking.strategy': 'INTERACTIVE' }
    : {};
  const laid = await elk.layout(toElk(drawing, wished, options));
  const at = new Map((laid.children ?? []).map((child) => [child.id, child]));
  return drawing.nodes.map((node) => ({
    ...node,
    x: at.get(node.id)?.x ?? 0,
    y: at.get(node.id)?.y ?? 0,
  }));
}

const middleOf = ({ y, height }: Placed): number => y + height / 2;

/** Whether two nodes need room beside each other. */
const isAbreast = (a: Placed, b: Placed): boolean =>
  a.x - COLUMN / 2 < b.x + b.width && b.x - COLUMN / 2 < a.x + a.width;

/** Nodes of one lane that lie on one line, and on which row of the lane that line ends up. */
interface Line {
  readonly middle: number;
  readonly nodes: Placed[];
  row: number;
}

/** The rows of a lane: lines keep their order and their straightness, and move up as far as nothing is in their way. */
function listRows(nodes: readonly Placed[]): Line[] {
  const lines: Line[] = [];
  for (const node of [...nodes].sort((a, b) => middleOf(a) - middleOf(b))) {
    const last = lines.at(-1);
    if (last && Math.abs(last.middle - middleOf(node)) < 2) last.nodes.push(node);
    else lines.push({ middle: middleOf(node), nodes: [node], row: 0 });
  }
  lines.forEach((line, at) => {
    for (const above of lines.slice(0, at)) {
      const meets = above.nodes.some((a) => line.nodes.some((b) => isAbreast(a, b)));
      if (meets) line.row = Math.max(line.row, above.row + 1);
    }
  });
  return lines;
}

/** The same nodes, those of each lane below those of the lane before. */
function placeInLanes(nodes: readonly Placed[]): Placed[] {
  const tall = Math.max(0, ...nodes.map(({ height }) => height));
  const pitch = tall + ROW;
  const lanes = [...new Set(nodes.map(({ lane }) => lane))].sort((a, b) => a - b);
  let top = ROOM;
  return lanes.flatMap((lane) => {
    const lines = listRows(nodes.filter((node) => node.lane === lane));
    const from = top;
    top += (Math.max(...lines.map(({ row }) => row)) + 1) * pitch + ROW;
    return lines.flatMap(({ row, nodes: some }) =>
      some.map((node) => ({ ...node, y: from + row * pitch + (tall - node.height) / 2 })),
    );
  });
}

/** The room that each lane takes. Where the library moved a node a little to let a line by, the lanes meet half-way. */
function measureLanes(nodes: readonly Placed[]): LaidDrawing['lanes'] {
  const ends = [...new Set(nodes.map(({ lane }) => lane))]
    .sort((a, b) => a - b)
    .map((lane) => {
      const some = nodes.filter((node) => node.lane === lane);
      return {
        lane,
        top: Math.min(...some.map(({ y }) => y)),
        bottom: Math.max(...some.map(({ y, height }) => y + height)),
      };
    });
  const border = (n: number) => ((ends[n]?.bottom ?? 0) + (ends[n + 1]?.top ?? 0)) / 2;
  return ends.map(({ lane, top, bottom }, n) => {
    const y = n === 0 ? top - ROOM : border(n - 1);
    const end = n === ends.length - 1 ? bottom + ROW : border(n);
    return { lane, y, height: end - y };
  });
}

/** Lays a drawing out from left to right in lanes: placed freely first, moved into its lanes, then its lines drawn round what stands. */
export async function layInLanes(drawing: LaneDrawing): Promise<LaidDrawing> {
  const placed = placeInLanes(await placeFreely(drawing));
  const laid = await elk.layout(toElk(drawing, placed, AS_PLACED));
  const at = new Map((laid.children ?? []).map((child) => [child.id, child]));
  const nodes = placed.map((node) => ({
    ...node,
    x: at.get(node.id)?.x ?? node.x,
    y: at.get(node.id)?.y ?? node.y,
  }));
  const lanes = measureLanes(nodes);
  const end = lanes.at(-1);
  return {
    width: laid.width ?? 0,
    height: Math.max(laid.height ?? 0, end ? end.y + end.height : 0),
    nodes: nodes.map(({ id, x, y }) => ({ id, x, y })),
    lines: (laid.edges ?? []).map((edge) => {
      const path = edge.sections?.[0];
      const points = path ? [path.startPoint, ...(path.bendPoints ?? []), path.endPoint] : [];
      return { id: edge.id, points: points.map(({ x, y }) => [x, y] as const) };
    }),
    lanes,
  };
}
