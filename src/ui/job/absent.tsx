'use client';

import { useCommand } from '../command/use-command';
import { PickField } from '../kit/combobox';
import { SmallForm, TextField } from '../kit/field';
import { Panel } from '../kit/panel';
import type { DossierProps } from './types';

/** Takes off a lock whose owner is not there: the four steps, with the manager's signature. */
export function AbsentForm({
  lock,
  owner,
  choices,
}: {
  readonly lock: string;
  readonly owner: string;
  readonly choices: DossierProps['choices'];
}) {
  const run = useCommand();
  return (
    <details className="open:w-full">
      <summary className="cursor-pointer text-sm">
        <span className="sr-only">{owner}</span> is not there
      </summary>
      <div className="border-l-4 border-error pl-2">
        <p className="text-sm">
          Only when {owner} is surely not on site and cannot be reached. {owner} is told before
          starting work again. The manager signs here and is not the one who takes lock {lock} off.
        </p>
        <SmallForm
          button={`Take ${lock} off for ${owner}`}
          onSend={(read) =>
            void run({
              kind: 'remove-absent-lock',
              lock,
              offSite: read('offSite'),
              tried: read('tried'),
              manager: read('manager'),
            })
          }
        >
          <TextField label="How it was made sure that they are not on site" name="offSite" />
          <TextField label="What was done to reach them" name="tried" />
          <PickField
            label="Manager who allows it"
            name="manager"
            options={choices.people
              .filter(({ manager }) => manager)
              .map(({ id, name }) => ({ id, label: name }))}
          />
        </SmallForm>
      </div>
    </details>
  );
}

/** Whose lock was taken off and who has still to be told. */
export function UntoldPanel({ view, names }: DossierProps) {
  const run = useCommand();
  const untold = Object.entries(view.dossier.absent).filter(([, { told }]) => !told);
  if (untold.length === 0) return null;
  return (
    <Panel title="To be told">
      {untold.map(([owner, { lock, where, by, manager }]) => (
        <div key={owner} data-untold={owner}>
          <p>
            <strong>{names[owner] ?? owner}</strong>: lock{' '}
            <strong className="font-mono">{lock}</strong> was taken off{' '}
            <span className="font-mono">{where}</span> by {names[by] ?? by}, allowed by{' '}
            {names[manager] ?? manager}. No sign-on, here or elsewhere, until they have been told.
          </p>
          <SmallForm
            button={`${names[owner] ?? owner} has been told`}
            onSend={(read) => void run({ kind: 'tell-absent-owner', owner, told: read('told') })}
          >
            <TextField label="What they were told" name="told" />
          </SmallForm>
        </div>
      ))}
    </Panel>
  );
}
