'use client';

import { useMemo, useState } from 'react';
import { SHEETS, type Cell } from '../../core/registers/columns';
import type { RegisterName, RegisterRow } from '../../core/registers/schema';
import { useMoments } from '../kit/moment';
import { SheetTool } from '../kit/sheet-tool';
import type { RegisterProps } from './props';
import { RowForm } from './row-form';
import { cellOf, HEADS, ONE, TITLES } from './words';

/** So many rows are drawn at once. */
const MOST_SHOWN = 200;

/** Cells that hold a day. */
const DAYS: ReadonlySet<Cell> = new Set(['day', 'from-day']);

/** Nothing to stick a label on. */
const WITHOUT_LABELS: ReadonlySet<RegisterName> = new Set(['employers', 'bundles']);

/** What of a row is to be minded: that it is in use, that its test is over. */
function sayState(row: RegisterRow, where: string | undefined, now: string): string {
  const { testedUntil = now } = row as { readonly testedUntil?: string };
  const isOver = Date.parse(testedUntil) < Date.parse(now);
  return [where ?? '', isOver ? 'TEST OVER' : ''].filter((one) => one !== '').join('; ');
}

/** One register: its rows, found by typing, its form and its sheet. */
export function RegisterTab({
  name,
  props,
}: {
  readonly name: RegisterName;
  readonly props: RegisterProps;
}) {
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
    return DAYS.has(SHEETS[name].columns[column] ?? 'text') && text !== '' ? day(text) : text;
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
        {mayChange && !WITHOUT_LABELS.has(name) && (
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
