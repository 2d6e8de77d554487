'use client';

import { useCommand } from '../../command/use-command';
import { Beside, Instant, useMoments } from '../../kit/moment';
import { Panel } from '../../kit/panel';
import { SmallForm, TextField } from '../../kit/field';
import type { DossierProps } from '../types';
import { PlanStep } from './plan-step';
import { RunUpPicture } from './run-up-picture';
import { RunUpRow } from './run-up-row';

/** What the plant being late costs, in one sentence. */
function SlipWords({ view, names }: Pick<DossierProps, 'view' | 'names'>) {
  const { instant } = useMoments();
  const { runUp } = view;
  if (!runUp) return null;
  const { slip_min, readyAt, hour, outage, lateCost, steps, isCalled } = runUp;
  const late = steps.find((step) => step.slip_min > 0);
  return (
    <>
      <p>
        Stop at <Beside at={hour} now={view.now} />.{' '}
        {outage === undefined
          ? 'What the outage costs is known once there is a plan.'
          : `The plan’s outage costs ${outage} an hour.`}
      </p>
      {!isCalled && (
        <p role="status" className={slip_min > 0 ? 'text-error font-bold' : ''}>
          {slip_min > 0 && late
            ? `The plant will be ready ${slip_min} min late, at ${instant(readyAt)}: ${late.what} (${names[late.who] ?? late.who}) slips first${lateCost ? `; that costs ${lateCost} more` : ''}.`
            : 'As things go, the hour holds.'}
        </p>
      )}
    </>
  );
}

function Calls({ view, names }: Pick<DossierProps, 'view' | 'names'>) {
  const run = useCommand();
  const { calls, isolation } = view.dossier;
  const next = calls.ready ? 'back' : 'ready';
  const isOver = calls.back !== undefined;
  return (
    <div data-spot="window-call" className="flex flex-col gap-1">
      <h3 className="font-bold">The two calls</h3>
      {(['ready', 'back'] as const).map((call) => {
        const made = calls[call];
        if (!made) return null;
        return (
          <p key={call}>
            {call === 'ready' ? 'Ready' : 'Handed back'}: {names[made.by] ?? made.by} called{' '}
            {made.whom}, <Instant at={made.at} />. {made.said}
          </p>
        );
      })}
      {!isOver && (next === 'ready' || isolation.takenBack !== undefined) && (
        <SmallForm
          button={
            next === 'ready'
              ? 'Sign the call that the plant is ready'
              : 'Sign the call that the plant is handed back'
          }
          onSend={(read) =>
            void run({ kind: 'call-window', call: next, whom: read('whom'), said: read('said') })
          }
        >
          <TextField label="Who was called" name="whom" />
          <TextField label="What was said" name="said" />
        </SmallForm>
      )}
    </div>
  );
}

/** What is done before the hour of a stop: counted back from it, as it goes, and the calls that begin and end the stop. */
export function RunUpPanel(props: DossierProps) {
  const { view, names } = props;
  const { runUp, dossier } = view;
  if (!dossier.window) {
    return (
      <Panel title="Before the stop" spot="run-up">
        <p>
          Agree the hour first, under Timing and neighbours: everything here is counted back from
          it.
        </p>
      </Panel>
    );
  }
  return (
    <Panel title="Before the stop" spot="run-up">
      {runUp ? (
        <>
          <SlipWords view={view} names={names} />
          <RunUpPicture runUp={runUp} names={names} now={view.now} />
          <ol className="flex flex-col gap-2">
            {runUp.steps.map((step) => (
              <RunUpRow key={step.id} step={step} props={props} />
            ))}
          </ol>
          <Calls view={view} names={names} />
        </>
      ) : (
        <p>
          Nothing is planned before the stop. Add what has to be done, with who does it and how long
          it takes: run the feed out, empty, flush, cool down, parts and people ready. The time to
          begin is counted back from the hour.
        </p>
      )}
      {!dossier.calls.ready && <PlanStep {...props} />}
    </Panel>
  );
}
