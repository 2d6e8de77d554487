'use client';

import { useState } from 'react';
import { useCommand } from '../command/use-command';
import { AcceptedGrades } from '../planning/measures';
import { Panel, SmallForm, TextField } from './field';
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
