import { writeFileSync } from 'node:fs';
import type { Command, DossierState } from '../src/core/job';
import type { QuestionCode } from '../src/core/permits';
import type { Scope } from '../src/core/plant';
import { stepsToWalkDown, withLocks } from '../tests/support/any-job';
import { check } from '../tests/support/refusal-rows/audits';
import {
  airTestOf,
  carryOut,
  fieldStepsOf,
  permitSteps,
  READY,
  restoreSteps,
  screenOf,
  type Step,
} from '../tests/support/seal-change';

/** One command of the morning: when it is given (min after the day shift begins), on which job, by whom. */
interface Entry {
  readonly at: number;
  readonly job: string;
  readonly actor: string;
  readonly command: Command;
}

/** Moments are written as if the day shift began here; whoever plays the file moves them. */
const WRITTEN_FOR = Date.parse('2000-01-01T06:00:00.000Z');

/** The instant so many minutes after the shift begins, as it is written. */
const instant = (minutes: number) => new Date(WRITTEN_FOR + minutes * 60_000).toISOString();

type Up = Parameters<typeof withLocks>[1];

type Later = readonly [at: number, ...step: Step];

interface Story {
  readonly job: string;
  readonly title: string;
  readonly equipment: string;
  readonly work: Scope['work'];
  readonly emptied?: readonly string[];
  /** Hours that it takes, where it is not 6. */
  readonly hours?: number;
  /** Planned and reviewed, but nobody has walked it down yet. */
  readonly isToWalk?: true;
  readonly yes?: readonly QuestionCode[];
  readonly up: Up;
  /** When planning begins, and when the field work does (min after the shift begins). */
  readonly plannedAt: number;
  readonly isolatedAt: number;
  /** How many of screening, assessing, approving, testing the air (for hot work), briefing and issuing are done, and when issuing begins. */
  readonly papers: number;
  readonly hatchAt: number;
  /** What follows while the permit is out, from the job as it was screened. */
  readonly then: readonly Later[] | ((screened: DossierState) => readonly Later[]);
}

/** What people of Quillmere answered at the briefing, by what it was about. */
const ANSWERS: Readonly<Record<string, string>> = {
  'left-inside': 'Beside it, never in line with the flange. It is loosened at the far side first.',
  pressure: 'Out past the gland, so nobody stands in line with it.',
  trapped: 'The rod could drop by its own weight. It is clamped.',
  shock: 'The bars behind the screen. Nobody takes that off.',
  toxic: 'Mask on, out by the ladder, upwind to the road.',
  asphyxiant: 'Nobody. I call, and winch them out from above.',
  corrosive: 'Beside the dosing pump. We ran it this morning.',
  confined: 'Everything. Tools stay down there.',
  zone: 'My telephone. It lies in the box at the gate.',
  'dropped-load': 'Rosa alone, by hand. Anyone may signal stop.',
  hot: 'The return line beside us. It is screened.',
  sparks: 'Down through the grating, on to the cable tray. It is covered.',
  flammable: 'The drain. Sol watches it.',
  lifting: 'The rotor, 40 kg. Two of us, with the trolley.',
  slips: 'The hose across the door. It is hung up now.',
  edges: 'The edge of the guard. We wear cut gloves.',
  beside: 'Nobody in the hall; the macerator is stopped.',
};

/** What waits until something has let down or run down. */
const LATE: readonly Command['kind'][] = ['prove', 'wait-out-store', 'try-start', 'lock-box'];
const LETTING_DOWN_MIN = 35;

function spread(job: string, steps: readonly Step[], from: number): Entry[] {
  return steps.map(([actor, command], n) => {
    const late = LATE.includes(command.kind) ? LETTING_DOWN_MIN : 0;
    return { at: from + late + n / 4, job, actor, command };
  });
}

/** Whoever leads, and those who sign on in a story. */
const listPresent = (then: readonly Later[]): string[] => {
  const on = then.flatMap(([, , command]) => (command.kind === 'sign-on' ? [command.person] : []));
  return [...new Set(['jun', ...on])];
};

/** A briefing with what people of Quillmere said. */
const answer = (command: Extract<Command, { kind: 'hold-briefing' }>): Command => ({
  ...command,
  points: command.points.map((point) => {
    return { ...point, answer: ANSWERS[point.topic] ?? point.answer };
  }),
});

