'use client';

import { RUN_UP_KINDS, type RunUpStep } from '../../../core/run-up/run-up';
import { useCommand } from '../../command/use-command';
import { PickField } from '../../kit/combobox';
import { ChoiceField, TextField } from '../../kit/field';
import type { DossierProps } from '../types';

const KINDS: Readonly<Record<RunUpStep['kind'], string>> = {
  plant: 'done at the plant',
  cool: 'it cools down',
  ready: 'has to be ready: parts, people, gear',
};

/** The next id of a step: one more than the highest. */
const nextId = (steps: readonly RunUpStep[]): string =>
  `B${Math.max(0, ...steps.map(({ id }) => Number(/^B(\d+)$/.exec(id)?.[1] ?? 0))) + 1}`;

/** One more step before the stop. */
export function PlanStep({ view, choices }: DossierProps) {
  const run = useCommand();
  const { runUp } = view.dossier;
  return (
    <details open={runUp.length === 0}>
      <summary className="cursor-pointer text-sm">Add a step before the stop</summary>
      <form
        key={runUp.length}
        className="flex flex-wrap items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          const form = new FormData(event.currentTarget);
          const read = (name: string) => (form.get(name) as string | null) ?? '';
          void run({
            kind: 'plan-run-up',
            step: nextId(runUp),
            what: read('what'),
            of: read('of') as RunUpStep['kind'],
            who: read('who'),
            minutes: Number(read('minutes')),
            after: form.getAll('after') as string[],
          });
        }}
      >
        <TextField label="What is done" name="what" />
        <ChoiceField
          label="Kind"
          name="of"
          options={RUN_UP_KINDS.map((id) => ({ id, label: KINDS[id] }))}
        />
        <PickField
          label="Who does it"
          name="who"
          options={choices.people.map(({ id, name }) => ({ id, label: name }))}
        />
        <TextField label="How long (min)" name="minutes" type="number" />
        {runUp.length > 0 && (
          <fieldset className="w-full text-sm">
            <legend>Comes after</legend>
            <div className="flex flex-wrap gap-x-4">
              {runUp.map(({ id, what }) => (
                <label key={id} className="flex items-center gap-2 max-sm:min-h-11">
                  <input
                    type="checkbox"
                    name="after"
                    value={id}
                    className="checkbox checkbox-sm max-sm:size-7"
                  />
                  {what}
                </label>
              ))}
            </div>
          </fieldset>
        )}
        <button className="btn btn-primary btn-sm max-sm:h-11">Add this step</button>
      </form>
    </details>
  );
}
