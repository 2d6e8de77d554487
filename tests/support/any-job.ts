import { computeRequirement, joinStages, planIsolation } from '../../src/core/isolation';
import type { Command, DossierState } from '../../src/core/job';
import type { Scope } from '../../src/core/plant';
import { carryOut, RAISE, site, type Step } from './seal-change';

/** Wide enough for a good plan; whether it is the best of all is no matter here. */
const NARROW = { mostStates: 500, mostCells: 4_000, isOver: () => false };

/** The gauge in the condensate chamber, which the isolation of digester 2 cuts off from the gas that it samples. */
export const gaugeAlone = (now: string): Step => [
  'hana',
  {
    kind: 'allow-bypass',
    device: 'GS-CH',
    until: new Date(Date.parse(now) + 8 * 3_600_000).toISOString(),
    standsIn: 'nobody goes near the chamber',
    reason: 'its line is shut off',
  },
];

/** The steps of a job on any place of work at Quillmere, planned for least effort, up to the walk-down. */
export function stepsToWalkDown(
  work: Scope['work'],
  more: {
    readonly hours?: number;
    readonly title?: string;
    readonly equipment?: string;
    readonly emptied?: readonly string[];
  } = {},
): Step[] {
  const { graph, policy } = site;
  const { hours = 6, title = RAISE.title, equipment = RAISE.equipment } = more;
  const emptied = more.emptied ? { emptied: [...more.emptied] } : {};
  const scope: Scope = { work, hours, ...emptied };
  const { answers } = planIsolation(graph, computeRequirement(graph, scope, {}, policy), NARROW);
  const { close, open, restrain, stand = [] } = joinStages(answers.effort);
  return [
    ['ada', { ...RAISE, title, equipment, work: [...work], hours, ...emptied }],
    [
      'ada',
      {
        kind: 'draft-plan',
        origin: 'effort',
        close: [...close],
        open: [...open],
        restrain: [...restrain],
        stand: [...stand],
      },
    ],
    ['ada', { kind: 'submit-plan', drawingChecked: false }],
    ['hana', { kind: 'accept-plan', note: '' }],
    ...[...close, ...open, ...restrain, ...stand].map((point): Step => [
      'cora',
      { kind: 'check-label', point, found: 'as-drawn', note: '' },
    ]),
  ];
}

/** A job on any place of work at Quillmere, planned for least effort and walked down. */
export const walkedDown = (work: Scope['work'], hours = 6): DossierState =>
  carryOut(stepsToWalkDown(work, { hours }));

/** The same steps with other locks and boxes: each set's numbers go up by so many, so that jobs stand side by side. */
export function withLocks(
  steps: readonly Step[],
  up: Readonly<Record<'E' | 'P' | 'C' | 'BOX', number>>,
): Step[] {
  const move = (value: unknown) => {
    const found = typeof value === 'string' ? /^(E|P|C|BOX)-(\d+)$/.exec(value) : null;
    if (!found) return value;
    const [, set, digits = ''] = found;
    const number = Number(digits) + up[set as keyof typeof up];
    return `${set}-${String(number).padStart(digits.length, '0')}`;
  };
  return steps.map(([actor, command]) => {
    const { kind } = command;
    if (kind !== 'lock-point' && kind !== 'lock-box') return [actor, command];
    const moved = Object.entries(command).map(([key, value]) => [
      key,
      key === 'lock' || key === 'box' ? move(value) : value,
    ]);
    return [actor, Object.fromEntries(moved) as Command];
  });
}
