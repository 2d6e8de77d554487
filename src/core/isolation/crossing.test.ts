import {
  buildGraph,
  findCrossing,
  LINK_KINDS,
  type Carrier,
  type Crossing,
  type LinkKind,
  type Plant,
} from '../plant';
import { MODES, modesBefore, type Mode } from './modes';
import { traceWork } from './trace';

const MEDIA = [
  { id: 'fluid', name: 'water', energy: 'process', phase: 'liquid', hazards: [] },
  { id: 'current', name: 'power', energy: 'electrical', phase: 'none', hazards: [] },
  { id: 'motion', name: 'shaft', energy: 'mechanical', phase: 'none', hazards: [] },
  { id: 'heat', name: 'heat', energy: 'thermal', phase: 'none', hazards: [] },
  { id: 'radiation', name: 'rays', energy: 'radiation', phase: 'none', hazards: [] },
] as const;

function plantOf(
  sections: readonly (readonly [string, Carrier, source?: boolean])[],
  links: readonly (readonly [LinkKind, string, string, object?])[],
): Plant {
  return {
    format: 'heavy-lantern/plant',
    version: 1,
    name: 'crossing',
    areas: [{ id: 'A', name: 'area', outline: [], zone: 'none' }],
    media: MEDIA.map((medium) => ({ ...medium, hazards: [] })),
    sections: sections.map(([id, medium, isSource]) => ({
      id,
      name: id,
      medium,
      area: 'A',
      ...(isSource ? { source: { name: id } } : {}),
    })),
    links: links.map(([kind, a, b, more], n) => ({
      id: `L${n}`,
      kind,
      between: [a, b] as [string, string],
      ...more,
    })),
    outlets: [],
    gauges: [],
    equipment: [],
  };
}

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

/** How each source arrives at the work `w`, as "source mode", with those behind others and standing gaps told. */
function arrivals(plant: Plant): string[] {
  const graph = buildGraph(plant);
  const trace = traceWork(graph, { work: [{ section: 'w', activity: 'open' }], hours: 8 });
  return trace.sources
    .flatMap(({ id, arrivals: ways, behind, gap }) =>
      ways.map(
        ({ mode }) => `${id} ${mode}${behind ? ` behind ${behind}` : ''}${gap ? ' gap' : ''}`,
      ),
    )
    .sort();
}

describe('traceWork', () => {
  const TRACES: [string, Plant, string[]][] = [
    [
      'a pump is driven through its motor, and its own line comes over; the far side of the board stays out',
      plantOf(
        [
          ['w', 'fluid'],
          ['line', 'fluid', true],
          ['shaft', 'motion'],
          ['cable', 'current'],
          ['board', 'current', true],
          ['other-cable', 'current'],
          ['other-shaft', 'motion'],
          ['oil', 'fluid', true],
        ],
        [
          ['gate-valve', 'line', 'w'],
          ['pump', 'shaft', 'w'],
          ['motor', 'cable', 'shaft'],
          ['circuit-breaker', 'board', 'cable'],
          ['circuit-breaker', 'board', 'other-cable'],
          ['motor', 'other-cable', 'other-shaft'],
          ['pump', 'other-shaft', 'oil'],
        ],
      ),
      ['board driven', 'line itself'],
    ],
    [
      'steam leaks past the jacket, what heats the steam does not',
      plantOf(
        [
          ['w', 'fluid'],
          ['jacket', 'fluid'],
          ['boiler', 'fluid', true],
          ['flue', 'fluid', true],
        ],
        [
          ['exchanger', 'jacket', 'w'],
          ['gate-valve', 'boiler', 'jacket'],
          ['exchanger', 'flue', 'boiler'],
        ],
      ),
      ['boiler leaked'],
    ],
    [
      'the air that moves a control valve beside the work comes at hands in there, and what makes the air behind it',
      plantOf(
        [
          ['w', 'fluid'],
          ['line', 'fluid'],
          ['air', 'fluid', true],
          ['shaft', 'motion'],
          ['cable', 'current', true],
        ],
        [
          ['control-valve', 'line', 'w', { powered_by: 'air' }],
          ['pump', 'shaft', 'air'],
          ['motor', 'cable', 'shaft'],
        ],
      ),
      ['air ends-here', 'cable ends-here behind air'],
    ],
    [
      'the motor of a valve two sections away, and what moves a breaker, do not',
      plantOf(
        [
          ['w', 'current'],
          ['near', 'current'],
          ['pipe', 'fluid'],
          ['far', 'fluid'],
          ['air', 'fluid', true],
        ],
        [
          ['circuit-breaker', 'near', 'w', { powered_by: 'air' }],
          ['heater', 'w', 'pipe'],
          ['control-valve', 'pipe', 'far', { powered_by: 'air' }],
        ],
      ),
      [],
    ],
    [
      'a valve that its own line moves brings nothing more',
      plantOf(
        [
          ['w', 'fluid'],
          ['line', 'fluid', true],
        ],
        [['control-valve', 'line', 'w', { powered_by: 'line' }]],
      ),
      ['line itself'],
    ],
    [
      'a leak stops at a valve between the wall and the work',
      plantOf(
        [
          ['w', 'fluid'],
          ['cold', 'fluid'],
          ['hot', 'fluid', true],
        ],
        [
          ['gate-valve', 'cold', 'w'],
          ['exchanger', 'hot', 'cold'],
        ],
      ),
      [],
    ],
    [
      'a source behind another is folded under it',
      plantOf(
        [
          ['w', 'fluid'],
          ['near', 'fluid', true],
          ['far', 'fluid', true],
        ],
        [
          ['gate-valve', 'near', 'w'],
          ['gate-valve', 'far', 'near'],
        ],
      ),
      ['far itself behind near', 'near itself'],
    ],
    [
      'what a blind that stands closed keeps out is named apart',
      plantOf(
        [
          ['w', 'fluid'],
          ['gas', 'fluid', true],
        ],
        [['spectacle-blind', 'gas', 'w', { normal: 'closed' }]],
      ),
      ['gas itself gap'],
    ],
    [
      'a far pump is not named where something comes over, but a drive of oil that nothing else feeds is',
      plantOf(
        [
          ['w', 'motion'],
          ['oil', 'fluid'],
          ['shaft', 'motion'],
          ['board', 'current', true],
        ],
        [
          ['cylinder', 'oil', 'w'],
          ['pump', 'shaft', 'oil'],
          ['motor', 'board', 'shaft'],
        ],
      ),
      ['board driven'],
    ],
    [
      'blades and heat end where they are',
      plantOf(
        [
          ['w', 'fluid'],
          ['blades', 'motion'],
          ['board', 'current', true],
          ['tape', 'current', true],
          ['beside', 'fluid'],
          ['lamp', 'current', true],
        ],
        [
          ['agitator', 'blades', 'w'],
          ['motor', 'board', 'blades'],
          ['heater', 'tape', 'w'],
          ['joint', 'beside', 'w'],
          ['heater', 'lamp', 'beside'],
        ],
      ),
      ['board ends-here', 'tape ends-here'],
    ],
    [
      'a generator on the board feeds the motor; its engine drives it from further off',
      plantOf(
        [
          ['w', 'motion'],
          ['cable', 'current'],
          ['crank', 'motion'],
          ['fuel', 'fluid', true],
        ],
        [
          ['motor', 'cable', 'w'],
          ['generator', 'crank', 'cable'],
          ['engine', 'fuel', 'crank'],
        ],
      ),
      ['fuel driven'],
    ],
  ];
  it.each(TRACES)('%s', (...[, plant, wanted]) => {
    expect(arrivals(plant)).toEqual(wanted);
  });
});
