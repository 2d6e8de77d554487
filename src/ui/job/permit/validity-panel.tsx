'use client';

import type { HeldPermit } from '../../../core/job';
import { useCommand } from '../../command/use-command';
import { SmallForm, TextField } from '../../kit/field';
import type { DossierProps } from '../types';
import { Copies } from '../papers/copies';
import { Beside, Time } from '../../kit/moment';

interface Props {
  readonly permit: HeldPermit;
  readonly props: DossierProps;
}

function ExtendForm({ props }: Props) {
  const run = useCommand();
  const { view } = props;
  return (
    <details>
      <summary className="cursor-pointer text-sm">
        Extend after a retest, at the latest to <Beside at={view.latestEnd} now={view.now} />
      </summary>
      <SmallForm
        button="Extend with both signatures"
        onSend={(read) =>
          void run({
            kind: 'extend-permit',
            hours: Number(read('hours')),
            performer: view.dossier.performer,
            retested: read('retested'),
          })
        }
      >
        <TextField label="Valid from now for (h)" name="hours" type="number" />
        <TextField label="What was tested again" name="retested" />
      </SmallForm>
    </details>
  );
}

/** At the start of a shift an issuing authority looks at it anew. */
function RevalidateForm({ props }: Props) {
  const run = useCommand();
  const { view } = props;
  if (view.revalidationDue === undefined) return null;
  return (
    <div data-revalidation data-spot="revalidate" className="border-l-4 border-warning pl-2">
      <p className="font-bold">
        A new shift began: revalidate by <Beside at={view.revalidationDue} now={view.now} />
      </p>
      <SmallForm
        button="Revalidate with both signatures"
        onSend={(read) =>
          void run({
            kind: 'revalidate-permit',
            seen: read('looked'),
            performer: view.dossier.performer,
          })
        }
      >
        <TextField label="What was looked at" name="looked" />
      </SmallForm>
    </div>
  );
}

/** How long the permit is valid, how it goes on, and who has its copies. */
export function ValidityPanel(parts: Props) {
  const { permit } = parts;
  return (
    <>
      {permit.kind === 'issued' && <RevalidateForm {...parts} />}
      {permit.kind !== 'lapsed' && <ExtendForm {...parts} />}
      {permit.extensions.map(({ at, until, retested }) => (
        <p key={at} className="text-sm">
          Extended at <Time at={at} /> to <Time at={until} /> after: {retested}
        </p>
      ))}
      <Copies {...parts} />
    </>
  );
}
