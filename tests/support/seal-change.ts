import { listForeign } from '../../src/core/job/clearances';
import { findAgenda } from '../../src/core/job/briefing';
import { viewKit } from '../../src/core/job/kit';
import type { KitRow, PressureRow } from '../../src/core/kit/kit';
import { needsBarriers } from '../../src/core/job/barriers';
import { readFileSync } from 'node:fs';
import {
  READY_CHECKS,
  viewDossier,
  decideJob,
  disciplineOf,
  commandSchema,
  evolveDossier,
  findWorkOrder,
  listAirUses,
  listPapers,
  listProposed,
  planAir,
  listSigners,
  listSuggested,
  type Command,
  type CommandOf,
  type Context,
  type DossierState,
  type SiteFacts,
} from '../../src/core/job';
import { listTestPlaces } from '../../src/core/job/air-places';
import { listLeakTests } from '../../src/core/job/leak-test';
import { listLineup } from '../../src/core/job/lineup';
import { findSensor, LEVELS, type AirUse, type SubstanceCode } from '../../src/core/gas';
import { WAYS_OF } from '../../src/core/hotwork';
import { DEFAULT_GRADE_POLICY } from '../../src/core/isolation';
import type { Employer } from '../../src/core/people/employers';
import type { EarthingSet, Lock, Person, Role } from '../../src/core/people/people';
import { buildGraph, parsePlantText } from '../../src/core/plant';
import { draftAssessment, QUESTION_CODES, type QuestionCode } from '../../src/core/permits';
import { isByName, SPACE_CHECK_CODES } from '../../src/core/space';
import { listPairs, type ElectricalRound } from '../../src/core/proving';
import { explainIn, type RuleCode } from '../../src/core/rules/book';
import { DEFAULT_VALUES } from '../../src/core/rules/values';
import type { Step as WorkStep } from '../../src/core/sequence';

interface SiteFile {
  people: Person[];
  registers: {
    locks: Lock[];
    boxes: [];
    instruments: [];
    earths: EarthingSet[];
    employers: Employer[];
    kit: KitRow[];
    pressure: PressureRow[];
  };
}
/** Locks of Jun Ravensworth's own, enough for every point of the job. */
const OWN_SET = Array.from({ length: 9 }, (_, n): Lock => {
  return { id: `W-3${n + 1}`, set: 'W, personal', use: 'personal', owner: 'jun' };
});
const plant = parsePlantText(readFileSync('demo/quillmere.plant.json', 'utf8'));
if (!plant.ok) throw new Error('the demonstration plant does not parse');
const file = JSON.parse(readFileSync('demo/quillmere.site.json', 'utf8')) as SiteFile;
const byId = <Row extends { id: string }>(rows: readonly Row[]) =>
  new Map(rows.map((row) => [row.id, row]));
export const site: SiteFacts = {
  graph: buildGraph(plant.value),
  plantVersion: 1,
  policy: DEFAULT_GRADE_POLICY,
  values: DEFAULT_VALUES,
  valuesVersion: 1,
  people: byId(file.people),
  locks: byId([...file.registers.locks, ...OWN_SET]),
  boxes: byId(file.registers.boxes),
  instruments: byId(file.registers.instruments),
  earths: byId(file.registers.earths),
  employers: file.registers.employers,
  kit: file.registers.kit,
  pressure: file.registers.pressure,
};
export const START = '2026-11-24T07:00:00.000Z';
export const nobody = {
  lockAt: new Map(),
  boxAt: new Map(),
  personOn: new Map(),
  untold: new Map(),
  unfit: new Map(),
  workOrder: () => undefined,
  hasPicture: () => false,
  open: () => [],
} as const;

export function contextFor(
  actor: string,
  signed: readonly string[] = [actor],
  now = START,
): Context {
  const device = site.instruments.has(actor) ? { device: actor } : {};
  return { jobId: 'J-0001', now, actor, ...device, signed: new Set(signed), site, others: nobody };
}

export type Step = readonly [actor: string, command: Command];

