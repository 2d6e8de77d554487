import { buildGraph, isOffLoad, parsePlant, type PlantGraph } from '../plant';
import { computeRequirement } from '../isolation';
import { listAfterBreakers } from './load-breaking';
import { planRestore, planSequence } from './sequence';

type Row = readonly [id: string, kind: string, a: string, b: string];

/** Conductors, each with a voltage, joined by devices; G feeds them, and M is worked on. Devices stand far from each other. */
function switchgear(links: readonly Row[], voltage_v: number | undefined = 11_000): PlantGraph {
  const ids = [...new Set(links.flatMap(([, , a, b]) => [a, b]))];
  const parsed = parsePlant({
    format: 'heavy-lantern/plant',
    version: 1,
    name: 'switchgear',
    areas: [{ id: 'A', name: 'A', outline: [], zone: 'none' }],
    media: [{ id: 'POWER', name: 'power', energy: 'electrical', phase: 'none', hazards: [] }],
    sections: ids.map((id, n) => ({
      id,
      name: id,
      medium: 'POWER',
      area: 'A',
      // The walk would go to the disconnector first.
      at: [100 - n * 10, 0, 0],
      ...(voltage_v === undefined ? {} : { voltage_v }),
      ...(id.startsWith('G') ? { source: { name: id } } : {}),
    })),
    links: links.map(([id, kind, a, b]) => ({ id, kind, between: [a, b] })),
    outlets: [],
    gauges: [],
    equipment: [],
  });
  if (!parsed.ok) throw new Error(JSON.stringify(parsed.problems));
  return buildGraph(parsed.value);
}

const order = (graph: PlantGraph, close: readonly string[], restoring = false): string[] => {
  const requirement = computeRequirement(graph, {
    work: [{ section: 'M', activity: 'touch' }],
    hours: 1,
  });
  const steps = planSequence(graph, requirement, { close: [...close], open: [], restrain: [] });
  const subjects = restoring
    ? planRestore(steps).map(({ subject }) => subject)
    : steps.map(({ subject }) => subject);
  return subjects.filter((subject) => close.includes(subject));
};

describe('the order of switching', () => {
  it.each<[string, readonly Row[], readonly string[]]>([
    [
      'a breaker before the disconnector behind it',
      [
        ['Q0', 'circuit-breaker', 'G', 'X'],
        ['Q1', 'isolator', 'X', 'M'],
      ],
      ['Q0', 'Q1'],
    ],
    [
      'a breaker before the disconnector before it',
      [
        ['Q1', 'isolator', 'G', 'X'],
        ['Q0', 'circuit-breaker', 'X', 'M'],
      ],
      ['Q0', 'Q1'],
    ],
    [
      'every breaker of two feeds before the coupler',
      [
        ['Q1', 'circuit-breaker', 'G1', 'B'],
        ['Q2', 'fuse-switch', 'G2', 'B'],
        ['QC', 'isolator', 'B', 'M'],
      ],
      ['Q1', 'Q2', 'QC'],
    ],
    [
      'a breaker before the cable that is taken off',
      [
        ['Q0', 'circuit-breaker', 'G', 'X'],
        ['QW', 'withdrawn-breaker', 'X', 'M'],
      ],
      ['Q0', 'QW'],
    ],
  ])('is %s, and back the other way', (_label, links, expected) => {
    const graph = switchgear(links);
    expect([...order(graph, expected)].sort()).toEqual([...expected].sort());
    const there = order(graph, expected);
    expect(there.at(-1)).toBe(expected.at(-1));
    expect(order(graph, expected, true)[0]).toBe(expected.at(-1));
  });

  it('does not make a disconnector wait for a breaker that carries nothing of it', () => {
    const graph = switchgear([
      ['QD', 'isolator', 'G', 'M'],
      ['QL', 'circuit-breaker', 'G', 'L'],
      ['Q9', 'circuit-breaker', 'L', 'L2'],
    ]);
    const barriers = ['QD', 'Q9'].map((id) => graph.linkAt.get(id) ?? -1);
    expect(listAfterBreakers(graph, barriers)).toEqual(new Set());
  });

  it.each([
    ['above 1000 V', 'isolator', 11_000, true],
    ['just above 1000 V', 'isolator', 1001, true],
    ['at 1000 V', 'isolator', 1000, false],
    ['at 400 V', 'isolator', 400, false],
    ['without a voltage on the drawing', 'isolator', undefined, true],
    ['that breaks loads', 'circuit-breaker', 11_000, false],
    ['that is withdrawn', 'withdrawn-breaker', 400, true],
  ])(
    'takes a device %s for one that must not be worked under load, or not (%s)',
    (_label, kind, volts, is) => {
      const graph = switchgear([['Q', kind, 'G', 'M']], volts);
      expect(isOffLoad(graph, 0)).toBe(is);
    },
  );

  const stopOf = (links: readonly Row[], close: string[]) => {
    const graph = switchgear(links);
    const requirement = computeRequirement(graph, { work: [{ section: 'M', activity: 'touch' }], hours: 1 }); // prettier-ignore
    const steps = planSequence(graph, requirement, { close, open: [], restrain: [] });
    return steps.find(({ phase }) => phase === 'stop')?.words;
  };
  const BEHIND: readonly Row[] = [
    ['Q0', 'circuit-breaker', 'G', 'X'],
    ['Q1', 'isolator', 'X', 'M'],
  ];

  it('switches a breaker of no plan first, where an off-load device is opened without one', () => {
    expect(stopOf(BEHIND, ['Q1'])).toContain('open Q0 (circuit-breaker)');
    expect(stopOf(BEHIND, ['Q0', 'Q1'])).toBe('stop by the normal controls');
    expect(stopOf(BEHIND, ['Q0'])).toBe('stop by the normal controls');
    const elsewhere: Row[] = [
      ['Q0', 'circuit-breaker', 'G', 'Y'],
      ['Q1', 'isolator', 'G', 'M'],
    ];
    expect(stopOf(elsewhere, ['Q1'])).toBe('stop by the normal controls');
  });

  it('says at the device itself that it is never worked under load', () => {
    const graph = switchgear([['Q1', 'isolator', 'G', 'M']]);
    const requirement = computeRequirement(graph, { work: [{ section: 'M', activity: 'touch' }], hours: 1 }); // prettier-ignore
    const [step] = planSequence(graph, requirement, { close: ['Q1'], open: [], restrain: [] }).filter(({ subject }) => subject === 'Q1'); // prettier-ignore
    expect(step?.words).toContain('never under load');
  });
});
