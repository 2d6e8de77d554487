'use client';

import { Redo2, Undo2 } from 'lucide-react';
import { useMemo, useState } from 'react';
import type { Plant } from '../../core/plant';
import { diffPlants } from '../../core/plant/diff';
import { parsePlant } from '../../core/plant/parse';
import { formatPlantProblem } from '../../core/plant/problems';
import { EDITED, listColumns, showField, type Edited, type Row } from './columns';
import { LoadFile } from './load-file';
import { RowForm } from './row-form';
import { SavePlant } from './save';

const TITLES: Readonly<Record<Edited, string>> = {
  sections: 'Sections',
  links: 'Links',
  outlets: 'Outlets',
  surroundings: 'Surroundings',
  interlocks: 'Interlocks',
  renamed: 'Old ids',
};
const MOST_ROWS = 200;

/** A plant under change, with every step kept until it is saved. */
function useHistory(start: Plant) {
  const [steps, setSteps] = useState<readonly Plant[]>([start]);
  const [at, setAt] = useState(0);
  return {
    plant: steps[at] ?? start,
    push: (plant: Plant) => {
      setSteps([...steps.slice(0, at + 1), plant]);
      setAt(at + 1);
    },
    undo: at > 0 ? () => setAt(at - 1) : undefined,
    redo: at < steps.length - 1 ? () => setAt(at + 1) : undefined,
  };
}

const rowsOf = (plant: Plant, table: Edited): readonly Row[] =>
  (plant[table] ?? []) as readonly Row[];

function replaceRow(plant: Plant, table: Edited, old: string | undefined, row?: Row): Plant {
  const rows = rowsOf(plant, table);
  const next =
    old === undefined
      ? [...rows, ...(row ? [row] : [])]
      : rows.flatMap((one) => (one.id === old ? (row ?? []) : one));
  return { ...plant, [table]: next };
}

/** Changing the plant: rows by table or a whole file, with undo until it is saved as the next version. */
export function PlantEditor({
  start,
  version,
}: {
  readonly start: Plant;
  readonly version: number;
}) {
  const { plant, push, undo, redo } = useHistory(start);
  const [table, setTable] = useState<Edited>('links');
  const [wanted, setWanted] = useState('');
  const [open, setOpen] = useState<{ readonly id: string | undefined }>();
  const changes = useMemo(() => diffPlants(start, plant), [start, plant]);
  const problems = useMemo(() => {
    const parsed = parsePlant(plant);
    return parsed.ok ? [] : parsed.problems.map(formatPlantProblem);
  }, [plant]);
  const columns = listColumns(table, plant);
  const listed = columns.filter(({ isListed }) => isListed);
  const needle = wanted.trim().toLowerCase();
  const rows = rowsOf(plant, table).filter((row) =>
    listed.some((column) => showField(column, row[column.name]).toLowerCase().includes(needle)),
  );
  const openRow = rowsOf(plant, table).find(({ id }) => id === open?.id);
  return (
    <main className="flex flex-col gap-3 p-4">
      <div className="flex flex-wrap items-center gap-3">
        <h1 className="grow text-xl font-bold">Change the plant, from version {version}</h1>
        <button type="button" className="btn btn-sm" disabled={!undo} onClick={undo}>
          <Undo2 size={14} aria-hidden /> Undo
        </button>
        <button type="button" className="btn btn-sm" disabled={!redo} onClick={redo}>
          <Redo2 size={14} aria-hidden /> Redo
        </button>
      </div>
      <LoadFile onLoad={push} />
      <div className="grid items-start gap-5 lg:grid-cols-[minmax(0,1fr)_24rem]">
        <section aria-label="Rows" className="flex flex-col gap-2">
          <div className="flex flex-wrap items-end gap-2">
            <label className="flex flex-col text-sm">
              Table
              <select
                value={table}
                onChange={({ target }) => {
                  setTable(target.value as Edited);
                  setOpen(undefined);
                }}
                className="select select-sm"
              >
                {EDITED.map((one) => (
                  <option key={one} value={one}>
                    {TITLES[one]} ({rowsOf(plant, one).length})
                  </option>
                ))}
              </select>
            </label>
            <label className="flex grow flex-col text-sm">
              Find
              <input
                value={wanted}
                onChange={({ target }) => setWanted(target.value)}
                className="input input-sm w-full"
              />
            </label>
            <button type="button" className="btn btn-sm" onClick={() => setOpen({ id: undefined })}>
              New row
            </button>
          </div>
          <div
            className="max-h-[34rem] overflow-auto"
            tabIndex={0}
            aria-label="List of rows"
            role="region"
          >
            <table className="w-full text-sm">
              <thead>
                <tr className="text-left">
                  {listed.map(({ name, label }) => (
                    <th key={name}>{label}</th>
                  ))}
                  <th>
                    <span className="sr-only">Change</span>
                  </th>
                </tr>
              </thead>
              <tbody>
                {rows.slice(0, MOST_ROWS).map((row) => (
                  <tr key={row.id} className="border-t border-base-300">
                    {listed.map((column) => (
                      <td
                        key={column.name}
                        className={`py-1 pr-2 font-mono text-xs ${column.name === 'id' ? 'whitespace-nowrap' : ''}`}
                      >
                        {showField(column, row[column.name])}
                      </td>
                    ))}
                    <td className="text-right">
                      <button
                        type="button"
                        className="btn btn-xs"
                        aria-label={`change ${row.id}`}
                        onClick={() => setOpen({ id: row.id })}
                      >
                        Change
                      </button>
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
            {rows.length > MOST_ROWS && (
              <p>and {rows.length - MOST_ROWS} more: narrow the search.</p>
            )}
            {rows.length === 0 && <p>No row has that in it.</p>}
          </div>
        </section>
        <div className="flex flex-col gap-4">
          {open && (
            <RowForm
              key={`${table}/${open.id ?? ''}`}
              columns={columns}
              row={openRow}
              onCancel={() => setOpen(undefined)}
              onRemove={() => {
                push(replaceRow(plant, table, open.id));
                setOpen(undefined);
              }}
              onKeep={(row) => {
                push(replaceRow(plant, table, open.id, row));
                setOpen(undefined);
              }}
            />
          )}
          <SavePlant plant={plant} version={version} changes={changes} problems={problems} />
        </div>
      </div>
    </main>
  );
}
