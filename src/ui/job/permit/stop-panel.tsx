'use client';

import { listOn } from '../../../core/job/permit-record';
import { useCommand } from '../../command/use-command';
import { SmallForm, TextField } from '../../kit/field';
import { Panel } from '../../kit/panel';
import type { DossierProps } from '../types';
import { Time } from '../../kit/moment';

/** A stop that stands: who said so and why, who has to come off, and the way on. */
function Stopped({ view, names }: DossierProps) {
  const run = useCommand();
  const { halt, permit } = view.dossier;
  if (!halt) return null;
  const on = Object.keys(listOn(permit)).map((id) => names[id] ?? id);
  return (
    <Panel title="Stopped" spot="stop">
      <p role="alert" className="border-2 border-error p-2">
        <strong>
          {names[halt.by] ?? halt.by} stopped the job at <Time at={halt.at} />: {halt.reason}.
        </strong>{' '}
        {on.length > 0 ? `Call off by name: ${on.join(', ')}.` : 'Nobody is signed on.'}
      </p>
      <SmallForm
        button="Let the work go on"
        onSend={(read) => void run({ kind: 'lift-stop', found: read('cleared') })}
      >
        <TextField label="What was found, and what was done about it" name="cleared" />
      </SmallForm>
    </Panel>
  );
}

/** The stop that stands at a job, when one does. */
export const StopPanel = (props: DossierProps) =>
  props.view.stage !== 'closed' && props.view.dossier.halt ? <Stopped {...props} /> : null;

/** Anyone may stop the job, at any stage; only an issuing authority lifts it. */
export function StopButton({ view }: Pick<DossierProps, 'view'>) {
  const run = useCommand();
  if (view.stage === 'closed' || view.dossier.halt) return null;
  return (
    <details className="relative">
      <summary className="btn btn-error btn-sm list-none">Stop this job</summary>
      <div className="absolute right-0 top-full z-30 mt-1 w-80 rounded-box border-2 border-error bg-base-100 p-3 shadow-xl">
        <SmallForm
          button="Stop it now"
          onSend={(read) => void run({ kind: 'stop-work', reason: read('reason') })}
        >
          <TextField label="Why" name="reason" />
        </SmallForm>
      </div>
    </details>
  );
}
