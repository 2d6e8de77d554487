'use client';

import type { Command } from '../../core/job';
import type { Step } from '../../core/sequence';
import { useCommand } from '../command/use-command';
import { ChoiceField, Panel, SmallForm, TextField } from './field';
import { ProveForm } from './prove-form';
import type { DossierProps } from './types';

const PHASE_NAMES: Readonly<Record<Step['phase'], string>> = {
  tell: 'Tell',
  stop: 'Stop',
  'isolate-drives': 'Isolate drives',
  'isolate-flows': 'Isolate flows',
  'let-down': 'Let down',
  restrain: 'Restrain',
  wait: 'Wait out',
  prove: 'Prove',
  'try-start': 'Try to start',
  fit: 'Fit positive',
  earth: 'Earth',
};

const tagOf = (jobId: string, subject: string) => `${jobId}/${subject}`;

/** A tag alone holds nothing: only where no lock can be fitted, with what holds besides, accepted by name. */
function TagAlone({ link, props }: { readonly link: string; readonly props: DossierProps }) {
  const run = useCommand();
  return (
    <details>
      <summary className="cursor-pointer text-sm">No lock can be fitted</summary>
      <SmallForm
        button="Closed and tagged, without a lock"
        onSend={(read) =>
          void run({
            kind: 'tag-point',
            link,
            tag: tagOf(props.jobId, link),
            reason: read('reason'),
            measure: read('measure'),
            accepter: read('accepter'),
          })
        }
      >
        <TextField label="Why no lock can be fitted" name="reason" />
        <TextField label="What keeps it shut besides" name="measure" />
        <ChoiceField
          label="Issuing authority who accepts it"
          name="accepter"
          options={props.choices.people
            .filter(({ issues }) => issues)
            .map(({ id, name }) => ({ id, label: name }))}
        />
      </SmallForm>
    </details>
  );
}

function StepForm({ step, props }: { readonly step: Step; readonly props: DossierProps }) {
  const command = useCommand();
  const run = (one: Command) => void command(one);
  const { jobId, choices } = props;
  switch (step.phase) {
    case 'tell':
      return (
        <SmallForm
          button="Told"
          onSend={(read) => run({ kind: 'tell-affected', who: read('who') })}
        >
          <TextField label="Who was told" name="who" />
        </SmallForm>
      );
    case 'stop':
      return (
        <SmallForm
          button="Stopped"
          onSend={(read) => run({ kind: 'stop-plant', how: read('how') })}
        >
          <TextField label="How it was stopped" name="how" />
        </SmallForm>
      );
    case 'isolate-drives':
    case 'isolate-flows':
    case 'fit': {
      const electrical = step.phase === 'isolate-drives';
      const free = choices.locks.filter(
        ({ use, busy, id }) => use === 'point' && !busy && id.startsWith(electrical ? 'E' : 'P'),
      );
      return (
        <>
          <SmallForm
            button="Closed, locked, tagged"
            onSend={(read) =>
              run({ kind: 'lock-point', link: step.subject, lock: read('lock'), tag: read('tag') })
            }
          >
            <ChoiceField
              label="Lock"
              name="lock"
              options={free.map(({ id }) => ({ id, label: id }))}
            />
            <TextField label="Tag" name="tag" value={tagOf(jobId, step.subject)} />
          </SmallForm>
          <TagAlone link={step.subject} props={props} />
        </>
      );
    }
    case 'let-down':
    case 'earth':
      return (
        <SmallForm
          button="Opened"
          onSend={(read) => run({ kind: 'open-outlet', outlet: step.subject, tag: read('tag') })}
        >
          <TextField label="Tag" name="tag" value={tagOf(jobId, step.subject)} />
        </SmallForm>
      );
    case 'restrain':
      return (
        <SmallForm
          button="Restrained"
          onSend={(read) => run({ kind: 'restrain-store', store: step.subject, how: read('how') })}
        >
          <TextField label="How it is held" name="how" />
        </SmallForm>
      );
    case 'wait':
      return (
        <SmallForm
          button="Run down"
          onSend={(read) =>
            run({ kind: 'wait-out-store', store: step.subject, seen: read('seen') })
          }
        >
          <TextField label="What was seen" name="seen" />
        </SmallForm>
      );
    case 'prove':
      return <ProveForm proof={step.subject} props={props} run={run} />;
    case 'try-start':
      return (
        <div className="flex gap-2">
          <button
            className="btn btn-primary btn-sm max-sm:h-11"
            onClick={() => run({ kind: 'try-start', station: step.subject, moved: false })}
          >
            It did not start; control is off
          </button>
          <button
            className="btn btn-error btn-sm max-sm:h-11"
            onClick={() => run({ kind: 'try-start', station: step.subject, moved: true })}
          >
            It moved
          </button>
        </div>
      );
  }
}

/** The work order in the field: what is done, the next steps with their forms, and the lock box. */
export function IsolatePanel(props: DossierProps) {
  const { steps } = props.view;
  const next = steps.findIndex((step) => !step.done);
  const current = steps[next];
  return (
    <Panel title="Isolate, let down and prove">
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
                {open && <StepForm step={step} props={props} />}
              </div>
            </li>
          );
        })}
      </ol>
    </Panel>
  );
}
