'use client';

import { useCommand } from '../command/use-command';
import { SmallForm, TextField } from '../kit/field';
import { Instant } from '../kit/moment';
import { Panel } from '../kit/panel';
import { hoursAfter } from '../../core/hours';
import type { DossierProps } from './types';

/** What is repaired under pressure, within which limits, and who has allowed it. */
export function PressureRepairPanel({ view, names }: DossierProps) {
  const run = useCommand();
  const { pressureRepair } = view.dossier;
  return (
    <Panel title="Repair under pressure" spot="pressure-repair">
      {pressureRepair && (
        <p>
          {pressureRepair.what}, at {pressureRepair.bar} bar. Not let down because{' '}
          {pressureRepair.why}. Limits: {pressureRepair.limits}. Cleared by{' '}
          {names[pressureRepair.by] ?? pressureRepair.by}, until{' '}
          <Instant at={pressureRepair.until} />.
        </p>
      )}
      <details open={!pressureRepair}>
        <summary className="cursor-pointer text-sm">
          {pressureRepair ? 'Clear it anew' : 'Clear it in writing'}
        </summary>
        <p className="text-sm">
          Letting it down is always better. Only the site manager clears this, and nobody who leads
          the work.
        </p>
        <SmallForm
          button="Sign the clearance"
          onSend={(read) =>
            void run({
              kind: 'allow-pressure-repair',
              what: read('what'),
              bar: Number(read('bar')),
              why: read('why'),
              limits: read('limits'),
              until: hoursAfter(view.now, Number(read('hours'))),
            })
          }
        >
          <TextField label="What is repaired" name="what" />
          <TextField label="Pressure there (bar)" name="bar" type="number" />
          <TextField label="Why it is not let down" name="why" />
          <TextField
            label="What may be done and no more, where everybody stands, how it is let down at once"
            name="limits"
          />
          <TextField label="It counts for (h)" name="hours" type="number" />
        </SmallForm>
      </details>
    </Panel>
  );
}