function tell(story: Story): Entry[] {
  const { job, work, yes = [], up } = story;
  const plan = stepsToWalkDown(work, story);
  const walked = carryOut(plan);
  const box: Step = ['ada', { kind: 'lock-box', box: 'BOX-1', lock: 'C-1' }];
  const field = withLocks([...fieldStepsOf(walked), box], up);
  const then =
    typeof story.then === 'function'
      ? story.then(carryOut([['hana', screenOf(walked, yes)]], walked))
      : story.then;
  const at = instant(story.hatchAt);
  const papers = permitSteps(walked, yes, at, listPresent(then)).map(([actor, command]): Step => {
    if (command.kind === 'plan-entry')
      return [actor, { ...command, drilledAt: instant(-40 * 24 * 60) }];
    if (command.kind === 'hold-briefing') return [actor, answer(command)];
    if (command.kind !== 'issue-permit') return [actor, command];
    return [actor, { ...command, hours: undefined }];
  });
  return [
    ...spread(
      job,
      plan.filter(([, { kind }]) => !story.isToWalk || kind !== 'check-label'),
      story.plannedAt,
    ),
    ...(story.isolatedAt > story.plannedAt ? spread(job, field, story.isolatedAt) : []),
    ...papers.slice(0, story.papers).map(([actor, command], n): Entry => {
      return { at: n < 3 ? story.hatchAt - 3 + n : story.hatchAt, job, actor, command };
    }),
    ...then.map(([at, actor, command]) => ({ at, job, actor, command })),
  ];
}

const on = (at: number, person: string, lock: string, more: object = {}) =>
  [at, 'hana', { kind: 'sign-on', person, lock, ...more }] as const;
const off = (at: number, person: string, lock: string) =>
  [at, person, { kind: 'sign-off', person, lock }] as const;

const FLUSHING_THEN: readonly Later[] = [
  on(-1290, 'kit', 'W-02'),
  [-1250, 'kit', { kind: 'stop-work', reason: 'the packing nut would not move, a drip beside it' }],
  [-1240, 'hana', { kind: 'lift-stop', found: 'rain water from the roof; nut freed with oil' }],
  off(-1200, 'kit', 'W-02'),
  [-1190, 'jun', { kind: 'hand-back', cleared: true, finished: true, remarks: 'nut replaced' }],
  [-1180, 'hana', { kind: 'close-permit', inspected: 'dry under pressure of the hand pump' }],
];

const FLUSHING: Story = {
  job: 'flushing',
  title: 'Flushing valve repacked',
  equipment: 'P-202',
  work: [{ section: 'P202-FLU', activity: 'touch' }],
  up: { E: 0, P: 0, C: 0, BOX: 0 },
  plannedAt: -1440,
  isolatedAt: -1380,
  papers: 5,
  hatchAt: -1300,
  then: FLUSHING_THEN,
};

/** Blowing out a chamber of 9 m³: the chart and the field rule say 20 min. */
const PURGE: Command = {
  kind: 'start-purge',
  volume_m3: 9,
  blower_m3_min: 20,
  bends: 1,
  fan: 'supply',
  mixing: 0.3,
  chimneys: 1,
  gas: 'methane',
  start_pct: 0.3,
  oxygen_pct: 20.4,
  leak_m3_min: 0,
  intake: 'upwind, at the road',
};

const STOP_AT = 6 * 60;
/** A step before the stop of the digester: what, by whom, how long, after which. */
const before = (
  step: string,
  what: string,
  who: string,
  minutes: number,
  after: readonly string[] = [],
): Command => {
  const of = minutes === 0 ? 'ready' : 'plant';
  return { kind: 'plan-run-up', step, what, of, who, minutes, after: [...after] };
};
const BEFORE_THE_STOP: readonly Later[] = [
  [
    110,
    'ada',
    {
      kind: 'schedule-job',
      from: instant(STOP_AT),
      until: instant(STOP_AT + 600),
      operator: 'cora',
    },
  ],
  [111, 'cora', before('B1', 'Feed turned over to digester 1', 'cora', 30)],
  [112, 'cora', before('B2', 'Digester 2 drawn down to the buffer tank', 'dov', 120, ['B1'])],
  [113, 'cora', before('B3', 'Drawn-down lines flushed', 'cora', 25, ['B2'])],
  [114, 'cora', before('B4', 'Gas side swept with nitrogen', 'dov', 40, ['B2'])],
  [115, 'ada', before('B5', 'Spool, blanks and gaskets at the tank', 'gus', 0)],
  [121, 'gus', { kind: 'finish-run-up', step: 'B5', seen: 'all counted, on the pallet' }],
  [124, 'cora', { kind: 'begin-run-up', step: 'B1' }],
];

