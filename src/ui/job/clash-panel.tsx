'use client';

import Link from 'next/link';
import type { JobClash } from '../../core/job';
import { useCommand } from '../command/use-command';
import { PickField } from '../kit/combobox';
import { ChoiceField, SmallForm, TextField } from '../kit/field';
import { Panel } from '../kit/panel';
import type { DossierProps } from './types';
import { Beside, useMoments } from '../kit/moment';
import { hoursAfter } from '../../core/hours';

function AcceptForm({ clash }: { readonly clash: JobClash }) {
  const run = useCommand();
  return (
    <details>
      <summary className="cursor-pointer text-sm">Put up a barrier, or accept it by name</summary>
      <SmallForm
        button="Accept the clash with this"
        onSend={(read) =>
          void run({
            kind: 'accept-clash',
            rule: clash.code,
            other: clash.other,
            how: read('how') === 'barrier' ? 'barrier' : 'accept',
            measure: read('measure'),
          })
        }
      >
        <ChoiceField
          label="How"
          name="how"
          options={[
            { id: 'barrier', label: 'something stands between' },
            { id: 'accept', label: 'accepted as it is' },
          ]}
        />
        <TextField label="What stands between, or why it is accepted" name="measure" />
      </SmallForm>
    </details>
  );
}

function ClashItem({ clash, props }: { readonly clash: JobClash; readonly props: DossierProps }) {
  const { beside } = useMoments();
  const { names, view } = props;
  const { code, words, other, together, accepted, free } = clash;
  const stands = together && !accepted;
  return (
    <li
      data-clash={code}
      className={`border-l-4 py-1 pl-2 ${stands ? 'border-error' : 'border-base-300'}`}
    >
      <p className={stands ? 'font-bold' : ''}>
        {words}.{' '}
        <Link href={`/jobs/${other}`} className="font-mono underline">
          {other}
        </Link>
      </p>
      <p className="text-sm">
        {accepted
          ? `${accepted.how === 'barrier' ? 'Barrier' : 'Accepted'} by ${names[accepted.by] ?? accepted.by}: ${accepted.measure}`
          : together
            ? `Move this job: free from ${beside(free.from, view.now)}. Or do one of them first.`
            : 'Not at the same time as they are planned.'}
      </p>
      {stands && <AcceptForm clash={clash} />}
    </li>
  );
}

/** When the job is to be done, agreed with an operator. */
function HourForm({ view, choices }: DossierProps) {
  const run = useCommand();
  const { scope, window } = view.dossier;
  const { toField, fromField, offset } = useMoments();
  const from = window?.from ?? view.now;
  const until = window?.until ?? hoursAfter(from, scope.hours);
  return (
    <details>
      <summary className="cursor-pointer text-sm">Agree another hour</summary>
      <SmallForm
        button="Record the agreed hour"
        onSend={(read) =>
          void run({
            kind: 'schedule-job',
            from: fromField(read('from')) ?? '',
            until: fromField(read('until')) ?? '',
            operator: read('operator'),
          })
        }
      >
        <label className="flex grow flex-col text-sm">
          From ({offset(from)})
          <input
            name="from"
            type="datetime-local"
            required
            defaultValue={toField(from)}
            className="input input-sm"
          />
        </label>
        <label className="flex grow flex-col text-sm">
          Until ({offset(until)})
          <input
            name="until"
            type="datetime-local"
            required
            defaultValue={toField(until)}
            className="input input-sm"
          />
        </label>
        <PickField
          label="Operator who agrees"
          name="operator"
          options={choices.people
            .filter(({ operator }) => operator)
            .map(({ id, name }) => ({ id, label: name }))}
        />
      </SmallForm>
    </details>
  );
}

/** Hour and neighbours: when it is done, and which jobs are in each other's way. */
export function ClashPanel(props: DossierProps) {
  const { view, names } = props;
  const { window } = view.dossier;
  return (
    <Panel title="Timing and neighbours" spot="neighbours">
      <p>
        {window ? (
          <>
            Planned{' '}
            <span className="font-mono">
              <Beside at={window.from} now={view.now} />
            </span>{' '}
            to{' '}
            <span className="font-mono">
              <Beside at={window.until} now={view.now} />
            </span>
            , agreed with {names[window.operator] ?? window.operator}
          </>
        ) : (
          'No hour is agreed: taken as from now on.'
        )}
      </p>
      {view.clashes.length === 0 ? (
        <p className="text-sm">No other job is in the way.</p>
      ) : (
        <ul className="flex flex-col gap-1">
          {view.clashes.map((clash) => (
            <ClashItem
              key={`${clash.code} ${clash.other} ${clash.cause}`}
              clash={clash}
              props={props}
            />
          ))}
        </ul>
      )}
      <HourForm {...props} />
    </Panel>
  );
}
