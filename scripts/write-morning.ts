import { writeFileSync } from 'node:fs';
import type { Command } from '../src/core/job';
import type { QuestionCode } from '../src/core/permits';
import type { Scope } from '../src/core/plant';
import { stepsToWalkDown, withLocks } from '../tests/support/any-job';
import { check } from '../tests/support/refusal-rows/audits';
import {
  carryOut,
  fieldStepsOf,
  permitSteps,
  READY,
  restoreSteps,
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

type Up = Parameters<typeof withLocks>[1];

interface Story {
  readonly job: string;
  readonly title: string;
  readonly equipment: string;
  readonly work: Scope['work'];
  readonly yes?: readonly QuestionCode[];
  readonly up: Up;
  /** When planning begins, and when the field work does (min after the shift begins). */
  readonly plannedAt: number;
  readonly isolatedAt: number;
  /** How many of screening, assessing, approving, testing the air (for hot work) and issuing are done, and when issuing begins. */
  readonly papers: number;
  readonly hatchAt: number;
  /** What follows while the permit is out. */
  readonly then: readonly (readonly [at: number, ...step: Step])[];
}

/** What waits until something has let down or run down. */
const LATE: readonly Command['kind'][] = ['prove', 'wait-out-store', 'try-start', 'lock-box'];
const LETTING_DOWN_MIN = 35;

function spread(job: string, steps: readonly Step[], from: number): Entry[] {
  return steps.map(([actor, command], n) => {
    const late = LATE.includes(command.kind) ? LETTING_DOWN_MIN : 0;
    return { at: from + late + n / 4, job, actor, command };
  });
}

function tell(story: Story): Entry[] {
  const { job, title, equipment, work, yes = [], up } = story;
  const plan = stepsToWalkDown(work, { title, equipment });
  const walked = carryOut(plan);
  const box: Step = ['ada', { kind: 'lock-box', box: 'BOX-1', lock: 'C-1' }];
  const field = withLocks([...fieldStepsOf(walked), box], up);
  const readAt = new Date(WRITTEN_FOR + story.hatchAt * 60_000).toISOString();
  const papers = permitSteps(walked, yes, readAt).map(([actor, command]): Step => {
    if (command.kind !== 'issue-permit') return [actor, command];
    return [actor, { ...command, hours: undefined }];
  });
  return [
    ...spread(job, plan, story.plannedAt),
    ...(story.isolatedAt > story.plannedAt ? spread(job, field, story.isolatedAt) : []),
    ...papers.slice(0, story.papers).map(([actor, command], n): Entry => {
      return { at: n < 3 ? story.hatchAt - 3 + n : story.hatchAt, job, actor, command };
    }),
    ...story.then.map(([at, actor, command]) => ({ at, job, actor, command })),
  ];
}

const on = (at: number, person: string, lock: string, more: object = {}) =>
  [at, 'hana', { kind: 'sign-on', person, lock, ...more }] as const;
const off = (at: number, person: string, lock: string) =>
  [at, person, { kind: 'sign-off', person, lock }] as const;

const FLUSHING: Story = {
  job: 'flushing',
  title: 'Flushing valve repacked',
  equipment: 'P-202',
  work: [{ section: 'P202-FLU', activity: 'touch' }],
  up: { E: 0, P: 0, C: 0, BOX: 0 },
  plannedAt: -1440,
  isolatedAt: -1380,
  papers: 4,
  hatchAt: -1300,
  then: [
    on(-1290, 'kit', 'W-02'),
    [
      -1250,
      'kit',
      { kind: 'stop-work', reason: 'the packing nut would not move, a drip beside it' },
    ],
    [-1240, 'hana', { kind: 'lift-stop', found: 'rain water from the roof; nut freed with oil' }],
    off(-1200, 'kit', 'W-02'),
    [-1190, 'jun', { kind: 'hand-back', cleared: true, finished: true, remarks: 'nut replaced' }],
    [-1180, 'hana', { kind: 'close-permit', inspected: 'dry under pressure of the hand pump' }],
  ],
};

const STORIES: readonly Story[] = [
  {
    job: 'press',
    title: 'Press ram gland',
    equipment: 'FP-1',
    work: [{ section: 'HYD-PRS', activity: 'touch' }],
    up: { E: 0, P: 0, C: 1, BOX: 1 },
    plannedAt: -600,
    isolatedAt: 2,
    papers: 4,
    hatchAt: 62,
    then: [
      [63, 'hana', { kind: 'give-copy', holder: 'Tarnbeck crew, at the press' }],
      on(70, 'kit', 'W-02'),
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
    ],
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
];

function main(): void {
  const walked = carryOut(stepsToWalkDown(FLUSHING.work, FLUSHING));
  const box: Step = ['ada', { kind: 'lock-box', box: 'BOX-1', lock: 'C-1' }];
  const finished = FLUSHING.then
    .filter(([, , { kind }]) => kind === 'hand-back' || kind === 'close-permit')
    .map(([, ...step]) => step);
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
