'use client';

import { useTable, type SortingState } from '@tanstack/react-table';
import { ArrowDown, ArrowUp, Columns3, Download } from 'lucide-react';
import { useState } from 'react';
import type { JobRow } from '../../core/watch';
import { Menu } from '../kit/menu';
import { useMoments } from '../kit/moment';
import { columns, features, HIDDEN_AT_FIRST } from './job-columns';
import { JobRows } from './job-rows';

function Filter({
  label,
  options,
  value,
  onPick,
}: {
  readonly label: string;
  readonly options: readonly string[];
  readonly value: string;
  readonly onPick: (value: string) => void;
}) {
  return (
    <label className="flex items-center gap-1 text-sm">
      {label}
      <select
        className="select select-sm w-auto"
        value={value}
        onChange={({ target }) => onPick(target.value)}
      >
        <option value="">all</option>
        {options.map((one) => (
          <option key={one}>{one}</option>
        ))}
      </select>
    </label>
  );
}

function Tick({
  label,
  is,
  onTick,
}: {
  readonly label: string;
  readonly is: boolean;
  readonly onTick: (is: boolean) => void;
}) {
  return (
    <label className="flex items-center gap-1 text-sm">
      <input
        type="checkbox"
        className="checkbox checkbox-sm"
        checked={is}
        onChange={({ target }) => onTick(target.checked)}
      />
      {label}
    </label>
  );
}

interface Choosable {
  readonly id: string;
  readonly columnDef: { readonly header?: unknown };
  readonly getIsVisible: () => boolean;
  readonly toggleVisibility: (isOn: boolean) => void;
}

/** Which columns are shown. */
function ColumnMenu({ all }: { readonly all: readonly Choosable[] }) {
  const button = (
    <>
      <Columns3 size={14} aria-hidden /> Columns
    </>
  );
  return (
    <Menu
      className="btn btn-sm"
      button={button}
      items={all
        // The number stays: without it nobody knows which job a row is about.
        .filter(({ id }) => id !== 'id')
        .map((column) => ({
          label: String(column.columnDef.header),
          isTicked: column.getIsVisible(),
          does: () => column.toggleVisibility(!column.getIsVisible()),
        }))}
    />
  );
}

/** Hands a sheet to whoever sits here, as a file. */
async function handOut(sheet: readonly (readonly string[])[]): Promise<void> {
  const { unparse } = await import('papaparse');
  const text = unparse(
    sheet.map((row) => [...row]),
    { newline: '\r\n', escapeFormulae: true },
  );
  const link = document.createElement('a');
  link.href = URL.createObjectURL(new Blob([text], { type: 'text/csv' }));
  link.download = 'jobs.csv';
  link.click();
  URL.revokeObjectURL(link.href);
}

const ARIA_SORT = { asc: 'ascending', desc: 'descending' } as const;

const distinct = (rows: readonly JobRow[], of: (row: JobRow) => string) =>
  [...new Set(rows.map(of))].filter((one) => one !== '').sort();

/** The jobs as a table: sorted, filtered, with the columns that somebody wants, and written out as it is shown. */
export function JobTable({
  rows,
  now,
}: {
  readonly rows: readonly JobRow[];
  readonly now: string;
}) {
  const { instant } = useMoments();
  const [sorting, setSorting] = useState<SortingState>([]);
  const [words, setWords] = useState('');
  const [isMine, setMine] = useState(false);
  const [isOpen, setOpen] = useState(false);
  const table = useTable({
    features,
    columns,
    data: rows.filter((row) => (!isMine || row.isMine) && (!isOpen || !row.isClosed)),
    globalFilterFn: 'includesString',
    getRowId: ({ id }: JobRow) => id,
    initialState: { columnVisibility: HIDDEN_AT_FIRST },
    state: { sorting, globalFilter: words },
    onSortingChange: setSorting,
    onGlobalFilterChange: setWords,
  });
  const shown = table.getRowModel().rows;
  const visible = table.getVisibleLeafColumns();
  const filter = (id: 'stands' | 'area' | 'employer') => {
    const column = table.getColumn(id);
    return {
      options: distinct(rows, (row) => row[id]),
      value: (column?.getFilterValue() as string | undefined) ?? '',
      onPick: (value: string) => column?.setFilterValue(value === '' ? undefined : value),
    };
  };
  const writeOut = () => {
    const heads = visible.map(({ columnDef }) => String(columnDef.header));
    const body = shown.map((row) =>
      visible.map(({ id }) => {
        const value = row.getValue(id) as string;
        return id === 'until' && value !== '' ? instant(value) : value;
      }),
    );
    void handOut([heads, ...body]);
  };
  const headings = visible.map((column) => {
    const sorted = column.getIsSorted();
    return (
      <span
        key={column.id}
        role="columnheader"
        aria-sort={sorted === false ? 'none' : ARIA_SORT[sorted]}
      >
        <button
          className="flex items-center gap-1 text-left font-bold"
          onClick={column.getToggleSortingHandler()}
        >
          {String(column.columnDef.header)}
          {sorted === 'asc' && <ArrowUp size={12} aria-hidden />}
          {sorted === 'desc' && <ArrowDown size={12} aria-hidden />}
        </button>
      </span>
    );
  });
  return (
    <section aria-label="All jobs" className="flex min-h-0 flex-col gap-2">
      <div className="flex flex-wrap items-center gap-3">
        <input
          value={words}
          onChange={({ target }) => setWords(target.value)}
          aria-label="Jobs with this in them"
          placeholder="Show those with…"
          className="input input-sm w-52"
        />
        <Filter label="Stands" {...filter('stands')} />
        <Filter label="Area" {...filter('area')} />
        <Filter label="Employer" {...filter('employer')} />
        <Tick label="mine" is={isMine} onTick={setMine} />
        <Tick label="not closed" is={isOpen} onTick={setOpen} />
        <span className="ml-auto flex items-center gap-2">
          <span className="text-sm" role="status">
            {shown.length} of {rows.length}
          </span>
          <ColumnMenu all={table.getAllLeafColumns()} />
          <button className="btn btn-sm" onClick={writeOut}>
            <Download size={14} aria-hidden /> CSV of what is shown
          </button>
        </span>
      </div>
      <JobRows
        rows={shown.map(({ original }) => original)}
        shown={visible.map(({ id }) => id)}
        headings={headings}
        now={now}
      />
    </section>
  );
}
