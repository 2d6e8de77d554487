'use client';

import { Panel } from '../kit/panel';
import { PHASE_NAMES } from './names';
import { StepForm } from './step-form';
import type { DossierProps } from './types';
import { WatchRow } from './watch-row';

/** The work order in the field: what is done, the next steps with their forms, and the lock box. */
export function IsolatePanel(props: DossierProps) {
  const { steps } = props.view;
  const next = steps.findIndex((step) => !step.done);
  const current = steps[next];
  return (
    <Panel title="Isolate, let down and prove" spot="steps">
      <ol className="flex flex-col">
        {steps.map((step, index) => {
          const open =
            !step.done &&
            current !== undefined &&
            step.phase === current.phase &&
            step.layer === current.layer;
          return (
            <li
              key={step.phase + step.subject}
              data-step={step.phase}
              data-subject={step.subject}
              className={`grid grid-cols-[2rem_1fr] gap-x-2 sm:grid-cols-[2rem_7rem_1fr] border-t border-base-300 py-1 ${open ? 'bg-base-200' : ''}`}
            >
              <span className="font-mono">{index + 1}</span>
              <span className="text-sm">{PHASE_NAMES[step.phase]}</span>
              <div className="flex flex-col gap-1 max-sm:col-start-2">
                <span>
                  {step.done ? '✓ ' : ''}
                  {step.words}
                </span>
                {step.subject in props.view.shared && (
                  <span className="text-sm">
                    {props.view.shared[step.subject]} holds it as well: hang a lock of this job
                    beside theirs.
                  </span>
                )}
                {step.subject in props.view.dossier.isolation.watched ? (
                  <WatchRow outlet={step.subject} step={step} props={props} />
                ) : (
                  open && <StepForm step={step} props={props} />
                )}
              </div>
            </li>
          );
        })}
      </ol>
    </Panel>
  );
}
