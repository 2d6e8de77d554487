'use client';

import { useCommand } from '../command/use-command';
import { CheckField, SmallForm } from '../kit/field';
import { RESTORE_NAMES } from './names';

/** Taking an earth off: the conductors before the earth end, the other way round than it went on, nobody touching a lead. */
export function EarthOffForm({ outlet }: { readonly outlet: string }) {
  const run = useCommand();
  return (
    <SmallForm
      button={RESTORE_NAMES['earth-off']}
      onSend={(read) =>
        void run({
          kind: 'close-outlet',
          outlet,
          off: { reversed: read('reversed') === 'on', clear: read('clear') === 'on' },
        })
      }
    >
      <CheckField
        name="reversed"
        label="farthest and highest conductor first, the earth end last"
      />
      <CheckField name="clear" label="nobody touched a lead while a clamp was on" />
    </SmallForm>
  );
}
