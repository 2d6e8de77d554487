'use client';

import { useCommand } from '../command/use-command';
import { listFree } from './box-panel';
import { Crews, type LivePermit } from './crews';
import { ChoiceField, Panel, SmallForm, TextField } from './field';
import type { DossierProps } from './types';

function SignOnForm({
  permit,
  props,
}: {
  readonly permit: LivePermit;
  readonly props: DossierProps;
}) {
  const run = useCommand();
  const { choices, view } = props;
  const { lockout, locked } = view.dossier.isolation;
  const points = lockout === 'each-point' ? Object.keys(locked) : [];
  const crews = Object.keys(permit.crews);
  const owned = listFree(props, 'personal');
  return (
    <SmallForm
      button="Sign on"
      onSend={(read) =>
        void run({
          kind: 'sign-on',
          person: read('person'),
          ...(points.length > 0
            ? { each: Object.fromEntries(points.map((point) => [point, read(`at ${point}`)])) }
            : { lock: read('lock') }),
          ...(read('inCrew') === '' ? {} : { crew: read('inCrew') }),
        })
      }
    >
      <ChoiceField
        label="Who signs on"
        name="person"
        options={choices.people
          .filter(({ worker }) => worker)
          .map(({ id, name, employer }) => ({ id, label: `${name}, ${employer}` }))}
      />
      {crews.length > 0 && (
        <ChoiceField
          label="In crew"
          name="inCrew"
          options={[
            { id: '', label: 'the performing authority’s own' },
            ...crews.map((id) => ({ id, label: id })),
          ]}
          required={false}
        />
      )}
      {points.length === 0 ? (
        <ChoiceField label="Personal lock" name="lock" options={owned} />
      ) : (
        points.map((point) => (
          <ChoiceField
            key={point}
            label={`Own lock on ${point}`}
            name={`at ${point}`}
            options={owned}
          />
        ))
      )}
    </SmallForm>
  );
}

/** Work under a live permit: who is on, crew by crew, signing on and off, handing back, closing. */
export function WorkPanel(props: DossierProps) {
  const { view } = props;
  const run = useCommand();
  const { permit } = view.dossier;
  if (permit.kind === 'handed-back') {
    return (
      <Panel title="Handed back">
        <SmallForm
          button="Inspected: close the permit"
          onSend={(read) => void run({ kind: 'close-permit', inspected: read('inspected') })}
        >
          <TextField label="What was inspected" name="inspected" />
        </SmallForm>
      </Panel>
    );
  }
  if (permit.kind !== 'issued') return null;
  return (
    <Panel title={`Permit ${permit.number}`}>
      <p className="text-lg">
        {view.lapsed ? <strong className="text-error">LAPSED at </strong> : 'Live until '}
        <span className="font-mono">{permit.until.slice(0, 16).replace('T', ' ')} UTC</span>; signed
        on:{' '}
        <strong data-testid="count-on" className="font-mono">
          {Object.keys(permit.people).length}
        </strong>
      </p>
      <Crews permit={permit} props={props} />
      <SignOnForm permit={permit} props={props} />
      <SmallForm
        button="Hand back"
        onSend={(read) =>
          void run({
            kind: 'hand-back',
            cleared: read('cleared') === 'on',
            remarks: read('remarks'),
          })
        }
      >
        <TextField label="Remarks (may be empty)" name="remarks" required={false} />
        <label className="flex items-center gap-1 text-sm">
          <input type="checkbox" name="cleared" className="checkbox checkbox-sm" /> tools and people
          out, guards on
        </label>
      </SmallForm>
    </Panel>
  );
}