export const PLAN = {
  close: [
    'CB-P201',
    'FS-TR2004',
    'HV-2001',
    'HV-2002',
    'HV-2004',
    'HV-2005',
    'HV-2007',
    'HV-2008',
    'HV-2009',
  ],
  open: ['BL-2003', 'DR-2001', 'DR-2002', 'DR-2004', 'DR-2007'],
  restrain: ['ST-P201-SPR'],
};
export const RAISE = {
  kind: 'raise-job',
  title: 'Seal change',
  equipment: 'P-201',
  work: [
    { section: 'P201-CAS', activity: 'open' },
    { section: 'P201-PSH', activity: 'touch' },
  ],
  hours: 6,
  performer: 'jun',
} satisfies Command;
export const DRAFT = { kind: 'draft-plan', origin: 'effort', ...PLAN } satisfies Command;

/** What is done half an hour before the proofs, so that it has let down and run down by then. */
const BEFORE_PROVING: readonly Command['kind'][] = [
  'tell-affected',
  'stop-plant',
  'lock-point',
  'open-outlet',
  'end-watch',
];
/** What is done once a pressure was held for long enough. */
const AFTER_HOLDING: readonly Command['kind'][] = [
  'leak-test',
  'unlock-point',
  'walk-lineup',
  'see-start',
  'take-back',
  'close-job',
];
const later = (now: string, minutes: number) =>
  new Date(Date.parse(now) + minutes * 60_000).toISOString();

function timeOf(command: Command, now: string, minutes: number): string {
  if (AFTER_HOLDING.includes(command.kind)) return later(now, DEFAULT_VALUES['leak-test-min']);
  const isBefore = BEFORE_PROVING.includes(command.kind) && !('earth' in command);
  return isBefore ? later(now, -minutes) : now;
}

/** Applies commands that are all expected to be allowed; answers the state. */
export function carryOut(
  steps: readonly Step[],
  from?: DossierState,
  now = START,
  minutesBefore = 30,
): DossierState {
  return steps.reduce<DossierState>((state, [actor, command]) => {
    const at = timeOf(command, now, minutesBefore);
    const context = contextFor(actor, listSigners(command, actor), at);
    const decision = decideJob(state, command, context);
    if (!decision.ok) {
      throw new Error(
        `${command.kind}: ${decision.refusals.map((one) => explainIn('UTC')(one).says).join(' ')}`,
      );
    }
    return decision.events.reduce<DossierState>(
      (before, event) => evolveDossier(before, event, { by: actor, at }),
      state,
    );
  }, from);
}

export const refusalsOf = (
  state: DossierState,
  actor: string,
  command: Command,
  more: Partial<Context> = {},
): RuleCode[] => {
  const decision = decideJob(state, command, {
    ...contextFor(actor, listSigners(command, actor)),
    ...more,
  });
  return decision.ok ? [] : decision.refusals.map((refusal) => refusal.code);
};

/** The labels compared with the plan, by someone who did not draw it up. */
export const WALKED_DOWN: Step[] = [...PLAN.close, ...PLAN.open, ...PLAN.restrain].map((point) => [
  'finn',
  { kind: 'check-label', point, found: 'as-drawn', note: '' },
]);

export const REVIEWED: Step[] = [
  ['ada', RAISE],
  ['ada', DRAFT],
  ['ada', { kind: 'submit-plan', drawingChecked: false }],
  ['hana', { kind: 'accept-plan', note: '' }],
];
export const USABLE: Step[] = [...REVIEWED, ...WALKED_DOWN];

/** A round on three phases without neutral that finds every pair dead. */
export const deadRound = (more: Partial<ElectricalRound> = {}): ElectricalRound => ({
  arrangement: 'three-wire',
  source: 'proving unit 2',
  source_v: 690,
  before_v: 680,
  after_v: 682,
  readings: Object.fromEntries(listPairs('three-wire').map((pair) => [pair, 0])),
  ...more,
});

/** Who does what at Quillmere, by the role that isolates. */
const BY_ROLE: Partial<Record<Role, string>> = {
  'isolating-electrical': 'elif',
  'isolating-process': 'finn',
  'isolating-mechanical': 'finn',
};
const INSTRUMENT_FOR = {
  voltage: 'VT-11',
  pressure: 'PG-T1',
  level: 'DG-6',
  motion: 'TA-3',
  temperature: 'TH-4',
} as const;

