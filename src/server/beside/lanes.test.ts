import fc from 'fast-check';
import { layInLanes, type LaneDrawing } from './lanes';

const node = (id: string, lane: number, depth?: number, width = 132) => ({
  id,
  width,
  height: width === 132 ? 38 : 26,
  lane,
  ...(depth === undefined ? {} : { depth }),
});
const edge = (from: string, to: string) => ({ id: `${from}-${to}`, from, to });

/** A pump with its line and its drive: feed > valve > casing > check valve > delivery, and cable > motor > shaft > casing. */
const PUMP: LaneDrawing = {
  nodes: [
    node('casing', 2, 0),
    node('feed', 2, -1),
    node('valve', 2, -0.5, 26),
    node('delivery', 2, 1),
    node('check', 2, 0.5, 26),
    node('shaft', 1, -1),
    node('pump', 2, -0.5, 26),
    node('cable', 0, -2),
    node('motor', 1, -1.5, 26),
  ],
  edges: [
    edge('feed', 'valve'),
    edge('valve', 'casing'),
    edge('casing', 'check'),
    edge('check', 'delivery'),
    edge('cable', 'motor'),
    edge('motor', 'shaft'),
    edge('shaft', 'pump'),
    edge('pump', 'casing'),
  ],
};

describe('a diagram in lanes', () => {
  it('reads from what is before the work, on its left, to what is behind it', async () => {
    const { nodes } = await layInLanes(PUMP);
    const x = (id: string) => nodes.find((one) => one.id === id)?.x ?? NaN;
    const line = ['feed', 'valve', 'casing', 'check', 'delivery'].map(x);
    expect(line).toEqual([...line].sort((a, b) => a - b));
    expect(x('cable')).toBeLessThan(x('shaft'));
    expect(x('shaft')).toBeLessThan(x('casing'));
  });

  it('draws a line for each edge, from the one to the other', async () => {
    const laid = await layInLanes(PUMP);
    expect(laid.lines.map(({ id }) => id).sort()).toEqual(PUMP.edges.map(({ id }) => id).sort());
    expect(laid.lines.every(({ points }) => points.length >= 2)).toBe(true);
  });

  it('holds whatever hangs together how: each in its lane, none over another, all of it on the sheet', async () => {
    const drawings = fc
      .tuple(
        fc.array(fc.integer({ min: 0, max: 3 }), { minLength: 1, maxLength: 14 }),
        fc.array(fc.tuple(fc.nat(13), fc.nat(13)), { maxLength: 24 }),
      )
      .map(([lanes, pairs]): LaneDrawing => {
        const nodes = lanes.map((lane, n) => node(`n${n}`, lane));
        const edges = pairs
          .filter(([a, b]) => a < lanes.length && b < lanes.length && a !== b)
          .map(([a, b], n) => ({ id: `e${n}`, from: `n${a}`, to: `n${b}` }));
        return { nodes, edges };
      });
    await fc.assert(
      fc.asyncProperty(drawings, async (drawing) => {
        const laid = await layInLanes(drawing);
        const boxes = drawing.nodes.map((one) => ({
          ...one,
          ...laid.nodes.find(({ id }) => id === one.id),
        })) as ((typeof drawing.nodes)[number] & { x: number; y: number })[];
        for (const box of boxes) {
          const lane = laid.lanes.find((one) => one.lane === box.lane);
          const middle = box.y + box.height / 2;
          expect(middle).toBeGreaterThan(lane?.y ?? NaN);
          expect(middle).toBeLessThan((lane?.y ?? NaN) + (lane?.height ?? NaN));
          expect(box.x).toBeGreaterThanOrEqual(0);
          expect(box.x + box.width).toBeLessThanOrEqual(laid.width);
          expect(box.y + box.height).toBeLessThanOrEqual(laid.height);
        }
        const overlaps = boxes.some((a, n) =>
          boxes
            .slice(n + 1)
            .some(
              (b) =>
                a.x < b.x + b.width &&
                b.x < a.x + a.width &&
                a.y < b.y + b.height &&
                b.y < a.y + a.height,
            ),
        );
        expect(overlaps).toBe(false);
      }),
      { numRuns: 60 },
    );
  });
});
