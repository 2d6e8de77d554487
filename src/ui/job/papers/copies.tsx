'use client';

import type { NumberedPermit } from '../../../core/job';
import { findCopyEnd, listCopiesOut } from '../../../core/job/copies';
import { isHeld } from '../../../core/job/permit-record';
import { useCommand } from '../../command/use-command';
import { ChoiceField, SmallForm, TextField } from '../../kit/field';
import type { DossierProps } from '../types';

interface Props {
  readonly permit: NumberedPermit;
  readonly props: DossierProps;
}

const END_WORDS = { back: 'taken in', lost: 'lost', replaced: 'replaced' } as const;

function GiveForm({ permit }: Pick<Props, 'permit'>) {
  const run = useCommand();
  return (
    <SmallForm
      button="Give a copy"
      onSend={(read) =>
        void run({
          kind: 'give-copy',
          holder: read('holder'),
          ...(read('instead') === '' ? {} : { instead: Number(read('instead')) }),
        })
      }
    >
      <TextField label="Who has it, or where it hangs" name="holder" />
      <ChoiceField
        label="In place of"
        name="instead"
        required={false}
        options={[
          { id: '', label: 'none' },
          ...permit.copies.map(({ number, holder }) => ({
            id: String(number),
            label: `No. ${number}, ${holder}`,
          })),
        ]}
      />
    </SmallForm>
  );
}

function TakeInForm({ number }: { readonly number: number }) {
  const run = useCommand();
  return (
    <SmallForm
      button={`Copy ${number} accounted for`}
      onSend={(read) =>
        void run({
          kind: 'take-in-copy',
          number,
          end: read('end') === 'lost' ? 'lost' : 'back',
          note: read('copy-note'),
        })
      }
    >
      <ChoiceField
        label="It is"
        name="end"
        options={[
          { id: 'back', label: 'taken in' },
          { id: 'lost', label: 'lost' },
        ]}
      />
      <TextField label="Note" name="copy-note" required={false} />
    </SmallForm>
  );
}

/** Numbered copies: who has which, which stands for another, and which are accounted for. */
export function Copies({ permit, props }: Props) {
  const out = listCopiesOut(permit).length;
  if (permit.copies.length === 0 && !isHeld(permit)) return null;
  return (
    <details open={out > 0 && !isHeld(permit)}>
      <summary className="cursor-pointer text-sm">
        Copies:{' '}
        {permit.copies.length === 0 ? 'none given' : `${out} of ${permit.copies.length} out`}
      </summary>
      <ul className="text-sm">
        {permit.copies.map((copy) => {
          const { number, holder, instead } = copy;
          const end = findCopyEnd(copy, permit.copies);
          return (
            <li key={number} className="border-t border-base-300 py-1">
              No. <span className="font-mono">{number}</span>: {holder}
              {instead === undefined ? '' : `, second copy in place of No. ${instead}`}
              {end === undefined ? '' : `, ${END_WORDS[end]}`}{' '}
              <a href={`/api/jobs/${props.jobId}/papers?copy=${number}`} className="underline">
                print (PDF)
              </a>
              {end === undefined && <TakeInForm number={number} />}
            </li>
          );
        })}
      </ul>
      {isHeld(permit) && <GiveForm permit={permit} />}
    </details>
  );
}
