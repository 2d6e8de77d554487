'use client';

import { useState } from 'react';
import type { Command, Dossier, Lamp } from '../../core/job';
import { gatherByArrival, type OfArrival } from '../../core/job/arrivals';
import type { ExtraMeasure } from '../../core/isolation';
import { TextField } from '../kit/field';

type Lowered = Extract<ExtraMeasure, { kind: 'grade-lowered' }>;

/** One arrival whose grade cannot be had: the measures in its place are ticked one by one, and signed. */
function AcceptForm({
  arrival: { name, items },
  onAccept,
}: {
  readonly arrival: OfArrival<Lowered>;
  readonly onAccept: (command: Command) => void;
}) {
  const [ticked, setTicked] = useState<readonly string[]>([]);
  const [measure] = items;
  if (!measure) return null;
  return (
    <form
      className="flex flex-col gap-1"
      aria-label={`accept less for ${name}`}
      onSubmit={(event) => {
        event.preventDefault();
        const reason = (new FormData(event.currentTarget).get('reason') as string | null) ?? '';
        onAccept({
          kind: 'set-grade',
          sources: items.map(({ subject }) => subject),
          grade: measure.to,
          reason,
          measures: [...ticked],
        });
      }}
    >
      <p>
        <strong>{name}</strong>: {measure.from} cannot be had; {measure.to} can. What is done
        instead:
      </p>
      {measure.measures.map((words) => (
        <label key={words} className="flex items-center gap-2">
          <input
            type="checkbox"
            className="checkbox checkbox-sm"
            checked={ticked.includes(words)}
            onChange={({ target }) =>
              setTicked(
                target.checked ? [...ticked, words] : ticked.filter((other) => other !== words),
              )
            }
          />
          {words}
        </label>
      ))}
      <div className="flex items-end gap-2">
        <TextField label="Why this keeps people safe" name="reason" />
        <button className="btn btn-sm" disabled={ticked.length === 0}>
          Accept for this arrival and sign
        </button>
      </div>
    </form>
  );
}

/** What no plan can give: each lowered arrival to be accepted by name, and what cannot be accepted at all. */
export function Shortfall({
  measures,
  accepted,
  lamps,
  onAccept,
}: {
  readonly measures: readonly ExtraMeasure[];
  readonly lamps: readonly Lamp[];
  readonly accepted: Dossier['grades'];
  readonly onAccept: (command: Command) => void;
}) {
  if (measures.length === 0) return null;
  const isToAccept = (one: ExtraMeasure): one is Lowered =>
    one.kind === 'grade-lowered' && accepted[one.subject]?.grade !== one.to;
  const settled: readonly ExtraMeasure[] = measures.filter((one) => !isToAccept(one));
  return (
    <div role="alert" className="flex flex-col gap-3 border-l-4 border-error pl-2 text-sm">
      <p className="font-bold">
        No plan reaches the grades asked for. The answers below are the best there is; what is
        missing has to be accepted by name.
      </p>
      {gatherByArrival(measures.filter(isToAccept), lamps, ({ from, to }) => `${from} ${to}`).map(
        (arrival) => (
          <AcceptForm
            key={`${arrival.name} ${arrival.items[0]?.from ?? ''} ${arrival.items[0]?.to ?? ''}`}
            arrival={arrival}
            onAccept={onAccept}
          />
        ),
      )}
      {gatherByArrival(settled, lamps, ({ kind }) => kind).map(({ name, items }) => (
        <p key={name + (items[0]?.kind ?? '')}>
          <strong>{name}</strong>:{' '}
          {items[0]?.kind === 'grade-lowered' ? 'accepted' : items[0]?.measures.join('; ')}
        </p>
      ))}
    </div>
  );
}

/** Grades set by hand on a job, with who accepted what in place of a barrier. */
export function AcceptedGrades({
  grades,
  lamps,
  names,
}: {
  readonly grades: Dossier['grades'];
  readonly lamps: readonly Lamp[];
  readonly names: Readonly<Record<string, string>>;
}) {
  const rows = gatherByArrival(
    Object.entries(grades).map(([subject, set]) => ({ subject, ...set })),
    lamps,
    ({ grade, at }) => `${grade} ${at}`,
  );
  if (rows.length === 0) return null;
  return (
    <ul aria-label="Grades set by name" className="list-disc pl-5 text-sm">
      {rows.map(({ name, items: [set] }) =>
        set ? (
          <li key={name + set.grade + set.at}>
            <strong>{name}</strong>: {set.grade}, by {names[set.by] ?? set.by}: {set.reason}
            {set.measures.length > 0 && `. Instead: ${set.measures.join('; ')}`}
          </li>
        ) : null,
      )}
    </ul>
  );
}
