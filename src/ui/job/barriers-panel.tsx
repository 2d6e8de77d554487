'use client';

import { useCommand } from '../command/use-command';
import { SmallForm, TextField } from '../kit/field';
import { Instant } from '../kit/moment';
import { Panel } from '../kit/panel';
import type { DossierProps } from './types';

/** Where barriers and notices stand round the work, and who set them. */
export function BarriersPanel({ view, names }: DossierProps) {
  const run = useCommand();
  const { barriers } = view.dossier;
  return (
    <Panel title="Barriers and notices" spot="barriers">
      {barriers && (
        <p>
          {barriers.where}. Notices: {barriers.notices}. Set by {names[barriers.by] ?? barriers.by},{' '}
          <Instant at={barriers.at} />.
        </p>
      )}
      <SmallForm
        button={barriers ? 'Record that they were moved' : 'Record that they are set'}
        onSend={(read) =>
          void run({ kind: 'set-barriers', where: read('where'), notices: read('notices') })
        }
      >
        <TextField label="From where to where they stand" name="where" />
        <TextField label="What the notices say, and where they hang" name="notices" />
      </SmallForm>
    </Panel>
  );
}
