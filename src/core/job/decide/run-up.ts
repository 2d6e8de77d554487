import { refuse, type Refusal } from '../../rules/refuse';
import { findTwice, orderSteps, type RunUpStep } from '../../run-up/run-up';
import { requireRole } from '../authority';
import { type CommandOf } from '../commands';
import { listStanding } from '../gates-back';
import { findCoolingMinutes } from '../run-up';
import { findWorkOrder, type Context } from '../site';
import { isFreed, type Dossier } from '../state';
import { nameOf, type Outcome } from './outcome';
import { minutesLeft } from './turn';

type RunUp = CommandOf<
  'plan-run-up' | 'drop-run-up' | 'begin-run-up' | 'finish-run-up' | 'call-window'
>;

const findStep = ({ runUp }: Dossier, id: string): RunUpStep | undefined =>
  runUp.find((step) => step.id === id);

/** A step that was begun or finished stays as it was planned. */
const requireUntouched = (step: RunUpStep | undefined): Refusal[] =>
  step?.begun || step?.done ? [refuse('run-up-underway', { step: step.what })] : [];

function requireCooled(dossier: Dossier, { of, minutes }: CommandOf<'plan-run-up'>): Refusal[] {
  if (of !== 'cool') return [];
  const needed = findCoolingMinutes(dossier);
  if (needed === undefined) return [refuse('run-up-cooling-unknown')];
  return minutes < needed ? [refuse('run-up-cooling-short', { needed, minutes })] : [];
}

function decidePlan(
  dossier: Dossier,
  command: CommandOf<'plan-run-up'>,
  context: Context,
): Outcome {
  const { step: id, what, of: kind, who, minutes, after } = command;
  const { runUp, window } = dossier;
  const unknown = after.filter((before) => before !== id && !findStep(dossier, before));
  const steps = [...runUp.filter((one) => one.id !== id), { id, what, kind, who, minutes, after }];
  const twice = window && findTwice(steps, window.from);
  return {
    refusals: [
      ...(window ? [] : [refuse('run-up-no-hour')]),
      ...requireRole(context, who, []),
      ...unknown.map((step) => refuse('run-up-unknown', { step })),
      ...requireUntouched(findStep(dossier, id)),
      ...requireCooled(dossier, command),
      ...(orderSteps(steps) === undefined ? [refuse('run-up-circle', { step: what })] : []),
      ...(twice
        ? [
            refuse('run-up-twice', {
              person: nameOf(context, who),
              one: twice[0].what,
              other: twice[1].what,
            }),
          ]
        : []),
    ],
    event: { ...command, kind: 'run-up-planned' },
  };
}

/** Whoever is named does a step, or whoever runs the plant. */
const requireNamed = ({ who, what }: RunUpStep, context: Context): Refusal[] =>
  who === context.actor || requireRole(context, context.actor, ['area-operator']).length === 0
    ? []
    : [refuse('run-up-not-theirs', { step: what, person: nameOf(context, who) })];

function requireBefore(dossier: Dossier, { after }: RunUpStep): Refusal[] {
  const [open] = after.flatMap((id) => {
    const before = findStep(dossier, id);
    return before && !before.done ? [before] : [];
  });
  return open ? [refuse('run-up-too-early', { before: open.what })] : [];
}

function requireFinished(step: RunUpStep, now: string): Refusal[] {
  const { kind, begun, what, minutes } = step;
  if (kind === 'ready') return [];
  if (!begun) return [refuse('run-up-not-begun', { step: what })];
  const left = kind === 'cool' ? minutesLeft(begun.at, minutes * 60, now) : 0;
  return left > 0 ? [refuse('run-up-still-hot', { step: what, minutes: left })] : [];
}

function decideStep(
  dossier: Dossier,
  command: CommandOf<'begin-run-up' | 'finish-run-up'>,
  context: Context,
): Outcome {
  const isBeginning = command.kind === 'begin-run-up';
  const event = isBeginning
    ? { ...command, kind: 'run-up-begun' as const }
    : { ...command, kind: 'run-up-finished' as const };
  const step = findStep(dossier, command.step);
  if (!step) return { refusals: [refuse('run-up-unknown', { step: command.step })], event };
  const isDone = step.done !== undefined || (isBeginning && step.begun !== undefined);
  return {
    refusals: [
      ...requireNamed(step, context),
      ...requireBefore(dossier, step),
      ...(isDone ? [refuse('already-done', { what: step.what })] : []),
      ...(isBeginning || isDone ? [] : requireFinished(step, context.now)),
    ],
    event,
  };
}

function decideCall(
  dossier: Dossier,
  command: CommandOf<'call-window'>,
  context: Context,
): Outcome {
  const { runUp, calls } = dossier;
  const event = { ...command, kind: 'window-called' as const };
  if (command.call === 'ready') {
    const open = runUp.filter(({ done }) => done === undefined).map(({ what }) => what);
    return {
      refusals: [
        ...requireRole(context, context.actor, ['area-operator']),
        ...(runUp.length > 0 ? [] : [refuse('run-up-unknown', { step: 'at all' })]),
        ...(calls.ready ? [refuse('already-done', { what: 'The call' })] : []),
        ...(open.length > 0 ? [refuse('run-up-open', { steps: open.join('; ') })] : []),
      ],
      event,
    };
  }
  const order = findWorkOrder(dossier, context.site);
  const standing = order ? listStanding(dossier, order) : [];
  return {
    refusals: [
      ...requireRole(context, context.actor, ['coordinator', 'issuing-authority']),
      ...(calls.ready ? [] : [refuse('window-not-called')]),
      ...(calls.back ? [refuse('already-done', { what: 'The call' })] : []),
      ...(isFreed(dossier.permit) ? [] : [refuse('permit-open')]),
      ...(standing.length > 0 ? [refuse('points-locked', { points: standing.join(', ') })] : []),
    ],
    event,
  };
}

/** Decides what is planned and done before the hour of a stop, and the calls that give the plant over and back. */
export function decideRunUp(dossier: Dossier, command: RunUp, context: Context): Outcome {
  switch (command.kind) {
    case 'plan-run-up':
      return decidePlan(dossier, command, context);
    case 'drop-run-up': {
      const step = findStep(dossier, command.step);
      return {
        refusals: step
          ? requireUntouched(step)
          : [refuse('run-up-unknown', { step: command.step })],
        event: { ...command, kind: 'run-up-dropped' },
      };
    }
    case 'begin-run-up':
    case 'finish-run-up':
      return decideStep(dossier, command, context);
    case 'call-window':
      return decideCall(dossier, command, context);
  }
}
