'use client';

import { useState } from 'react';
import type { ChangeCommand } from '../../core/changes/commands';
import { CHANGES, kindOf, REPORTED_KINDS } from '../../core/changes/kinds';
import { Combobox } from '../kit/combobox';
import { daysAfter } from '../../core/hours';

type Kind = (typeof REPORTED_KINDS)[number];

/** How many days a temporary change stands unless somebody says otherwise. */
const USUAL_D = 7;

/** What the choice of places asks for, by what the change joins. */
const askWhere = (kind: Kind): string =>
  kindOf(kind).connects === undefined
    ? 'Where: section, device or machine'
    : 'The sections that it joins; one where the other end is not drawn';

/** Proposes a change, or tells of one that is there already: what, where, why, until when. */
export function ProposeForm({
  places,
  now,
  job,
  start,
  onSend,
}: {
  readonly places: readonly { readonly id: string; readonly label: string }[];
  readonly now: string;
  readonly job: string | undefined;
  readonly start: string | undefined;
  readonly onSend: (command: ChangeCommand) => void;
}) {
  const [kind, setKind] = useState<Kind>('hose');
  const [chosen, setChosen] = useState<readonly string[]>(
    places.some(({ id }) => id === start) && start !== undefined ? [start] : [],
  );
  const { isTemporary } = CHANGES[kind];
  const send = (form: FormData) => {
    const read = (name: string) => ((form.get(name) as string | null) ?? '').trim();
    const days = Number(read('days'));
    const from = read('job');
    onSend({
      kind: 'propose-change',
      change: kind,
      places: [...chosen],
      what: read('what'),
      why: read('why'),
      ...(from === '' ? {} : { job: from }),
      ...(isTemporary ? { until: daysAfter(now, days) } : {}),
    });
  };
  return (
    <form
      aria-label="Record a change"
      className="flex flex-col gap-3 rounded-box bg-base-200 p-3"
      onSubmit={(event) => {
        event.preventDefault();
        send(new FormData(event.currentTarget));
      }}
    >
      <div className="grid gap-3 md:grid-cols-2">
        <label className="flex flex-col text-sm">
          What kind of change
          <select
            className="select select-sm w-full"
            value={kind}
            onChange={({ target }) => setKind(target.value as Kind)}
          >
            {REPORTED_KINDS.map((one) => (
              <option key={one} value={one}>
                {CHANGES[one].label}
              </option>
            ))}
          </select>
        </label>
        <div className="flex flex-col gap-1">
          <Combobox
            label={askWhere(kind)}
            options={places.filter(({ id }) => !chosen.includes(id))}
            value={undefined}
            onPick={(id) => setChosen([...chosen, id])}
            empty="search by tag or name"
          />
          {chosen.length > 0 && (
            <ul aria-label="Places of the change" className="flex flex-wrap gap-1">
              {chosen.map((id) => (
                <li key={id}>
                  <button
                    type="button"
                    className="btn btn-xs font-mono"
                    aria-label={`Take ${id} out`}
                    onClick={() => setChosen(chosen.filter((one) => one !== id))}
                  >
                    {id} ×
                  </button>
                </li>
              ))}
            </ul>
          )}
        </div>
        <label className="flex flex-col text-sm">
          What is changed
          <input name="what" required maxLength={2000} className="input input-sm w-full" />
        </label>
        <label className="flex flex-col text-sm">
          Why
          <input name="why" required maxLength={2000} className="input input-sm w-full" />
        </label>
        {isTemporary && (
          <label className="flex flex-col text-sm">
            It stands for (days)
            <input
              name="days"
              type="number"
              min="0"
              step="any"
              required
              defaultValue={USUAL_D}
              className="input input-sm w-full"
            />
          </label>
        )}
        <label className="flex flex-col text-sm">
          Job for which it is made (may be left empty)
          <input
            name="job"
            defaultValue={job}
            placeholder="J-0001"
            className="input input-sm w-full"
          />
        </label>
      </div>
      <button className="btn btn-primary btn-sm self-start" disabled={chosen.length === 0}>
        Record the change
      </button>
    </form>
  );
}
