'use client';

import type { ClearanceView } from '../../core/job';
import { useCommand } from '../command/use-command';
import { SmallForm, TextField } from '../kit/field';
import { Beside, Instant } from '../kit/moment';
import { Panel } from '../kit/panel';
import type { DossierProps } from './types';
import { hoursAfter } from '../../core/hours';

function TakeForm({ operator, now }: { readonly operator: string; readonly now: string }) {
  const run = useCommand();
  return (
    <SmallForm
      button="Sign what they gave"
      onSend={(read) =>
        void run({
          kind: 'take-clearance',
          operator,
          number: read('number'),
          person: read('person'),
          isolates: read('isolates'),
          earths: read('earths'),
          until: hoursAfter(now, Number(read('hours'))),
        })
      }
    >
      <TextField label="Number of the clearance" name="number" />
      <TextField label="Name of whoever gave it" name="person" />
      <TextField label="What they have isolated" name="isolates" />
      <TextField label="Where they have earthed" name="earths" />
      <TextField label="Ends in (h)" name="hours" type="number" />
    </SmallForm>
  );
}

function AskForm({ operator, points }: Pick<ClearanceView, 'operator' | 'points'>) {
  const run = useCommand();
  return (
    <SmallForm
      button="Record what was asked for"
      onSend={(read) =>
        void run({ kind: 'ask-clearance', operator, whom: read('whom'), what: read('what') })
      }
    >
      <TextField label="Who there was asked, and how" name="whom" />
      <TextField
        label="What they are asked to isolate and earth"
        name="what"
        value={points.join(', ')}
      />
    </SmallForm>
  );
}

function ReturnForm({ operator }: { readonly operator: string }) {
  const run = useCommand();
  return (
    <details>
      <summary className="cursor-pointer text-sm">Hand it back</summary>
      <SmallForm
        button="Sign that it is handed back"
        onSend={(read) =>
          void run({
            kind: 'return-clearance',
            operator,
            person: read('person'),
            seen: read('seen'),
          })
        }
      >
        <TextField label="Who there took it back" name="person" />
        <TextField label="What was seen: people out, earths and locks off" name="seen" />
      </SmallForm>
    </details>
  );
}

function Clearance({ one, props }: { readonly one: ClearanceView; readonly props: DossierProps }) {
  const { operator, points, asked, given, returned, isHeld, isOver } = one;
  const { names } = props;
  const { now } = props.view;
  return (
    <div data-clearance={operator} className="flex flex-col gap-1 border-t border-base-300 py-2">
      <p>
        <strong>{operator}</strong> alone operates{' '}
        <span className="font-mono">{points.join(', ')}</span>.
      </p>
      {asked && (
        <p className="text-sm">
          Asked for by {names[asked.by] ?? asked.by}, <Instant at={asked.at} />: {asked.what} (
          {asked.whom})
        </p>
      )}
      {given && (
        <p className={isOver ? 'font-bold text-error' : 'text-sm'}>
          Clearance <span className="font-mono">{given.number}</span>, given by {given.person}:
          isolated {given.isolates}; earthed {given.earths}; ends{' '}
          <Beside at={given.until} now={now} />
          {isOver && ': IT IS OVER'}. Prove it dead here as if nothing had been said.
        </p>
      )}
      {returned && (
        <p className="text-sm">
          Handed back to {returned.person}, <Instant at={returned.at} />: {returned.seen}
        </p>
      )}
      {!isHeld && !asked && <AskForm operator={operator} points={points} />}
      {!isHeld && asked && !returned && <TakeForm operator={operator} now={now} />}
      {isHeld && (
        <>
          <details open={isOver}>
            <summary className="cursor-pointer text-sm">It is given for longer, or anew</summary>
            <TakeForm operator={operator} now={now} />
          </details>
          <ReturnForm operator={operator} />
        </>
      )}
    </div>
  );
}

/** Clearances of others who operate points of the plan: asked for, given by name and number until an hour, handed back. */
export function ClearancesPanel(props: DossierProps) {
  return (
    <Panel title="Network of somebody else" spot="clearances">
      {props.view.clearances.map((one) => (
        <Clearance key={one.operator} one={one} props={props} />
      ))}
      <p className="text-sm">
        <a href={`/jobs/${props.jobId}/diagram`} className="underline">
          Print the marked-up diagram
        </a>{' '}
        to send with the request. They get the clearance back before they switch.
      </p>
    </Panel>
  );
}
