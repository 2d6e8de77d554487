'use client';

import { useRouter } from 'next/navigation';
import { startTransition, useState } from 'react';
import { SHEETS } from '../../core/registers/columns';
import type { RegisterName, RegisterRow } from '../../core/registers/schema';
import { readCell } from '../../core/registers/sheet';
import { post, type Posted } from '../command/post';
import { PickField } from '../kit/combobox';
import { Faults } from '../kit/faults';
import { ChoiceField, PinField, SmallForm, TextField } from '../kit/field';
import { useMoments } from '../kit/moment';
import { FIELDS, type Field } from './fields';
import type { RegisterProps } from './props';
import { cellOf, ONE } from './words';

/** One field of a row, by what it holds. */
function RowField({
  field: { name, label, type, options = [], isNeeded, start = '' },
  row,
  people,
}: {
  readonly field: Field;
  readonly row: RegisterRow | undefined;
  readonly people: RegisterProps['people'];
}) {
  const { day } = useMoments();
  const kept = cellOf(row, name);
  const value = kept === '' ? start : kept;
  switch (type) {
    case 'choice':
      return (
        <ChoiceField
          label={label}
          name={name}
          options={options}
          value={value}
          required={isNeeded === true}
        />
      );
    case 'person':
      return (
        <PickField
          label={label}
          name={name}
          value={value}
          options={[{ id: '', label: 'nobody' }, ...people]}
        />
      );
    case 'day':
      return (
        <label className="flex grow flex-col text-sm">
          {label}
          <input
            type="date"
            name={name}
            required={isNeeded === true}
            defaultValue={value === '' ? '' : day(value)}
            className="input input-sm w-full"
          />
        </label>
      );
    case 'text':
    case 'number':
      return (
        <TextField
          label={label}
          name={name}
          type={type}
          value={value}
          required={isNeeded === true}
        />
      );
  }
}

/** A row from its form; what the form does not show (sensors of a detector) stays. */
function toRow(
  name: RegisterName,
  id: string,
  read: (field: string) => string,
  { before, zone }: { readonly before: RegisterRow | undefined; readonly zone: string },
): Readonly<Record<string, unknown>> {
  const { columns } = SHEETS[name];
  const typed = Object.entries(columns).flatMap(([field, cell]): [string, unknown][] => {
    if (field === 'id') return [[field, id]];
    const text = read(field).trim();
    if (cell === 'json') return [];
    return [[field, text === '' ? undefined : readCell(text, cell, zone)]];
  });
  const all = { ...before, ...Object.fromEntries(typed) };
  return Object.fromEntries(Object.entries(all).filter(([, value]) => value !== undefined));
}

/** Adds a row to a register, changes it or takes it out. */
export function RowForm({
  name,
  row,
  props,
  onDone,
}: {
  readonly name: RegisterName;
  readonly row: RegisterRow | undefined;
  readonly props: RegisterProps;
  readonly onDone: () => void;
}) {
  const router = useRouter();
  const { zone } = useMoments();
  const [answer, setAnswer] = useState<Posted>();
  const send = async (
    change: { put?: readonly unknown[]; remove?: readonly string[] },
    pin: string,
  ) => {
    const done = await post(`/api/registers/${name}`, {
      put: [],
      remove: [],
      ...change,
      expected: props.version,
      pin,
    });
    setAnswer(done);
    if (!done.ok) return;
    startTransition(() => {
      router.refresh();
      onDone();
    });
  };
  return (
    <div
      role="group"
      aria-label={row ? `Change ${row.id}` : `Add ${ONE[name]}`}
      className="flex flex-col gap-2 border-2 border-base-content p-3"
    >
      <SmallForm
        button={row ? 'Save the change' : 'Add it'}
        onSend={(read) =>
          void send(
            { put: [toRow(name, row?.id ?? read('id').trim(), read, { before: row, zone })] },
            read('pin'),
          )
        }
      >
        {row ? (
          <p className="w-full font-mono font-bold">{row.id}</p>
        ) : (
          <TextField label="Number" name="id" />
        )}
        {FIELDS[name].map((field) => (
          <RowField key={field.name} field={field} row={row} people={props.people} />
        ))}
        <PinField />
      </SmallForm>
      {row && (
        <SmallForm
          button="Remove it from the register"
          onSend={(read) => void send({ remove: [row.id] }, read('pin'))}
        >
          <PinField />
        </SmallForm>
      )}
      <Faults answer={answer} />
      <button type="button" className="btn btn-sm self-start" onClick={onDone}>
        Cancel
      </button>
    </div>
  );
}
