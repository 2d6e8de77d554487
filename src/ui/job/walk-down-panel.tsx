'use client';

import { PickField } from '../kit/combobox';
import { useCommand } from '../command/use-command';
import { AddPhoto } from '../photos/add-photo';
import { PARTS } from '../planning/points';
import { SmallForm, TextField } from '../kit/field';
import { Panel } from '../kit/panel';
import type { DossierProps } from './types';
import { Instant } from '../kit/moment';

/** The walk-down before a plan may be used: each label compared with the plan; anything else than "as drawn" sends it back. */
export function WalkDownPanel({ view, names }: DossierProps) {
  const run = useCommand();
  const { plan } = view.dossier;
  if (plan.kind !== 'accepted') return null;
  return (
    <Panel title="Walk the plan down" spot="walk-down">
      <p>
        Drawn up by {names[plan.author] ?? plan.author}, who may not walk it down. Go to each point:
        read its label, follow the line both ways, compare with the plan.
      </p>
      <ol>
        {view.walkDown.map(({ point, part, what, where, seen }) => (
          <li
            key={point}
            data-label={point}
            className={`flex flex-wrap items-center gap-x-3 gap-y-1 border-t border-base-300 py-2 ${seen ? '' : 'bg-base-200'}`}
          >
            <span className="w-28 font-mono text-lg">
              {seen ? '✓ ' : ''}
              {point}
            </span>
            <span className="min-w-40 grow text-sm">
              {PARTS[part]}: {what}
              <span className="block text-xs">{where}</span>
            </span>
            {seen ? (
              <span className="text-sm">
                as drawn: {names[seen.by] ?? seen.by}, <Instant at={seen.at} />
              </span>
            ) : (
              <button
                className="btn btn-primary btn-sm max-sm:btn-lg max-sm:w-full"
                onClick={() =>
                  void run({ kind: 'check-label', point, found: 'as-drawn', note: '' })
                }
              >
                {point} is as drawn
              </button>
            )}
          </li>
        ))}
      </ol>
      <SmallForm
        button="It differs: send the plan back"
        onSend={(read) =>
          void run({
            kind: 'check-label',
            point: read('point'),
            found: read('found') as 'label-differs' | 'not-as-drawn',
            note: read('note'),
          })
        }
      >
        <PickField
          label="Point"
          name="point"
          options={view.walkDown
            .filter(({ seen }) => !seen)
            .map(({ point }) => ({ id: point, label: point }))}
        />
        <label className="flex flex-col text-sm">
          What differs
          <select name="found" className="select select-sm">
            <option value="label-differs">Label differs</option>
            <option value="not-as-drawn">Not as drawn</option>
          </select>
        </label>
        <TextField label="What was found" name="note" />
      </SmallForm>
      <AddPhoto of="finding" />
      <SmallForm
        button="Take the plan back"
        onSend={(read) => void run({ kind: 'return-plan', note: read('why') })}
      >
        <TextField label="Why the plan is taken back" name="why" />
      </SmallForm>
    </Panel>
  );
}
