'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { endOfDay } from '../../core/days';
import { SHEETS } from '../../core/registers/columns';
import type { RegisterName, RegisterRow } from '../../core/registers/schema';
import { post, type Posted } from '../command/post';
import { PickField } from '../kit/combobox';
import { Faults } from '../kit/faults';
import { ChoiceField, PinField, SmallForm, TextField } from '../kit/field';
import { useMoments } from '../kit/moment';
import type { RegisterProps } from './props';
import { cellOf, ONE } from './words';

const USES = [
  { id: 'point', label: 'of the site, for points' },
  { id: 'control', label: 'control lock, for boxes' },
  { id: 'crew', label: 'of a crew' },
  { id: 'personal', label: 'personal, of one owner' },
];
const READS = ['voltage', 'pressure', 'level', 'motion', 'temperature', 'gas'].map((id) => ({
  id,
  label: id,
}));
const CONTACTS = [
  { id: '', label: 'not a voltage tester' },
  { id: 'two-pole', label: 'two poles' },
  { id: 'non-contact', label: 'without contact' },
  { id: 'plug-in', label: 'plugged in' },
];

/** The fields of a row of each register, as its form has them. */
function RowFields({
  name,
  row,
  people,
}: {
  readonly name: RegisterName;
  readonly row: RegisterRow | undefined;
  readonly people: RegisterProps['people'];
}) {
  const { day } = useMoments();
  const text = (field: string) => cellOf(row, field);
  const until = text('testedUntil') === '' ? '' : day(text('testedUntil'));
  const tested = (
    <label className="flex grow flex-col text-sm">
      Test in date until
      <input
        type="date"
        name="testedUntil"
        required
        defaultValue={until}
        className="input input-sm w-full"
      />
    </label>
  );
  switch (name) {
    case 'locks':
      return (
        <>
          <TextField label="Set" name="set" value={text('set')} />
          <ChoiceField label="Used" name="use" options={USES} value={text('use') || 'point'} />
          <PickField
            label="Owner, of a personal lock"
            name="owner"
            value={text('owner')}
            options={[{ id: '', label: 'nobody' }, ...people]}
          />
        </>
      );
    case 'boxes':
      return <TextField label="Name" name="name" value={text('name')} />;
    case 'instruments':
      return (
        <>
          <TextField label="Name" name="name" value={text('name')} />
          <ChoiceField
            label="Reads"
            name="reads"
            options={READS}
            value={text('reads') || 'pressure'}
          />
          <ChoiceField
            label="A voltage tester touches"
            name="contact"
            options={CONTACTS}
            value={text('contact')}
            required={false}
          />
          <TextField
            label="Rated for (V), a voltage tester"
            name="rated_v"
            type="number"
            value={text('rated_v')}
            required={false}
          />
          {tested}
        </>
      );
    case 'earths':
      return (
        <>
          <TextField label="Name" name="name" value={text('name')} />
          <TextField
            label="Carries (kA)"
            name="rated_ka"
            type="number"
            value={text('rated_ka')}
            required={false}
          />
          <TextField
            label="For (s)"
            name="rated_s"
            type="number"
            value={text('rated_s')}
            required={false}
          />
          {tested}
        </>
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
    if (text === '') return [[field, undefined]];
    if (cell === 'number') return [[field, Number(text)]];
    return [[field, cell === 'day' ? endOfDay(text, zone) : text]];
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
    router.refresh();
    onDone();
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
        <RowFields name={name} row={row} people={props.people} />
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