/** The drain of the filter is blown through: worked out and walked, and one message has gone to and fro. */
const BLOWN_THROUGH: readonly Later[] = [
  [
    127,
    'jun',
    {
      kind: 'plan-clearing',
      points: [
        { at_m: 0, height_m: 6, bore_mm: 200, parts: true },
        { at_m: 60, height_m: 5, bore_mm: 200, parts: true },
        { at_m: 130, height_m: 2, bore_mm: 200, parts: false },
        { at_m: 180, height_m: 4, bore_mm: 200, parts: true },
        { at_m: 240, height_m: 3, bore_mm: 200, parts: true },
      ],
      drive_bar: 1.5,
      relief_bar: 2,
      weakest_bar: 6,
      density: 1000,
      speed_m_min: 20,
      launcher: 'jun',
      catcher: 'rosa',
      stands: 'on the road, behind the pump house',
    },
  ],
  [128, 'jun', { kind: 'walk-line', seen: 'one sharp bend at 130 m, passable' }],
  [128.5, 'jun', { kind: 'send-message', to: 'rosa', said: 'no gas before the permit is out' }],
  [
    129,
    'rosa',
    { kind: 'read-back', message: 1, right: true, heard: 'no gas before the permit is out' },
  ],
];

const STORIES: readonly Story[] = [
  {
    job: 'press',
    title: 'Press ram gland',
    equipment: 'FP-1',
    work: [{ section: 'HYD-PRS', activity: 'touch' }],
    up: { E: 0, P: 0, C: 1, BOX: 1 },
    plannedAt: -600,
    isolatedAt: 2,
    papers: 5,
    hatchAt: 62,
    then: [
      [63, 'hana', { kind: 'give-copy', holder: 'Tarnbeck crew, at the press' }],
      on(70, 'kit', 'W-02'),
      [90, 'vik', { kind: 'see-points', firm: 'BC', points: ['CB-HP1'], how: 'tried the handle' }],
      [
        110,
        'quin',
        check(
          { tidy: { found: 'differs', seen: 'hose across the way out', putRight: 'hung up' } },
          1,
        ),
      ],
    ],
  },
  {
    job: 'bracket',
    title: 'Heating main bracket welded',
    equipment: 'HM-7',
    work: [{ section: 'HW-GAS', activity: 'touch' }],
    yes: ['spark'],
    up: { E: 2, P: 2, C: 2, BOX: 2 },
    plannedAt: -590,
    isolatedAt: 6,
    papers: Infinity,
    hatchAt: 75,
    then: [
      [
        80,
        'jun',
        { kind: 'take-duty', person: 'sol', duty: 'fire-watch', checked: READY['fire-watch'] },
      ],
      on(82, 'lena', 'W-03', { sparks: true }),
      off(105, 'lena', 'W-03'),
      [
        108,
        'jun',
        { kind: 'hand-back', cleared: true, finished: true, remarks: 'two welds', watcher: 'sol' },
      ],
      [
        122,
        'sol',
        {
          kind: 'make-round',
          person: 'sol',
          found: 'cold',
          seen: 'both sides of the main, lagging, drain cover',
          final: false,
        },
      ],
    ],
  },
  {
    job: 'chamber',
    title: 'Condensate chamber float switch',
    equipment: 'CC-1',
    work: [{ section: 'CH-1', activity: 'touch' }],
    yes: ['enter'],
    up: { E: 6, P: 8, C: 5, BOX: 5 },
    plannedAt: -585,
    isolatedAt: 8,
    papers: Infinity,
    hatchAt: 84,
    then: (screened) => [
      [
        88,
        'hana',
        { kind: 'take-duty', person: 'otto', duty: 'attendant', checked: READY.attendant },
      ],
      [89, 'otto', { kind: 'open-space', guard: 'rail round the hatch, sign on it' }],
      [90, 'otto', PURGE],
      on(110, 'lena', 'W-03'),
      [112, 'otto', { kind: 'end-purge', seen: 'clock over; the blower runs on' }],
      [114, 'finn', airTestOf(screened, 'entry', {}, instant(114))],
      [116, 'otto', { kind: 'enter-space', person: 'lena', tools: 4 }],
      [124, 'finn', airTestOf(screened, 'entry', { 'hydrogen-sulphide': 18 }, instant(124))],
      [125, 'otto', { kind: 'leave-space', person: 'lena', tools: 1 }],
    ],
  },
  {
    job: 'filter',
    title: 'Carbon filter change',
    equipment: 'CF-401',
    work: [{ section: 'CF-1', activity: 'open' }],
    yes: ['enter'],
    up: { E: 9, P: 10, C: 6, BOX: 6 },
    plannedAt: -575,
    isolatedAt: 60,
    // Everything but the test of the air, which it waits for.
    papers: 5,
    hatchAt: 126,
    then: BLOWN_THROUGH,
  },
  {
    job: 'belt',
    title: 'Compressor belt',
    equipment: 'AR-1',
    work: [{ section: 'AC1-SH', activity: 'touch' }],
    up: { E: 2, P: 4, C: 3, BOX: 3 },
    plannedAt: -580,
    isolatedAt: 80,
    papers: 3,
    hatchAt: 127,
    then: [],
  },
  {
    job: 'cylinder',
    title: 'Macerator air cylinder lifted out',
    equipment: 'MC-1',
    work: [{ section: 'AIR-MAC', activity: 'touch' }],
    yes: ['lift'],
    up: { E: 3, P: 0, C: 4, BOX: 4 },
    plannedAt: 20,
    isolatedAt: 0,
    papers: 2,
    hatchAt: 100,
    then: [],
  },
  {
    job: 'digester',
    title: 'Digester 2 stirrer blades inspected',
    equipment: 'D-2',
    work: [
      { section: 'D2-LIQ', activity: 'enter' },
      { section: 'D2-GAS', activity: 'enter' },
      { section: 'ST2-BL', activity: 'enter' },
    ],
    // The overflow line cannot be shut off from the buffer tank while the spool comes out.
    emptied: ['D2-LIQ', 'BT-LIQ'],
    hours: 10,
    isToWalk: true,
    yes: ['enter'],
    up: { E: 0, P: 0, C: 0, BOX: 0 },
    plannedAt: 100,
    isolatedAt: 0,
    papers: 2,
    hatchAt: 108,
    then: BEFORE_THE_STOP,
  },
  {
    job: 'ring',
    title: 'Ring main busbar cleaned',
    equipment: 'TX-1',
    work: [{ section: 'RMU-BUS', activity: 'touch' }],
    up: { E: 0, P: 0, C: 0, BOX: 0 },
    plannedAt: 112,
    isolatedAt: 0,
    papers: 0,
    hatchAt: 0,
    then: [
      [
        122,
        'ada',
        {
          kind: 'ask-clearance',
          operator: 'Holmfell Grid',
          whom: 'their control desk, by telephone, with the diagram',
          what: 'both intakes open and earthed',
        },
      ],
      [
        127,
        'elif',
        {
          kind: 'take-clearance',
          operator: 'Holmfell Grid',
          number: 'HG-2291',
          person: 'their shift engineer',
          isolates: 'intakes A and B, open and locked',
          earths: 'at both cable ends',
          until: instant(11 * 60),
        },
      ],
    ],
  },
];

function main(): void {
  const walked = carryOut(stepsToWalkDown(FLUSHING.work, FLUSHING));
  const box: Step = ['ada', { kind: 'lock-box', box: 'BOX-1', lock: 'C-1' }];
  const finished = FLUSHING_THEN.filter(
    ([, , { kind }]) => kind !== 'stop-work' && kind !== 'lift-stop',
  ).map(([, ...step]) => step);
  const steps = [...fieldStepsOf(walked), box, ...permitSteps(walked), ...finished];
  const back = restoreSteps(carryOut(steps, walked));
  const HELD_MIN = 15;
  const restored = back.map(([actor, command], n): Entry => {
    const isAfterHolding = n >= back.findIndex(([, { kind }]) => kind === 'leak-test');
    const late = isAfterHolding ? HELD_MIN : 0;
    return { at: -1170 + late + n / 2, job: FLUSHING.job, actor, command };
  });
  const entries = [...tell(FLUSHING), ...restored, ...STORIES.flatMap(tell)].sort(
    (a, b) => a.at - b.at,
  );
  writeFileSync(
    'demo/morning.json',
    `[\n${entries.map((entry) => JSON.stringify(entry)).join(',\n')}\n]\n`,
  );
}

main();
