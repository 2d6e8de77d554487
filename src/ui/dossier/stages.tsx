import type { Stage } from '../../core/job';

const STAGES: readonly { readonly stage: Stage; readonly label: string }[] = [
  { stage: 'plan', label: 'Trace and plan' },
  { stage: 'review', label: 'Review' },
  { stage: 'walk-down', label: 'Walk down' },
  { stage: 'isolate', label: 'Isolate and prove' },
  { stage: 'permit', label: 'Permit' },
  { stage: 'work', label: 'Work' },
  { stage: 'restore', label: 'Restore' },
  { stage: 'closed', label: 'Closed' },
];

/** The stages of a job in a row, with the one that it is at marked. */
export function Stages({ stage }: { readonly stage: Stage }) {
  const here = STAGES.findIndex((one) => one.stage === stage);
  return (
    <ol aria-label="Stages" className="flex flex-wrap items-center gap-y-1 text-sm">
      {STAGES.map(({ stage: one, label }, index) => (
        <li
          key={one}
          aria-current={index === here ? 'step' : undefined}
          className="flex items-center whitespace-nowrap"
        >
          {index > 0 && <span aria-hidden className="mx-1 h-px w-3 bg-base-content/40" />}
          <span
            className={
              index === here ? 'rounded bg-primary px-2 py-0.5 font-bold text-primary-content' : ''
            }
          >
            {index < here ? '✓ ' : ''}
            {label}
          </span>
        </li>
      ))}
    </ol>
  );
}
