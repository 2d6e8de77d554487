import {
  buildGraph,
  findCrossing,
  LINK_KINDS,
  type Carrier,
  type Crossing,
  type LinkKind,
} from '../plant';
import { MEDIA, plantOf } from '../../../tests/support/crossing-plant';
import { MODES, modesBefore, type Mode } from './modes';

/** In which modes something may stand at the far end when it stands before a link in a mode; each cell of the table, both ways. */
function crossed(
  kind: LinkKind,
  from: Carrier,
  to: Carrier,
  mode: Mode,
  instead?: Crossing,
): Mode[] {
  const drawn = buildGraph(
    plantOf(
      [
        ['a', from],
        ['b', to],
      ],
      [[kind, 'a', 'b']],
    ),
  );
  const graph = instead ? { ...drawn, crossing: [instead] } : drawn;
  const at = MODES.indexOf(mode);
  const before = graph.sectionAt.get('a') ?? -1;
  return MODES.filter((_, after) => modesBefore(graph, 0, before, after).includes(at));
}

/** A crossing seen from the other end. */
const turnRound = (crossing: Crossing): Crossing =>
  'from' in crossing ? { ...crossing, from: crossing.from === 0 ? 1 : 0 } : crossing;

const ITSELF: Mode[] = ['itself'];
const LEAKED: Mode[] = ['leaked'];
const DRIVEN: Mode[] = ['driven'];
const ENDS: Mode[] = ['ends-here'];

type Row = readonly [kinds: string, from: Carrier, to: Carrier, ...Mode[][]];

/**
 * Kinds, from, to, and what comes of itself, leaked, driven and ends-here. Every cell there is, both ways. Source: the model's own table.
 */
const TABLE: readonly Row[] = [
  [
    'joint check-valve control-valve relief-valve pump steam-trap hose',
    'fluid',
    'fluid',
    ITSELF,
    LEAKED,
    DRIVEN,
    [],
  ],
  [
    'gate-valve ball-valve plug-valve globe-valve butterfly-valve needle-valve',
    'fluid',
    'fluid',
    ITSELF,
    [],
    DRIVEN,
    [],
  ],
  [
    'spectacle-blind spade spool removed-hose flange coupling shutter',
    'fluid',
    'fluid',
    ITSELF,
    [],
    DRIVEN,
    [],
  ],
  [
    'joint transformer contactor drive-controller stop-button interlock-contact static-switch',
    'current',
    'current',
    ITSELF,
    LEAKED,
    DRIVEN,
    [],
  ],
  [
    'isolator circuit-breaker fuse-switch withdrawn-breaker disconnected-cable plug',
    'current',
    'current',
    ITSELF,
    [],
    DRIVEN,
    [],
  ],
  ['joint gearbox brake', 'motion', 'motion', ITSELF, LEAKED, DRIVEN, []],
  ['clutch coupling pin shutter', 'motion', 'motion', ITSELF, [], DRIVEN, []],
  ['joint exchanger', 'heat', 'heat', ITSELF, LEAKED, DRIVEN, []],
  ['joint', 'radiation', 'radiation', ITSELF, LEAKED, DRIVEN, []],
  ['shutter', 'radiation', 'radiation', ITSELF, [], DRIVEN, []],
  ['exchanger heater', 'fluid', 'fluid', LEAKED, [], [], []],
  ['motor', 'current', 'motion', DRIVEN, [], DRIVEN, []],
  ['motor', 'motion', 'current', DRIVEN, [], [], []],
  ['motor pump', 'current', 'fluid', DRIVEN, [], DRIVEN, []],
  ['motor pump', 'fluid', 'current', [], [], [], []],
  ['generator', 'motion', 'current', DRIVEN, [], DRIVEN, []],
  ['generator', 'current', 'motion', DRIVEN, [], [], []],
  ['generator engine', 'fluid', 'current', DRIVEN, [], DRIVEN, []],
  ['generator engine', 'current', 'fluid', DRIVEN, [], [], []],
  ['pump', 'motion', 'fluid', DRIVEN, [], DRIVEN, []],
  ['pump', 'fluid', 'motion', [], [], [], []],
  ['cylinder engine', 'fluid', 'motion', DRIVEN, [], DRIVEN, []],
  ['cylinder engine', 'motion', 'fluid', DRIVEN, [], [], []],
  ['heater exchanger agitator', 'current', 'fluid', ENDS, [], ENDS, []],
  ['heater exchanger agitator', 'fluid', 'current', [], [], [], []],
  ['heater exchanger', 'heat', 'fluid', ENDS, [], ENDS, []],
  ['heater exchanger', 'fluid', 'heat', [], [], [], []],
  ['heater exchanger', 'current', 'heat', ENDS, [], ENDS, []],
  ['heater exchanger', 'heat', 'current', [], [], [], []],
  ['agitator', 'motion', 'fluid', ENDS, [], ENDS, []],
  ['agitator', 'fluid', 'motion', [], [], [], []],
  ['joint', 'motion', 'fluid', ENDS, [], ENDS, []],
  ['joint', 'fluid', 'motion', ENDS, [], [], []],
  ...(['fluid', 'current', 'motion', 'heat'] as const).flatMap((to): Row[] => [
    ['joint shutter', 'radiation', to, ENDS, [], ENDS, []],
    ['joint shutter', to, 'radiation', [], [], [], []],
  ]),
];