/** Whoever else operates points is asked, and gives their clearance. */
const clear = (operator: string, points: readonly string[]): Step[] => [
  ['ada', { kind: 'ask-clearance', operator, whom: 'their control desk', what: points.join(', ') }],
  [
    'elif',
    {
      kind: 'take-clearance',
      operator,
      number: 'HG-117',
      person: 'their shift engineer',
      isolates: points.join(', '),
      earths: 'at both ends',
      until: '2026-12-24T07:00:00.000Z',
    },
  ],
];

/** The field work of a job whose plan is walked down, in the order that the work order gives, each by someone entitled. */
export function fieldStepsOf(state: DossierState): Step[] {
  const order = state && findWorkOrder(state, site);
  if (!order) throw new Error('no work order');
  const { graph } = site;
  const isolatorOf = (id: string) => BY_ROLE[disciplineOf(graph, id)] ?? '';
  const used = { E: 0, P: 0, earths: 0 };
  const lockFor = (id: string) => {
    const set = isolatorOf(id) === 'elif' ? 'E' : 'P';
    used[set] += 1;
    return `${set}-${String(used[set]).padStart(2, '0')}`;
  };
  const opening = ({ subject, phase, watched }: WorkStep): Step[] => {
    const open = { kind: 'open-outlet', outlet: subject, tag: `T-${subject}` } as const;
    if (phase === 'earth') {
      used.earths += 1;
      const earth = {
        set: `ES-${used.earths}`,
        endFirst: true,
        ordered: true,
        clear: true,
        to: 'point' as const,
      };
      return [['elif', { ...open, earth, second: 'tove' }]];
    }
    if (!watched) return [[isolatorOf(subject), open]];
    return [
      [isolatorOf(subject), { ...open, watcher: 'cora' }],
      ['cora', { kind: 'end-watch', outlet: subject, end: 'drained', seen: 'ran empty' }],
    ];
  };
  const proving = (id: string): Step => {
    const demand = order.proofs.find((proof) => proof.id === id);
    if (!demand) throw new Error(`no proof ${id}`);
    const { kind, unit, sees, covers } = demand;
    const volts = Math.max(
      0,
      ...covers.map((one) => graph.sections[graph.sectionAt.get(one) ?? -1]?.voltage_v ?? 0),
    );
    const command: Command = {
      kind: 'prove',
      proof: id,
      reading: 0,
      unit,
      instrument: INSTRUMENT_FOR[kind],
      seen: [...sees],
      ...(kind === 'voltage' ? { round: deadRound({ source_v: 12_000 }) } : {}),
      ...(kind === 'voltage' && volts > 1000 ? { second: 'tove', ordered: true } : {}),
    };
    return [kind === 'voltage' ? 'elif' : 'finn', command];
  };
  const cleared = [...listForeign(state, site)].flatMap(([operator, points]) => clear(operator, points)); // prettier-ignore
  const field = order.steps.flatMap((step): Step[] => {
    const { subject } = step;
    switch (step.phase) {
      case 'tell':
        return [['ada', { kind: 'tell-affected', who: 'control room' }]];
      case 'stop':
        return [['cora', { kind: 'stop-plant', how: 'stopped at the panel' }]];
      case 'bring-in':
      case 'open-way':
      case 'isolate-drives':
      case 'isolate-flows':
      case 'fit': {
        const hung = { link: subject, lock: lockFor(subject), tag: `T-${subject}` };
        return [[isolatorOf(subject), { kind: 'lock-point', ...hung }]];
      }
      case 'see-open':
        return [
          [isolatorOf(subject), { kind: 'see-open', link: subject, found: 'open', note: '' }],
        ];
      case 'let-down':
      case 'earth':
        return opening(step);
      case 'restrain':
        return [[isolatorOf(subject), { kind: 'restrain-store', store: subject, how: 'clamped' }]];
      case 'wait': {
        const placed = graph.stores[graph.storeAt.get(subject) ?? -1];
        const short = placed?.store.kind === 'capacitor' ? { volts: 2, shorted: true } : {};
        const run = { store: subject, seen: 'stands still', ...short };
        return [[isolatorOf(subject), { kind: 'wait-out-store', ...run }]];
      }
      case 'prove':
        return [proving(subject)];
      case 'try-start':
        return [['cora', { kind: 'try-start', station: subject, moved: false }]];
    }
  });
  return [...cleared, ...field];
}

