'use client';

import { useCommand } from '../command/use-command';
import { SmallForm, TextField } from '../kit/field';
import { hoursAfter } from '../../core/hours';

/** Who allows a device to be out of action, until when, and what guards instead. */
export function AllowForm({ device, now }: { readonly device: string; readonly now: string }) {
  const run = useCommand();
  return (
    <SmallForm
      button={`Allow ${device} to be out of action`}
      onSend={(read) =>
        void run({
          kind: 'allow-bypass',
          device,
          until: hoursAfter(now, Number(read('hours'))),
          standsIn: read('standsIn'),
          reason: read('reason'),
        })
      }
    >
      <TextField label="For how long (h)" name="hours" type="number" />
      <TextField label="What guards instead" name="standsIn" />
      <TextField label="Why" name="reason" />
    </SmallForm>
  );
}
