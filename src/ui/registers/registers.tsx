'use client';

import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import { endOfDay } from '../../core/days';
import { SHEETS } from '../../core/registers/columns';
import type { RegisterName, RegisterRow, Registers } from '../../core/registers/schema';
import { post, type Posted } from '../command/post';
import { PickField } from '../kit/combobox';
import { Faults } from '../kit/faults';
import { ChoiceField, PinField, SmallForm, TextField } from '../kit/field';
import { Instant, useMoments } from '../kit/moment';
import { SheetTool } from '../kit/sheet-tool';
import { Tabs } from '../kit/tabs';

type InUseNow = Readonly<Record<RegisterName, Readonly<Record<string, string>>>>;

interface Props {
  readonly registers: Registers;
  readonly version: number;
  readonly inUse: InUseNow;
  readonly people: readonly { readonly id: string; readonly label: string }[];
  readonly past: readonly { readonly at: string; readonly by: string; readonly words: string }[];
  readonly mayChange: boolean;
  readonly now: string;
}

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

const TITLES: Readonly<Record<RegisterName, string>> = {
  locks: 'Locks',
  boxes: 'Lock boxes',
  instruments: 'Instruments',
  earths: 'Earthing sets',
};

const ONE: Readonly<Record<RegisterName, string>> = {
  locks: 'a lock',
  boxes: 'a lock box',
  instruments: 'an instrument',
  earths: 'an earthing set',
};

/** So many rows are drawn at once. */
const MOST_SHOWN = 200;

/** A cell of a row as text; empty where there is none, and where it is no single figure or word. */
function cellOf(row: RegisterRow | undefined, field: string): string {
  const value = (row as Readonly<Record<string, unknown>> | undefined)?.[field];
  return typeof value === 'string' || typeof value === 'number' ? String(value) : '';
}