/** The field work of the seal change, up to the control lock. */
export const fieldSteps = (): Step[] => [
  ...fieldStepsOf(carryOut(USABLE)),
  ['ada', { kind: 'lock-box', box: 'BOX-1', lock: 'C-1' }],
];

/** Every question answered with no but those that are named, and every paper that is proposed taken up. */
export function screenOf(
  state: DossierState,
  yes: readonly QuestionCode[] = [],
): CommandOf<'screen-job'> {
  if (!state) throw new Error('no job');
  const answers = Object.fromEntries(
    QUESTION_CODES.map((code) => [code, yes.includes(code) ? ('yes' as const) : ('no' as const)]),
  );
  const kinds = listProposed(state, site, answers).map(({ kind }) => kind);
  return { kind: 'screen-job', answers, kinds, left: {} };
}

/** The task assessed as the tool proposes it. */
export function assessOf(state: DossierState): CommandOf<'assess-task'> {
  if (!state) throw new Error('no job');
  const draft = draftAssessment(listSuggested(state, site));
  return commandSchema.parse({ kind: 'assess-task', ...draft }) as CommandOf<'assess-task'>;
}

const minutesBefore = (now: string, minutes: number) => later(now, -minutes);

/** A test of the air as the job asks for, everything fit but what is given; read at `now`. */
export function airTestOf(
  state: DossierState,
  use: AirUse,
  more: Partial<Record<SubstanceCode, number>> = {},
  now = START,
): CommandOf<'test-air'> {
  const detector = site.instruments.get('GD-5')?.detector;
  if (!state || !detector) throw new Error('no job, or no detector');
  const { demands, unknown } = planAir(state, site, use);
  return {
    kind: 'test-air',
    use,
    instrument: 'GD-5',
    bumpedAt: minutesBefore(now, 90),
    hose: { length_m: 10, bore_mm: 4 },
    samples: LEVELS.map((level) => ({
      level,
      place: 'from outside',
      drawnFrom: minutesBefore(now, 3),
      readAt: minutesBefore(now, 1),
      readings: demands.map(({ gas }) => ({
        gas,
        shown: more[gas] ?? (gas === 'oxygen' ? 20.9 : 0),
        unit: findSensor(detector, gas)?.unit ?? '%vol',
      })),
    })),
    places: listTestPlaces(state, site, use),
    known: Object.fromEntries(unknown.map((name) => [name, 'far below its flash point'])),
  };
}

/** Every check of each duty, seen to. */
export const READY = {
  'fire-watch': Object.keys(READY_CHECKS['fire-watch']),
  attendant: Object.keys(READY_CHECKS.attendant),
} satisfies Record<keyof typeof READY_CHECKS, string[]>;

/** Detectors of the site that stand round hot work. */
const MONITORS = [...site.instruments.keys()].filter((one) => one.startsWith('GM-'));

export const BRIEF_WATCH: CommandOf<'brief-watch'> = {
  kind: 'brief-watch',
  alarm: 'beside the north door',
  water: 'hydrant 4, hose laid',
  extinguisher: 'two, powder, on the trolley',
  telephone: 'in the pump hall',
  eyewash: 'beside the dosing pump',
  exits: ['north door', 'stairs to the yard'],
  people: 3,
  sees: 'all',
};

/** The surroundings of hot work asked about, cleared and monitored, where the papers name it. */
export function hotSteps(state: DossierState, skip = 0): Step[] {
  const view = state && viewDossier(state, site, START).hotWork;
  if (!view) return [];
  const placed = MONITORS.slice(skip, skip + (view.ring?.count ?? 0));
  return [
    [
      'hana',
      {
        kind: 'ask-cold',
        can: 'no',
        cold: 'a clamp would not hold',
        elsewhere: 'the main is fixed',
      },
    ],
    ['jun', BRIEF_WATCH],
    ...view.neighbours.map(({ id: neighbour, kind }): Step => [
      'jun',
      { kind: 'clear-neighbour', neighbour, way: WAYS_OF[kind][0] ?? 'watched', note: 'seen' },
    ]),
    ...(placed.length > 0
      ? [
          [
            'finn',
            { kind: 'place-monitors', devices: placed, from_deg: 270, wind_m_s: 0.3 },
          ] as Step,
        ]
      : []),
  ];
}

