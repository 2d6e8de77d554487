import type { Stage } from '../../core/job';

export const STAGE_LABELS: Readonly<Record<Stage, string>> = {
  plan: 'Trace and plan',
  review: 'Review',
  'walk-down': 'Walk down',
  isolate: 'Isolate and prove',
  permit: 'Permit',
  work: 'Work',
  restore: 'Restore',
  closed: 'Closed',
};

const STAGES = Object.keys(STAGE_LABELS) as Stage[];

/** The stages of a job in a row, with the one that it is at marked. */
export function Stages({ stage }: { readonly stage: Stage }) {
  const here = STAGES.indexOf(stage);
  return (
    <ol aria-label="Stages" className="flex flex-wrap items-center gap-y-1 text-sm">
      {STAGES.map((one, index) => (
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
            {STAGE_LABELS[one]}
          </span>
        </li>
      ))}
    </ol>
  );
}
