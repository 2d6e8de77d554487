'use client';

import { useCommand } from '../../command/use-command';
import { PickField } from '../../kit/combobox';
import { SmallForm, TextField } from '../../kit/field';
import type { ClearingRecord } from '../../../core/job';
import type { DossierProps } from '../types';

type Points = ClearingRecord['plan']['points'];

/** One point of the line on each line of the text: how far along, how high, the bore, and "parts" where it can be parted. */
const readPoints = (text: string): Points =>
  text
    .split('\n')
    .filter((row) => row.trim() !== '')
    .map((row) => {
      const [at = '', height = '', bore = '', parts = ''] = row.split(/[;\t]|,\s/).map((cell) => cell.trim()); // prettier-ignore
      return {
        at_m: Number(at || NaN),
        height_m: Number(height || NaN),
        bore_mm: Number(bore || NaN),
        parts: parts !== '',
      };
    });

const writePoints = (points: Points): string =>
  points
    .map(({ at_m, height_m, bore_mm, parts }) =>
      [at_m, height_m, bore_mm, ...(parts ? ['parts'] : [])].join('; '),
    )
    .join('\n');

/** How the line runs, what drives the pig, what limits it, and who is where. */
export function PlanForm({ view, choices }: DossierProps) {
  const run = useCommand();
  const plan = view.dossier.clearing?.plan;
  const people = choices.people.map(({ id, name }) => ({ id, label: name }));
  const write = (value: number | undefined) => (value === undefined ? '' : String(value));
  return (
    <SmallForm
      button="Work it out and sign it"
      onSend={(read) =>
        void run({
          kind: 'plan-clearing',
          points: readPoints(read('points')),
          drive_bar: Number(read('drive')),
          relief_bar: Number(read('relief')),
          weakest_bar: Number(read('weakest')),
          density: Number(read('density')),
          speed_m_min: Number(read('speed')),
          launcher: read('launcher'),
          catcher: read('catcher'),
          stands: read('stands'),
        })
      }
    >
      <label className="flex w-full flex-col text-sm">
        The line, one point on each row: along (m); height (m); bore (mm); parts, where it can be
        parted
        <textarea
          name="points"
          required
          rows={6}
          defaultValue={plan ? writePoints(plan.points) : ''}
          placeholder={'0; 12; 200; parts\n150; 22; 200; parts\n300; 10; 200; parts'}
          className="textarea w-full font-mono text-sm"
        />
      </label>
      <TextField
        label="Driven with (bar)"
        name="drive"
        type="number"
        value={write(plan?.drive_bar)}
      />
      <TextField
        label="Relief set to (bar)"
        name="relief"
        type="number"
        value={write(plan?.relief_bar)}
      />
      <TextField
        label="The weakest part stands (bar)"
        name="weakest"
        type="number"
        value={write(plan?.weakest_bar)}
      />
      <TextField
        label="Density of what is pushed (kg/m³)"
        name="density"
        type="number"
        value={write(plan?.density ?? 1000)}
      />
      <TextField
        label="Speed of the pig (m/min)"
        name="speed"
        type="number"
        value={write(plan?.speed_m_min)}
      />
      <PickField label="Lets the gas in" name="launcher" options={people} value={plan?.launcher} />
      <PickField
        label="Stands at the receiver"
        name="catcher"
        options={people}
        value={plan?.catcher}
      />
      <TextField label="Where everybody else stays" name="stands" value={plan?.stands ?? ''} />
    </SmallForm>
  );
}