/** The plan of an entry into the buffer tank. */
export const PLAN_ENTRY: CommandOf<'plan-entry'> = {
  kind: 'plan-entry',
  space: 'BT-1',
  most: 2,
  rescue: 'device',
  rescueHow: 'tripod with winch over the manway, lines on both',
  drilledAt: '2026-09-01T08:00:00.000Z',
  talk: 'radio channel 4, and the line',
  call: 'radio channel 1, site emergency 3333',
};

/** The kit looked at that the work asks for, one of each kind. */
function kitSteps(state: DossierState, now: string): Step[] {
  if (!state) return [];
  const kinds = viewKit(state, site, now).needs.filter(({ isKept, isMet }) => isKept && !isMet);
  const rows = kinds.flatMap(({ kind }) => (site.kit ?? []).find((row) => row.kind === kind) ?? []);
  const kit = [...new Set(rows.map(({ id }) => id))];
  return kit.length === 0
    ? []
    : [['jun', { kind: 'check-kit', kit, air: true, seen: 'sound, in date' }]];
}

/** Everything looked at round the opening and inside. */
export const CHECK_SPACE: CommandOf<'check-space'> = {
  kind: 'check-space',
  answers: Object.fromEntries(
    SPACE_CHECK_CODES.map((code) => [
      code,
      { here: true, words: 'as it should be', ...(isByName(code) ? { person: 'moss' } : {}) },
    ]),
  ),
  cover: { weight_kg: 40, drawn: 'two' },
};

/** The entry planned, where the papers name one. */
function entrySteps(state: DossierState): Step[] {
  const view = state && viewDossier(state, site, START).entry;
  if (!view) return [];
  return [
    ['hana', { ...PLAN_ENTRY, space: view.space?.id ?? PLAN_ENTRY.space }],
    ['hana', CHECK_SPACE],
  ];
}

const in_ = (value: number, unit: string) => ({ value, unit });

/** A pressure test with air at ten bar behind one m³, as the Bench works it out. */
export const TEST_SUM = {
  kind: 'note-calculation',
  calculation: 'pressure-test',
  subject: 'P201-CAS',
  inputs: {
    code: 'b31-3-gas',
    design: in_(10, 'bar'),
    cold: in_(138, 'MPa'),
    hot: in_(138, 'MPa'),
    volume: in_(1, 'm^3'),
    resolution: in_(0.1, 'bar'),
    leak: in_(10, 'ml/min'),
    k: in_(1.4, '1'),
    ambient: in_(1.01325, 'bar'),
  },
} satisfies Command;

export const ALLOW_GAS: Command = {
  kind: 'approve-gas-test',
  why: 'the lining may not get wet',
  stands: 'behind the wall, in steps of a tenth, relief set at 1.1',
};

/** The pressure test worked out, where the papers name one. */
const testSteps = (state: DossierState): Step[] =>
  state && listPapers(state, site).includes('pressure-test')
    ? [
        ['ada', TEST_SUM],
        ['uma', ALLOW_GAS],
      ]
    : [];

export const CHECK_CYLINDERS: CommandOf<'check-cylinders'> = {
  kind: 'check-cylinders',
  here: true,
  where: 'beside the north door',
  upright: true,
  capped: true,
  clean: true,
  apart: 'distance',
  apart_m: 8,
  off_m: 12,
  lift: 'rolled',
};

/** Gas cylinders looked at, where the papers name hot work. */
const cylinderSteps = (state: DossierState): Step[] =>
  state && listPapers(state, site).includes('hot-work') ? [['jun', CHECK_CYLINDERS]] : [];

/** Everybody at Quillmere who may sign on. */
const CREW = [...site.people.values()]
  .filter(({ authorisations }) => authorisations.some(({ role }) => role === 'worker'))
  .map(({ id }) => id);

