'use client';

import type { TestRun } from '../../core/job';
import { isHeld } from '../../core/job/permit-record';
import { SightField } from './sight-field';
import { useCommand } from '../command/use-command';
import { SmallForm, TextField } from '../kit/field';
import { Panel } from '../kit/panel';
import type { DossierProps } from './types';

/** A test that is sanctioned: the named points to be lifted, in order, and its end. */
function OpenTest({ test, props }: { readonly test: TestRun; readonly props: DossierProps }) {
  const run = useCommand();
  const { names, view } = props;
  const left = view.restore.filter(
    ({ subject }) => test.points.includes(subject) && !test.lifted.includes(subject),
  );
  return (
    <>
      <p>
        <strong>{test.purpose}</strong>, sanctioned by {names[test.by] ?? test.by} with{' '}
        {names[test.performer] ?? test.performer}. Nobody signs on before it is over and everything
        is isolated and proved again.
      </p>
      <ul className="flex flex-col gap-1">
        {test.lifted.map((point) => (
          <li key={point}>
            ✓ <span className="font-mono">{point}</span> lifted
          </li>
        ))}
        {left.map(({ subject, group }) => (
          <li key={subject} data-lift={subject} className="flex flex-wrap items-center gap-2">
            <span className="w-28 font-mono">{subject}</span>
            {group === left[0]?.group && (
              <button
                className="btn btn-sm max-sm:h-11"
                onClick={() => void run({ kind: 'lift-for-test', point: subject })}
              >
                Lift {subject}
              </button>
            )}
          </li>
        ))}
      </ul>
      {left.length === 0 && (
        <SmallForm
          button="Record the test run"
          onSend={(read) =>
            void run({
              kind: 'run-test',
              ran: true,
              sight: read('sight') === 'seen' ? 'seen' : 'message',
              seen: read('seen'),
            })
          }
        >
          <SightField />
          <TextField label="What was seen" name="seen" />
        </SmallForm>
      )}
      <SmallForm
        button="Call the test off"
        onSend={(read) => void run({ kind: 'run-test', ran: false, seen: read('why') })}
      >
        <TextField label="Why it is not run" name="why" />
      </SmallForm>
    </>
  );
}

/** Sanction to test: named points lifted for a run, or for an inch of a rotor before the last lock. */
export function TestPanel(props: DossierProps) {
  const run = useCommand();
  const { view } = props;
  const { test } = view.dossier.isolation;
  if (test) {
    return (
      <Panel title="Sanction to test" spot="test-run">
        <OpenTest test={test} props={props} />
      </Panel>
    );
  }
  const what = isHeld(view.dossier.permit) ? 'run' : 'inch';
  const standing = view.restore.filter(({ done }) => !done);
  if (standing.length === 0) return null;
  return (
    <details className="border-t-2 border-base-content pt-2">
      <summary className="cursor-pointer font-bold">
        {what === 'run' ? 'Sanction a test run' : 'Sanction an inch or spot of a rotor'}
      </summary>
      <SmallForm
        button="Sanction with both signatures"
        onSend={(read) =>
          void run({
            kind: 'sanction-test',
            what,
            purpose: read('purpose'),
            points: standing
              .map(({ subject }) => subject)
              .filter((subject) => read(`lift ${subject}`) === 'on'),
            clear: read('clear') === 'on',
            performer: view.dossier.performer,
          })
        }
      >
        <TextField label="What is tested" name="purpose" />
        <fieldset className="flex w-full flex-wrap gap-x-4 border-l-4 border-base-300 pl-2">
          <legend className="text-sm font-bold">Points to lift</legend>
          {standing.map(({ subject }) => (
            <label key={subject} className="flex items-center gap-1 font-mono text-sm max-sm:h-11">
              <input type="checkbox" name={`lift ${subject}`} className="checkbox checkbox-sm" />
              {subject}
            </label>
          ))}
        </fieldset>
        <label className="flex items-center gap-1 text-sm">
          <input type="checkbox" name="clear" className="checkbox checkbox-sm" /> everyone is off;
          the place was walked round and is clear
        </label>
      </SmallForm>
    </details>
  );
}
