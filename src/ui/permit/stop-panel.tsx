'use client';

import { listOn } from '../../core/job';
import { useCommand } from '../command/use-command';
import { Panel, SmallForm, TextField } from '../dossier/field';
import type { DossierProps } from '../dossier/types';
import { Time } from '../shell/site-moments';

/** A stop that stands: who said so and why, who has to come off, and the way on. */
function Stopped({ view, names }: DossierProps) {
  const run = useCommand();
  const { halt, permit } = view.dossier;
  if (!halt) return null;
  const on = Object.keys(listOn(permit)).map((id) => names[id] ?? id);
  return (
    <Panel title="Stopped">
      <p role="alert" className="border-2 border-error p-2">
        <strong>
          {names[halt.by] ?? halt.by} stopped the job at <Time at={halt.at} />: {halt.reason}.
        </strong>{' '}
        {on.length > 0 ? `Call off by name: ${on.join(', ')}.` : 'Nobody is signed on.'}
      </p>
      <SmallForm
        button="Lift the stop"
        onSend={(read) => void run({ kind: 'lift-stop', found: read('cleared') })}
      >
        <TextField label="What was found, and what was done about it" name="cleared" />
      </SmallForm>
    </Panel>
  );
}

/** Anyone may stop the job, at any stage; only an issuing authority lifts it. */
export function StopPanel(props: DossierProps) {
  const run = useCommand();
  const { view } = props;
  if (view.stage === 'closed') return null;
  if (view.dossier.halt) return <Stopped {...props} />;
  return (
    <details className="border-t-2 border-base-content pt-2">
      <summary className="cursor-pointer font-bold">Stop this job</summary>
      <SmallForm
        button="Stop it now"
        onSend={(read) => void run({ kind: 'stop-work', reason: read('reason') })}
      >
        <TextField label="Why" name="reason" />
      </SmallForm>
    </details>
  );
}