/** The briefing of a job whose task is assessed, with everybody there. */
export function briefingOf(
  state: DossierState,
  present: readonly string[] = CREW,
): CommandOf<'hold-briefing'> {
  if (!state) throw new Error('no job');
  const { topics, looks, hasLoads } = findAgenda(state, site);
  const [first = ''] = present;
  // Whoever leads asks, and is not asked.
  const asked = present.length > 1 ? present.filter((one) => one !== 'jun') : present;
  return {
    kind: 'hold-briefing',
    present: [...present],
    points: topics.map(({ code, ask }, n) => ({
      topic: code,
      question: ask === '' ? 'What can it do to you?' : ask,
      of: asked[n % asked.length] ?? first,
      answer: 'shown on the spot, in their own words',
    })),
    looked: looks.map((what) => ({ what, by: first, seen: 'sound' })),
    loads: hasLoads ? [{ what: 'rotor', kg: 40, way: 'two' }] : [],
    weather: { air_c: 18 },
    beside: 'nobody near',
  };
}

/** Every test of the air that the papers of a job ask for, by the gas tester. */
export const airSteps = (state: DossierState, now = START): Step[] =>
  state
    ? listAirUses(listPapers(state, site)).map((use) => ['finn', airTestOf(state, use, {}, now)])
    : [];

/** Screened, assessed, approved and issued for 8 h, on any job that stands walked down. */
export const SET_BARRIERS: Step = [
  'jun',
  {
    kind: 'set-barriers',
    where: 'from the door to the crane rail',
    notices: 'keep out, live parts',
  },
];

export function permitSteps(
  state: DossierState,
  yes: readonly QuestionCode[] = [],
  now = START,
  present: readonly string[] = CREW,
): Step[] {
  const screen: Step = ['hana', screenOf(state, yes)];
  const screened = carryOut([screen], state);
  const assess: Step = ['hana', assessOf(screened)];
  return [
    screen,
    assess,
    ['hana', { kind: 'approve-permit' }],
    ...entrySteps(screened),
    ...hotSteps(screened),
    ...testSteps(screened),
    ...airSteps(screened, now),
    ...(screened && needsBarriers(screened, site) ? [SET_BARRIERS] : []),
    ...kitSteps(screened, now),
    ...cylinderSteps(screened),
    ['jun', briefingOf(carryOut([assess], screened), present)],
    ['hana', { kind: 'issue-permit', hours: 8, briefed: true, performer: 'jun' }],
  ];
}

export const PERMIT: Step[] = permitSteps(carryOut(USABLE));
/** Worked out at the first asking: a state of a job never changes, and many tests begin at the same ones. */
const once = (make: () => DossierState): (() => DossierState) => {
  let made: DossierState;
  return () => (made ??= make());
};

/** Everything but the issue itself. */
export const APPROVED = once(() => carryOut([...USABLE, ...fieldSteps(), ...PERMIT.slice(0, -1)]));
export const ISSUED = () => [...USABLE, ...fieldSteps(), ...PERMIT];
/** Said where work is finished although nobody was ever signed on. */
export const UNSIGNED = { who: 'the crew', reason: 'signed on by hand, on paper' } as const;
export const HANDED_BACK: Step[] = [
  ['hana', { kind: 'sign-on', person: 'kit', lock: 'W-02' }],
  ['kit', { kind: 'sign-off', person: 'kit', lock: 'W-02' }],
  ['jun', { kind: 'hand-back', cleared: true, finished: true, remarks: '' }],
  ['hana', { kind: 'close-permit', inspected: 'seal dry' }],
];

export const LEAK_TEST = {
  kind: 'leak-test',
  section: 'P201-CAS',
  fluid: 'liquid',
  from_bar: 2,
  to_bar: 2,
  minutes: 10,
  resolution_bar: 0.02,
  weeps: false,
  seen: 'dry round the seal',
} satisfies Command;
export const SEE_START = {
  kind: 'see-start',
  told: 'control room and pump hall',
  clear: true,
  ran: true,
  sight: 'seen',
  seen: 'runs quiet and dry',
} satisfies Command;

