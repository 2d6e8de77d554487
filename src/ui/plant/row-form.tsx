'use client';

import { readField, showField, type Column, type Row } from './columns';

/** The form of one row: every column, what stands in it, and a way to keep or drop it. */
export function RowForm({
  columns,
  row,
  onKeep,
  onRemove,
  onCancel,
}: {
  readonly columns: readonly Column[];
  /** Undefined for a new row. */
  readonly row: Row | undefined;
  readonly onKeep: (row: Row) => void;
  readonly onRemove: () => void;
  readonly onCancel: () => void;
}) {
  return (
    <form
      aria-label={row ? `Change ${row.id}` : 'New row'}
      className="flex flex-col gap-2 border-2 border-base-content p-3"
      onSubmit={(event) => {
        event.preventDefault();
        const form = new FormData(event.currentTarget);
        const next: Record<string, unknown> = { ...row };
        for (const column of columns) {
          const value = readField(column, (form.get(column.name) as string | null) ?? '');
          if (value === undefined) delete next[column.name];
          else next[column.name] = value;
        }
        onKeep(next as Row);
      }}
    >
      <h2 className="text-lg font-bold">{row ? `Change ${row.id}` : 'New row'}</h2>
      {columns.map((column) => {
        const start = showField(column, row?.[column.name]);
        const options = column.type === 'yes-no' ? ['yes', 'no'] : column.options;
        return (
          <label key={column.name} className="grid grid-cols-2 items-center gap-2 text-sm">
            {column.label}
            {options ? (
              <select
                name={column.name}
                defaultValue={start}
                required={column.isNeeded}
                className="select select-sm w-full"
              >
                {!column.isNeeded && <option value="">not given</option>}
                {options.map((option) => (
                  <option key={option}>{option}</option>
                ))}
              </select>
            ) : (
              <input
                name={column.name}
                defaultValue={start}
                required={column.isNeeded}
                className="input input-sm w-full font-mono"
              />
            )}
          </label>
        );
      })}
      <div className="flex flex-wrap gap-2">
        <button className="btn btn-primary btn-sm">Keep the row</button>
        {row && (
          <button type="button" className="btn btn-sm" onClick={onRemove}>
            Remove {row.id}
          </button>
        )}
        <button type="button" className="btn btn-sm" onClick={onCancel}>
          Leave as it was
        </button>
      </div>
    </form>
  );
}
