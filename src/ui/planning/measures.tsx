'use client';

import { useState } from 'react';
import type { Command, Dossier } from '../../core/job';
import type { ExtraMeasure } from '../../core/isolation';
import { TextField } from '../dossier/field';

type Lowered = Extract<ExtraMeasure, { kind: 'grade-lowered' }>;

/** One source whose grade cannot be had: the measures in its place are ticked one by one, and signed. */
function AcceptForm({
  measure,
  onAccept,
}: {
  readonly measure: Lowered;
  readonly onAccept: (command: Command) => void;
}) {
  const [ticked, setTicked] = useState<readonly string[]>([]);
  return (
    <form
      className="flex flex-col gap-1"
      aria-label={`accept less for ${measure.subject}`}
      onSubmit={(event) => {
        event.preventDefault();
        const reason = (new FormData(event.currentTarget).get('reason') as string | null) ?? '';
        onAccept({
          kind: 'set-grade',
          source: measure.subject,
          grade: measure.to,
          reason,
          measures: [...ticked],
        });
      }}
    >
      <p>
        <strong className="font-mono">{measure.subject}</strong>: {measure.from} cannot be had;{' '}
        {measure.to} can. What is done instead:
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
          Accept for {measure.subject} and sign
        </button>
      </div>
    </form>
  );
}

/** What no plan can give: each lowered source to be accepted by name, and what cannot be accepted at all. */
export function Shortfall({
  measures,
  accepted,
  onAccept,
}: {
  readonly measures: readonly ExtraMeasure[];
  readonly accepted: Dossier['grades'];
  readonly onAccept: (command: Command) => void;
}) {
  if (measures.length === 0) return null;
  return (
    <div role="alert" className="flex flex-col gap-3 border-l-4 border-error pl-2 text-sm">
      <p className="font-bold">
        No plan reaches the grades asked for. The answers below are the best there is; what is
        missing has to be accepted by name.
      </p>
      {measures.map((measure) =>
        measure.kind === 'grade-lowered' && accepted[measure.subject]?.grade !== measure.to ? (
          <AcceptForm key={measure.subject} measure={measure} onAccept={onAccept} />
        ) : (
          <p key={measure.kind + measure.subject}>
            <strong className="font-mono">{measure.subject}</strong>:{' '}
            {measure.kind === 'grade-lowered' ? 'accepted' : measure.measures.join('; ')}
          </p>
        ),
      )}
    </div>
  );
}

/** Grades set by hand on a job, with who accepted what in place of a barrier. */
export function AcceptedGrades({
  grades,
  names,
}: {
  readonly grades: Dossier['grades'];
  readonly names: Readonly<Record<string, string>>;
}) {
  const rows = Object.entries(grades);
  if (rows.length === 0) return null;
  return (
    <ul aria-label="Grades set by name" className="list-disc pl-5 text-sm">
      {rows.map(([source, { grade, by, reason, measures }]) => (
        <li key={source}>
          <strong className="font-mono">{source}</strong> {grade}, by {names[by] ?? by}: {reason}
          {measures.length > 0 && `. Instead: ${measures.join('; ')}`}
        </li>
      ))}
    </ul>
  );
}