export function restoreSteps(state: DossierState): Step[] {
  const order = state && findWorkOrder(state, site);
  if (!state || !order) throw new Error('no work order');
  const back = order.restore.map(({ kind, subject }): Step => {
    if (kind === 'unlock' || kind === 'blind-out') {
      return [state.isolation.locked[subject]?.by ?? '', { kind: 'unlock-point', link: subject }];
    }
    const by = BY_ROLE[disciplineOf(site.graph, subject)] ?? '';
    if (kind === 'free-store') return [by, { kind: 'free-store', store: subject }];
    const off = kind === 'earth-off' ? { off: { reversed: true, clear: true } } : {};
    return [by, { kind: 'close-outlet', outlet: subject, ...off }];
  });
  const { graph } = site;
  const earths = Object.keys(state.isolation.earths).length;
  const lastEarth = order.restore.filter(({ kind }) => kind === 'earth-off').length;
  if (earths > 0) {
    back.splice(lastEarth, 0, ['elif', { kind: 'count-earths', counted: earths }]);
  }
  const walk = listLineup(graph, order).map(({ point, normal }): Step => [
    'cora',
    { kind: 'walk-lineup', point, found: normal, end: 'plugged' },
  ]);
  const tests = listLeakTests(state, site).map(({ section, least_bar }): Step => [
    'cora',
    { ...LEAK_TEST, section, from_bar: least_bar ?? 1, to_bar: least_bar ?? 1 },
  ]);
  // Once the blinds are out and before any lock that holds the line comes off.
  const firstLock = order.restore.findIndex(({ kind }) => kind === 'unlock');
  back.splice(firstLock + (earths > 0 ? 1 : 0), 0, ...tests);
  return [
    ['ada', { kind: 'open-box' }],
    ...back,
    ...walk,
    ...[...listForeign(state, site).keys()].map((operator): Step => [
      'ada',
      { kind: 'return-clearance', operator, person: 'their shift engineer', seen: 'all off' },
    ]),
    ['cora', SEE_START],
    ['cora', { kind: 'take-back', told: 'control room' }],
    ['ada', { kind: 'close-job' }],
  ];
}

/** The seal change with other answers to the screening, issued. */
export const ISSUED_WITH = (...yes: QuestionCode[]): DossierState => {
  const key = [...yes].sort().join();
  const known =
    issuedWith.get(key) ?? carryOut([...fieldSteps(), ...permitSteps(WALKED(), yes)], WALKED());
  issuedWith.set(key, known);
  return known;
};
const issuedWith = new Map<string, DossierState>();
/** The steps of a job under permit with its first worker signed on. */
export const ON_STEPS = (): Step[] => [...ISSUED(), HANDED_BACK[0] as Step];
export const LIVE = once(() => carryOut(ISSUED()));
export const ON = once(() => carryOut([HANDED_BACK[0] as Step], LIVE()));
export const ACCEPTED = once(() => carryOut(REVIEWED));
export const WALKED = once(() => carryOut(USABLE));
export const STOPPED = once(() => carryOut(fieldSteps().slice(0, 2), WALKED()));
export const PROVING = once(() => {
  const field = fieldSteps();
  return carryOut(
    field.slice(
      0,
      field.findIndex(([, command]) => command.kind === 'prove'),
    ),
    WALKED(),
  );
});
/** The site with one more section that nothing feeds, and a plan put together for work on it. */
export const lonelySite: SiteFacts = {
  ...site,
  graph: buildGraph({
    ...plant.value,
    sections: [
      ...plant.value.sections,
      {
        id: 'LONE',
        name: 'pipe on trestles',
        medium: 'DIG',
        area: plant.value.sections[0]?.area ?? '',
      },
    ],
  }),
};
export const LONELY = (): DossierState => {
  const mark = { by: 'ada', at: START };
  const work = [{ section: 'LONE', activity: 'touch' as const }];
  const raised = evolveDossier(undefined, { ...RAISE, kind: 'job-raised', work }, mark);
  return evolveDossier(
    raised,
    { kind: 'plan-drafted', origin: 'own', close: [], open: [], restrain: [] },
    mark,
  );
};

