'use client';

import { useCommand } from '../command/use-command';
import { SmallForm, TextField } from '../kit/field';
import { Instant } from '../kit/moment';
import { Panel } from '../kit/panel';
import type { DossierProps } from './types';

/** A pressure test with gas: what it shuts in, how far off people stay, and who has allowed it. */
export function GasTestPanel({ view, names }: DossierProps) {
  const run = useCommand();
  const { gasTest } = view.dossier;
  const isOpen = view.gasTests.some(({ isApproved }) => !isApproved);
  return (
    <Panel title="Pressure test with gas" spot="gas-test">
      <ul>
        {view.gasTests.map(({ subject, pressure_bar, energy_kj, clear_m }) => (
          <li key={subject}>
            <strong className="font-mono">{subject}</strong>: {pressure_bar} bar, {energy_kj} kJ
            shut in. Everybody stays {clear_m} m away.
          </li>
        ))}
      </ul>
      {gasTest && (
        <p>
          Allowed by {names[gasTest.by] ?? gasTest.by}, <Instant at={gasTest.at} />. Water will not
          do: {gasTest.why}. While it stands: {gasTest.stands}.
        </p>
      )}
      {isOpen && (
        <>
          <p className="text-sm">
            The same test with water shuts in a small part of that energy. Gas needs the name of the
            site manager or of an issuing authority who has neither worked it out nor leads the
            work.
          </p>
          <SmallForm
            button="Sign that it may be tested with gas"
            onSend={(read) =>
              void run({ kind: 'approve-gas-test', why: read('why'), stands: read('stands') })
            }
          >
            <TextField label="Why water will not do" name="why" />
            <TextField
              label="Where everybody stands, how it is raised and relieved"
              name="stands"
            />
          </SmallForm>
        </>
      )}
    </Panel>
  );
}