const CELLS = TABLE.flatMap(([kinds, from, to, ...wanted]) =>
  kinds.split(' ').map((kind) => ({ kind: kind as LinkKind, from, to, wanted })),
);

/** Every other way in which a link could cross. */
const listMutants = (crossing: Crossing): Crossing[] => {
  const all: Crossing[] = [
    { kind: 'through' },
    { kind: 'wall' },
    ...(['drive', 'ends'] as const).flatMap((kind) =>
      ([0, 1] as const).flatMap((from) =>
        [true, false].map((backs): Crossing => ({ kind, from, backs })),
      ),
    ),
  ];
  return all.filter((one) => JSON.stringify(one) !== JSON.stringify(crossing));
};

describe('what crosses what', () => {
  it.each(CELLS)('$kind from $from to $to', ({ kind, from, to, wanted }) => {
    expect(MODES.map((mode) => crossed(kind, from, to, mode))).toEqual(wanted);
  });

  it('has a row for every cell, so that a change of any is noticed', () => {
    const carriers = MEDIA.map(({ id }) => id);
    const known = new Set(CELLS.map(({ kind, from, to }) => `${kind} ${from} ${to}`));
    const cells = LINK_KINDS.flatMap((kind) =>
      carriers.flatMap((a) =>
        carriers.flatMap((b) => (findCrossing(kind, a, b) ? [`${kind} ${a} ${b}`] : [])),
      ),
    );
    expect(cells.filter((cell) => !known.has(cell))).toEqual([]);
    expect(known.size).toBe(CELLS.length);
    expect(cells.length).toBe(CELLS.length);
  });

  it('notices each cell that is changed to any other, in one direction or the other', () => {
    const missed: string[] = [];
    for (const { kind, from, to } of CELLS) {
      const crossing = findCrossing(kind, from, to) as Crossing;
      for (const mutant of listMutants(crossing)) {
        const isNoticed = [
          [from, to],
          [to, from],
        ].some(([a, b]) => {
          const row = CELLS.find((one) => one.kind === kind && one.from === a && one.to === b);
          const turned = a === from ? mutant : turnRound(mutant);
          const got = MODES.map((mode) => crossed(kind, a as Carrier, b as Carrier, mode, turned));
          return JSON.stringify(got) !== JSON.stringify(row?.wanted);
        });
        if (!isNoticed) missed.push(`${kind} ${from} ${to}: ${JSON.stringify(mutant)}`);
      }
    }
    expect(missed).toEqual([]);
  });

  it('has a form for every kind, and none for what cannot be', () => {
    const carriers = MEDIA.map(({ id }) => id);
    const formless = LINK_KINDS.filter((kind) =>
      carriers.every((a) => carriers.every((b) => findCrossing(kind, a, b) === undefined)),
    );
    expect(formless).toEqual([]);
    const CANNOT: [LinkKind, Carrier, Carrier][] = [
      ['gate-valve', 'current', 'current'],
      ['transformer', 'fluid', 'fluid'],
      ['relief-valve', 'current', 'fluid'],
      ['motor', 'motion', 'motion'],
      ['circuit-breaker', 'motion', 'motion'],
      ['joint', 'current', 'fluid'],
    ];
    expect(CANNOT.filter(([kind, a, b]) => findCrossing(kind, a, b))).toEqual([]);
  });
});