/** Everything proved, nothing tried yet. */
export const PROVED = once(() => {
  const field = fieldSteps();
  const tried = field.findIndex(([, command]) => command.kind === 'try-start');
  return carryOut(field.slice(0, tried), WALKED());
});
export const voltageProof = (more: object): Command => ({
  kind: 'prove',
  proof: 'voltage:P201-CBL',
  reading: 0,
  unit: 'V',
  instrument: 'VT-11',
  round: deadRound(),
  ...more,
});
export const firstLock = (more: object): Command => ({
  kind: 'lock-point',
  link: 'CB-P201',
  lock: 'E-01',
  tag: 'T1',
  ...more,
});
export const label = (more: object): Command => ({
  kind: 'check-label',
  point: 'HV-2001',
  found: 'as-drawn',
  note: '',
  ...more,
});
export const noted = (more: object): Command => ({
  kind: 'note-calculation',
  calculation: 'raised-mass',
  subject: 'ST-P201-SPR',
  inputs: { mass: { value: 10, unit: 'kg' }, height: { value: 1, unit: 'm' } },
  ...more,
});
/** The site after someone drew a bypass round a closed valve that the plan does not know. */
export const outgrownSite: SiteFacts = {
  ...site,
  newest: {
    version: 2,
    graph: buildGraph({
      ...plant.value,
      links: [
        ...plant.value.links,
        { id: 'HV-NEW', kind: 'ball-valve', between: ['D1-LIQ', 'P201-CAS'] },
      ],
    }),
  },
};
/** The site on which things of the seal change have other ids now; the drawing says which. */
export const renamedSite: SiteFacts = {
  ...site,
  newest: {
    version: 2,
    graph: buildGraph({
      ...(JSON.parse(
        JSON.stringify(plant.value)
          .replaceAll('"P201-CAS"', '"P-201-CASING"')
          .replaceAll('"HV-2001"', '"HV-2001A"')
          .replaceAll('"P-201"', '"P-201A"'),
      ) as typeof plant.value),
      renamed: [
        { id: 'P201-CAS', now: 'P-201-CASING' },
        { id: 'HV-2001', now: 'HV-2001A' },
        { id: 'P-201', now: 'P-201A' },
      ],
    }),
  },
};
/** The site on a drawing that does not say what its gas gives off. */
export const unsaidSite: SiteFacts = {
  ...site,
  graph: buildGraph({
    ...plant.value,
    media: plant.value.media.map((one) =>
      one.id === 'BIOGAS' ? { ...one, gases: undefined } : one,
    ),
  }),
};
export const LATE = '2026-11-24T23:00:00.000Z';
export const ISSUE: Command = { kind: 'issue-permit', hours: 8, briefed: true, performer: 'jun' };

/** One row of a table of refusals: label, state before, who, what, the codes expected, facts that differ. */
export type RefusalRow = [
  string,
  () => DossierState,
  string,
  Command,
  RuleCode[],
  Partial<Context>?,
];

/** A crew of contractors comes, and one of it signs on. */
export const OXMOOR_ON: Step[] = [
  [
    'hana',
    {
      kind: 'hang-crew-lock',
      crew: 'Oxmoor Electrical',
      lead: 'nell',
      lock: 'L-1',
      verified: 'every lock and tag, and the round at CB-P201',
    },
  ],
  ['hana', { kind: 'sign-on', person: 'otto', lock: 'W-06', crew: 'Oxmoor Electrical' }],
];

/** Issued, with a lock of each worker on each point instead of a box. */
export const EACH_POINT = once(() => {
  const field = fieldSteps().filter(([, { kind }]) => kind !== 'lock-box');
  const choice: Step = ['ada', { kind: 'choose-lockout', way: 'each-point' }];
  return carryOut([...USABLE, choice, ...field, ...PERMIT]);
});
export const HASPS: Step[] = PLAN.close.map((where) => ['elif', { kind: 'chain-hasp', where }]);

/** Jun Ravensworth's locks on every point, with some changed or left out. */
export function ownLocks(change: Record<string, string | undefined> = {}): Record<string, string> {
  const all = PLAN.close.map((point, n) => [point, `W-3${n + 1}`] as const);
  return Object.fromEntries(
    Object.entries({ ...Object.fromEntries(all), ...change }).flatMap(([point, lock]) =>
      lock === undefined ? [] : [[point, lock]],
    ),
  );
}
