import type { RunUpStep } from '../../run-up/run-up';
import type { JobEvent } from '../events';
import type { Dossier, Mark } from '../state';

type Kept = Pick<Dossier, 'runUp' | 'calls'>;

const change = (
  steps: readonly RunUpStep[],
  id: string,
  to: (step: RunUpStep) => RunUpStep,
): RunUpStep[] => steps.map((step) => (step.id === id ? to(step) : step));

/** What is done before the hour of a stop. A job whose scope changes is given over anew: the plant may not be ready for that. */
export function evolveRunUp({ runUp, calls }: Kept, event: JobEvent, mark: Mark): Kept {
  switch (event.kind) {
    case 'run-up-planned': {
      const { step: id, what, of: kind, who, minutes, after } = event;
      const planned = { id, what, kind, who, minutes, after };
      const isKnown = runUp.some((step) => step.id === id);
      return { calls, runUp: isKnown ? change(runUp, id, () => planned) : [...runUp, planned] };
    }
    case 'run-up-dropped':
      return {
        calls,
        runUp: runUp
          .filter(({ id }) => id !== event.step)
          .map((step) => ({ ...step, after: step.after.filter((id) => id !== event.step) })),
      };
    case 'run-up-begun':
      return { calls, runUp: change(runUp, event.step, (step) => ({ ...step, begun: mark })) };
    case 'run-up-finished': {
      const done = { ...mark, seen: event.seen };
      return { calls, runUp: change(runUp, event.step, (step) => ({ ...step, done })) };
    }
    case 'window-called': {
      const { whom, said } = event;
      return { runUp, calls: { ...calls, [event.call]: { ...mark, whom, said } } };
    }
    case 'scope-changed':
      return { runUp, calls: {} };
    default:
      return { runUp, calls };
  }
}
