'use client';

import { useCommand } from '../../command/use-command';
import { SmallForm, TextField } from '../../kit/field';
import { Panel } from '../../kit/panel';
import type { DossierProps } from '../types';

/** Blanks that were put in behind openings for hot work, each to be taken out before the job is closed. */
export function BlanksPanel({ view }: DossierProps) {
  const run = useCommand();
  const blanked = Object.entries(view.dossier.hotWork.cleared).flatMap(([neighbour, { blank }]) =>
    blank ? [{ neighbour, blank }] : [],
  );
  if (blanked.length === 0) return null;
  return (
    <Panel title="Blanks of the hot work" spot="blanks">
      {blanked.map(({ neighbour, blank }) => (
        <SmallForm
          key={neighbour}
          button={`Blanks behind ${neighbour} are out`}
          onSend={(read) => void run({ kind: 'take-out-blanks', neighbour, seen: read('seen') })}
        >
          <TextField
            label={`${blank.links.join(', ')}, fitted under ${blank.under}: how it was left`}
            name="seen"
          />
        </SmallForm>
      ))}
    </Panel>
  );
}
