'use client';

import Link from 'next/link';
import type { ProcedureCommand } from '../../core/procedures/commands';
import { listProcedureSigners } from '../../core/procedures/record';
import { useSigned } from '../command/use-signed';
import { SmallForm, TextField } from '../kit/field';
import { PickField } from '../kit/combobox';
import type { DossierProps } from './types';

/** Writes the plan of a job that was carried out down as the procedure of its machine and task. */
export function WriteProcedure({ jobId, me, names, view, procedures }: DossierProps) {
  const { give, shown } = useSigned<ProcedureCommand>({
    url: '/api/procedures',
    names,
    signersOf: (command) => listProcedureSigners(command, me),
    changed: 'Somebody was quicker. Nothing of yours was kept: look again.',
  });
  if (!procedures) return null;
  const { mine, all } = procedures;
  if (mine) {
    return (
      <p className="text-sm">
        Written down as{' '}
        <Link href={`/procedures/${mine.number}`} className="font-mono underline">
          {mine.name}
        </Link>
        .
      </p>
    );
  }
  return (
    <details data-write-procedure>
      <summary className="cursor-pointer">Write it down as the procedure of this machine</summary>
      <SmallForm
        button="Write it down"
        onSend={(read) =>
          give({
            kind: 'write-procedure',
            job: jobId,
            task: read('task'),
            note: read('note'),
            ...(Number(read('of')) > 0 ? { procedure: Number(read('of')) } : {}),
          })
        }
      >
        <TextField label="Task" name="task" value={view.dossier.title} />
        {all.length > 0 && (
          <PickField
            label="As"
            name="of"
            options={[
              { id: '0', label: 'a procedure of its own' },
              ...all.map(({ number, name, task }) => ({
                id: String(number),
                label: `the next version of ${name}, ${task}`,
              })),
            ]}
          />
        )}
        <TextField label="What is to be known about it" name="note" required={false} />
      </SmallForm>
      {shown}
    </details>
  );
}