/** The fields of a row of each register, as its form has them. */
function RowFields({
  name,
  row,
  people,
}: {
  readonly name: RegisterName;
  readonly row: RegisterRow | undefined;
  readonly people: Props['people'];
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

function RowForm({
  name,
  row,
  props,
  onDone,
}: {
  readonly name: RegisterName;
  readonly row: RegisterRow | undefined;
  readonly props: Props;
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

/** What of a row is to be minded: that it is in use, that its test is over. */
function sayState(row: RegisterRow, where: string | undefined, now: string): string {
  const isOver = 'testedUntil' in row && Date.parse(row.testedUntil) < Date.parse(now);
  return [where ?? '', isOver ? 'TEST OVER' : ''].filter((one) => one !== '').join('; ');
}

function RegisterTab({ name, props }: { readonly name: RegisterName; readonly props: Props }) {
  const { registers, inUse, mayChange, now } = props;
  const { day } = useMoments();
  const [text, setText] = useState('');
  const [open, setOpen] = useState<string>();
  const columns = Object.keys(SHEETS[name].columns).filter((one) => one !== 'detector');
  const found = useMemo(() => {
    const wanted = text.trim().toLowerCase();
    const rows: readonly RegisterRow[] = registers[name];
    return rows.filter((row) =>
      Object.keys(row)
        .map((field) => cellOf(row, field))
        .join(' ')
        .toLowerCase()
        .includes(wanted),
    );
  }, [registers, name, text]);
  const show = (row: RegisterRow, column: string): string => {
    const text = cellOf(row, column);
    return column === 'testedUntil' && text !== '' ? day(text) : text;
  };
  return (
    <section aria-label={TITLES[name]} className="flex flex-col gap-3">
      <div className="flex flex-wrap items-end gap-3">
        <label className="flex grow flex-col text-sm">
          Find
          <input
            type="search"
            value={text}
            onChange={({ target }) => setText(target.value)}
            className="input input-sm w-full"
          />
        </label>
        <a href={`/api/registers/${name}`} className="text-sm underline">
          Download as CSV
        </a>
        {mayChange && (
          <a href={`/api/registers/${name}/labels`} className="text-sm underline">
            Print labels (PDF)
          </a>
        )}
        {mayChange && (
          <button className="btn btn-primary btn-sm" onClick={() => setOpen('')}>
            Add {ONE[name]}
          </button>
        )}
      </div>
      {open !== undefined && (
        <RowForm
          key={open}
          name={name}
          row={registers[name].find(({ id }) => id === open)}
          props={props}
          onDone={() => setOpen(undefined)}
        />
      )}
      {found.length === 0 ? (
        <p>{registers[name].length === 0 ? 'Nothing is in this register yet.' : 'None fits.'}</p>
      ) : (
        <div className="max-h-[55vh] overflow-auto" tabIndex={0}>
          <table className="w-full text-sm">
            <caption className="sr-only">{TITLES[name]}</caption>
            <thead>
              <tr className="text-left">
                {columns.map((column) => (
                  <th key={column} className="pr-3">
                    {HEADS[column] ?? column}
                  </th>
                ))}
                <th>Note</th>
              </tr>
            </thead>
            <tbody>
              {found.slice(0, MOST_SHOWN).map((row) => (
                <tr key={row.id} className="border-t border-base-300">
                  {columns.map((column) =>
                    column === 'id' ? (
                      <th key={column} className="py-1 pr-3 text-left font-mono">
                        {mayChange ? (
                          <button className="underline" onClick={() => setOpen(row.id)}>
                            {row.id}
                          </button>
                        ) : (
                          row.id
                        )}
                      </th>
                    ) : (
                      <td key={column} className="pr-3">
                        {show(row, column)}
                      </td>
                    ),
                  )}
                  <td>{sayState(row, inUse[name][row.id], now)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      {found.length > MOST_SHOWN && (
        <p className="text-sm">
          The first {MOST_SHOWN} of {found.length} are shown. Type more to find the rest.
        </p>
      )}
      {mayChange && (
        <SheetTool
          url={`/api/registers/${name}/sheet`}
          what={TITLES[name].toLowerCase()}
          columns={Object.keys(SHEETS[name].columns)}
        />
      )}
    </section>
  );
}

const HEADS: Readonly<Record<string, string>> = {
  id: 'Number',
  name: 'Name',
  set: 'Set',
  use: 'Used',
  owner: 'Owner',
  reads: 'Reads',
  contact: 'Touches',
  rated_v: 'Rated (V)',
  rated_ka: 'Carries (kA)',
  rated_s: 'For (s)',
  testedUntil: 'In date until',
};

/** Every change, the newest first. */
function Past({ past }: Pick<Props, 'past'>) {
  if (past.length === 0) return <p>Nothing was changed yet.</p>;
  return (
    <ul aria-label="What was changed" className="text-sm">
      {past.map(({ at, by, words }) => (
        <li key={at + words} className="border-t border-base-300 py-1">
          <Instant at={at} />, {by}: {words}
        </li>
      ))}
    </ul>
  );
}

/** Locks, boxes, instruments and earthing sets of the site. */
export function RegistersScreen(props: Props) {
  const [shown, setShown] = useState('');
  const names = Object.keys(TITLES) as RegisterName[];
  return (
    <main className="flex max-w-6xl flex-col gap-3 p-4">
      <h1 className="text-xl font-bold">Registers</h1>
      <p className="text-sm">
        {props.mayChange
          ? 'What the site locks and measures with. What hangs or is in use stays in its register.'
          : 'What the site locks and measures with. A site manager or a coordinator changes it.'}
      </p>
      <Tabs
        label="Registers"
        shown={shown}
        onShow={setShown}
        tabs={[
          ...names.map((name) => ({
            id: name,
            label: `${TITLES[name]} (${props.registers[name].length})`,
            content: <RegisterTab name={name} props={props} />,
          })),
          { id: 'past', label: 'What was changed', content: <Past past={props.past} /> },
        ]}
      />
    </main>
  );
}
