'use client';

import { useState } from 'react';
import { COVER_WAYS, type CoverWay } from '../../../core/space/checks';
import type { CommandOf, EntryView } from '../../../core/job';
import { useCommand } from '../../command/use-command';
import { PickField } from '../../kit/combobox';
import { ChoiceField, SmallForm, TextField } from '../../kit/field';
import type { DossierProps } from '../types';

type Phase = keyof EntryView['checks'];
type Check = EntryView['checks'][Phase][number];

const COVER: Readonly<Record<CoverWay, string>> = {
  one: 'by one person',
  two: 'by two people',
  gear: 'with lifting gear',
  none: 'there is no cover',
};
const WORDS: Readonly<Record<Phase, { readonly title: string; readonly button: string }>> = {
  open: { title: 'Looked at before it is opened', button: 'Sign what stands round the opening' },
  enter: { title: 'Looked at before anybody goes in', button: 'Sign what stands at the entry' },
};

/** One thing to look at: how it is, or why there is none here, and who stays with it. */
function CheckLine({
  check: { code, asks, isByName },
  people,
}: {
  readonly check: Check;
  readonly people: readonly { readonly id: string; readonly label: string }[];
}) {
  const [here, setHere] = useState(true);
  return (
    <fieldset className="flex w-full flex-wrap items-end gap-2">
      <legend className="text-sm font-bold">{asks}</legend>
      <ChoiceField
        label="Found"
        name={`here-${code}`}
        options={[
          { id: 'yes', label: 'it is so' },
          { id: 'no', label: 'does not apply here' },
        ]}
        onPick={(id) => setHere(id === 'yes')}
      />
      <TextField label={here ? 'How it is' : 'Why not'} name={`words-${code}`} />
      {isByName && here && (
        <PickField label="Who stays with it" name={`person-${code}`} options={people} />
      )}
    </fieldset>
  );
}

function Found({ entry, phase, props }: FormProps) {
  const name = (id: string) => props.names[id] ?? id;
  const { cover } = props.view.dossier.entry;
  return (
    <ul className="text-sm">
      {phase === 'open' && cover && (
        <li>
          ✓ Cover: {cover.weight_kg} kg, drawn {COVER[cover.drawn]} ({name(cover.by)})
        </li>
      )}
      {entry.checks[phase].map(
        ({ code, asks, found }) =>
          found && (
            <li key={code}>
              ✓ {asks}: {found.here ? found.words : `does not apply here, ${found.words}`}
              {found.person === undefined ? '' : `, with ${name(found.person)}`} ({name(found.by)})
            </li>
          ),
      )}
    </ul>
  );
}

interface FormProps {
  readonly entry: EntryView;
  readonly phase: Phase;
  readonly props: DossierProps;
}

/** What is looked at round the opening or inside: what is open as a form, what was found as a list. */
export function SpaceChecks({ entry, phase, props }: FormProps) {
  const run = useCommand();
  const { dossier } = props.view;
  const open = entry.checks[phase].filter(({ found }) => !found);
  const asksCover = phase === 'open' && !dossier.entry.cover;
  const { title, button } = WORDS[phase];
  const people = props.choices.people.map(({ id, name }) => ({ id, label: name }));
  const send = (read: (name: string) => string) => {
    const answers: CommandOf<'check-space'>['answers'] = Object.fromEntries(
      open.map(({ code }) => {
        const person = read(`person-${code}`);
        const answer = { here: read(`here-${code}`) === 'yes', words: read(`words-${code}`) };
        return [code, person === '' ? answer : { ...answer, person }];
      }),
    );
    const cover = { weight_kg: Number(read('weight')), drawn: read('drawn') as CoverWay };
    void run({ kind: 'check-space', answers, ...(asksCover ? { cover } : {}) });
  };
  return (
    <section aria-label={title} className="flex flex-col gap-1">
      <h4 className="font-bold">{title}</h4>
      <Found entry={entry} phase={phase} props={props} />
      {(open.length > 0 || asksCover) && (
        <SmallForm button={button} onSend={send}>
          {asksCover && (
            <>
              <TextField label="The cover weighs (kg)" name="weight" type="number" />
              <ChoiceField
                label="It is drawn"
                name="drawn"
                options={COVER_WAYS.map((id) => ({ id, label: COVER[id] }))}
              />
            </>
          )}
          {open.map((check) => (
            <CheckLine key={check.code} check={check} people={people} />
          ))}
        </SmallForm>
      )}
    </section>
  );
}
