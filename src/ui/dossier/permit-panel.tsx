'use client';

import { useState } from 'react';
import { useCommand } from '../command/use-command';
import { AcceptedGrades } from '../planning/measures';
import { AbsentForm } from './absent';
import { ChoiceField, Panel, SmallForm, TextField } from './field';
import type { DossierProps } from './types';

function AssessForm() {
  const run = useCommand();
  const [rows, setRows] = useState(2);
  return (
    <SmallForm
      button="Keep assessment"
      onSend={(read) =>
        void run({
          kind: 'assess-task',
          hazards: Array.from({ length: rows }, (_, n) => ({
            hazard: read(`hazard${n}`),
            control: read(`control${n}`),
          })).filter(({ hazard }) => hazard !== ''),
          equipment: read('equipment'),
          emergency: read('emergency'),
        })
      }
    >
      {Array.from({ length: rows }, (_, n) => (
        <div key={n} className="flex w-full gap-2">
          <TextField label={`Hazard ${n + 1}`} name={`hazard${n}`} required={n === 0} />
          <TextField label={`Control ${n + 1}`} name={`control${n}`} required={n === 0} />
        </div>
      ))}
      <button type="button" className="btn btn-sm" onClick={() => setRows(rows + 1)}>
        One more hazard
      </button>
      <TextField label="Protective equipment" name="equipment" />
      <TextField label="In an emergency" name="emergency" />
    </SmallForm>
  );
}

/** The permit before work: assess, approve, issue with both signatures. */
export function PermitPanel({ view, names }: DossierProps) {
  const run = useCommand();
  const { permit, performer } = view.dossier;
  return (
    <Panel title="General permit">
      <AcceptedGrades grades={view.dossier.grades} names={names} />
      {permit.kind === 'none' && <AssessForm />}
      {permit.kind !== 'none' && (
        <ul className="list-disc pl-5">
          {permit.assessment.hazards.map(({ hazard, control }) => (
            <li key={hazard}>
              {hazard}: {control}
            </li>
          ))}
          <li>Protective equipment: {permit.assessment.equipment}</li>
          <li>Emergency: {permit.assessment.emergency}</li>
        </ul>
      )}
      {permit.kind === 'assessed' && (
        <button
          className="btn btn-primary btn-sm self-start"
          onClick={() => void run({ kind: 'approve-permit' })}
        >
          Approve
        </button>
      )}
      {permit.kind === 'approved' && (
        <SmallForm
          button="Issue with both signatures"
          onSend={(read) =>
            void run({
              kind: 'issue-permit',
              hours: Number(read('hours')),
              briefed: read('briefed') === 'on',
              performer,
            })
          }
        >
          <TextField label="Valid for (h)" name="hours" type="number" value="8" />
          <label className="flex items-center gap-1 text-sm">
            <input type="checkbox" name="briefed" className="checkbox checkbox-sm" /> briefing held
            with {names[performer] ?? performer}
          </label>
        </SmallForm>
      )}
    </Panel>
  );
}

/** Work under a live permit: who is on, signing on and off, handing back, closing. */
export function WorkPanel({ view, names, choices }: DossierProps) {
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
  const on = Object.entries(permit.people);
  const owned = choices.locks.filter(({ use, busy }) => use === 'personal' && !busy);
  return (
    <Panel title={`Permit ${permit.number}`}>
      <p className="text-lg">
        {view.lapsed ? <strong className="text-error">LAPSED at </strong> : 'Live until '}
        <span className="font-mono">{permit.until.slice(0, 16).replace('T', ' ')} UTC</span>; signed
        on:{' '}
        <strong data-testid="count-on" className="font-mono">
          {on.length}
        </strong>
      </p>
      <ul className="flex flex-col gap-1">
        {on.map(([person, lock]) => (
          <li key={person} className="flex flex-wrap items-center gap-2">
            <span>
              {names[person]}, lock <span className="font-mono">{lock}</span> on the box
            </span>
            <button
              className="btn btn-sm"
              onClick={() => void run({ kind: 'sign-off', person, lock })}
            >
              Sign {names[person]} off
            </button>
            <AbsentForm lock={lock} owner={names[person] ?? person} choices={choices} />
          </li>
        ))}
      </ul>
      <SmallForm
        button="Sign on"
        onSend={(read) => void run({ kind: 'sign-on', person: read('person'), lock: read('lock') })}
      >
        <ChoiceField
          label="Who signs on"
          name="person"
          options={choices.people
            .filter(({ worker }) => worker)
            .map(({ id, name }) => ({ id, label: name }))}
        />
        <ChoiceField
          label="Personal lock"
          name="lock"
          options={owned.map(({ id, owner }) => ({
            id,
            label: `${id} (${names[owner ?? ''] ?? 'nobody'})`,
          }))}
        />
      </SmallForm>
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
