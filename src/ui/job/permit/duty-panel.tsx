'use client';

import type { HeldPermit } from '../../../core/job';
import { READY_CHECKS } from '../../../core/job/duties';
import { useCommand } from '../../command/use-command';
import { PickField } from '../../kit/combobox';
import { CheckField, SmallForm, TextField } from '../../kit/field';
import type { DossierProps } from '../types';

const DUTY_WORDS = { 'fire-watch': 'Fire watch', attendant: 'Attendant' } as const;
type Duty = keyof typeof DUTY_WORDS;

function DutyForm({ duty, props }: { readonly duty: Duty; readonly props: DossierProps }) {
  const run = useCommand();
  const { duties } = props.view.dossier;
  const able = props.choices.people.filter(
    (person) =>
      (duty === 'fire-watch' ? person.fireWatch : person.attendant) && !(person.id in duties),
  );
  return (
    <SmallForm
      button={`${DUTY_WORDS[duty]} takes the duty`}
      onSend={(read) =>
        void run({
          kind: 'take-duty',
          person: read('person'),
          duty,
          checked: Object.keys(READY_CHECKS[duty]).filter((code) => read(code) === 'on'),
        })
      }
    >
      <PickField
        label={DUTY_WORDS[duty]}
        name="person"
        options={able.map(({ id, name }) => ({ id, label: name }))}
      />
      <fieldset className="w-full">
        <legend className="text-sm">Checked before, each of it</legend>
        {Object.entries(READY_CHECKS[duty]).map(([code, words]) => (
          <CheckField key={code} name={code} label={words} />
        ))}
      </fieldset>
    </SmallForm>
  );
}

/** Who stands by and does nothing else, as the papers ask. */
export function DutyPanel({
  permit,
  props,
}: {
  readonly permit: HeldPermit;
  readonly props: DossierProps;
}) {
  const run = useCommand();
  const { names, view } = props;
  const { duties, sharedWatch } = view.dossier;
  const wanted: Duty[] = [
    ...(permit.papers.includes('hot-work') ? (['fire-watch'] as const) : []),
    ...(permit.papers.includes('confined-space') ? (['attendant'] as const) : []),
  ];
  if (wanted.length === 0) return null;
  const held = new Set(Object.values(duties).map(({ duty }) => duty));
  return (
    <section aria-label="Duties" data-spot="duties" className="flex flex-col gap-1">
      <h3 className="font-bold">Standing by</h3>
      {Object.entries(duties).map(([person, { duty }]) => (
        <p key={person} data-duty={duty} className="flex items-center gap-2">
          {DUTY_WORDS[duty]}: {names[person] ?? person}
          <button className="btn btn-sm" onClick={() => void run({ kind: 'leave-duty', person })}>
            {names[person] ?? person} leaves the duty
          </button>
        </p>
      ))}
      {wanted.map((duty) =>
        held.has(duty) ? (
          <details key={duty}>
            <summary className="cursor-pointer text-sm">Somebody else takes this duty</summary>
            <DutyForm duty={duty} props={props} />
          </details>
        ) : (
          <DutyForm key={duty} duty={duty} props={props} />
        ),
      )}
      {sharedWatch && (
        <p className="text-sm">
          One fire watch for several: {sharedWatch.reason} (
          {names[sharedWatch.by] ?? sharedWatch.by})
        </p>
      )}
      {view.values['fire-watch'] === 'shared' && wanted.includes('fire-watch') && !sharedWatch && (
        <SmallForm
          button="Allow one for several"
          onSend={(read) => void run({ kind: 'share-fire-watch', reason: read('reason') })}
        >
          <TextField label="Why one fire watch sees all of them" name="reason" />
        </SmallForm>
      )}
    </section>
  );
}
