'use client';

import { useRouter } from 'next/navigation';
import type { KeyboardEvent, ReactNode } from 'react';
import type { JobRow } from '../../core/watch';
import { JobCell } from './job-cell';
import { useLongRows } from '../kit/long-rows';
import { layColumns } from './job-columns';

const ROW_PX = 48;
/** A line of their own where the screen is narrow. */
const WIDE: ReadonlySet<string> = new Set(['title', 'next', 'until']);

/** Steps from row to row by the arrow keys; Enter opens the one in focus. */
function stepRows(event: KeyboardEvent<HTMLElement>): void {
  if (event.key !== 'ArrowDown' && event.key !== 'ArrowUp') return;
  const links = [...event.currentTarget.querySelectorAll<HTMLElement>('a[href^="/jobs/"]')];
  const at = links.indexOf(document.activeElement as HTMLElement);
  const next = links[at + (event.key === 'ArrowDown' ? 1 : -1)];
  if (!next) return;
  event.preventDefault();
  next.focus();
}

/** The rows of the jobs that are shown, under their headings. */
export function JobRows({
  rows,
  shown,
  headings,
  now,
}: {
  readonly rows: readonly JobRow[];
  /** Ids of the columns that are shown. */
  readonly shown: readonly string[];
  readonly headings: ReactNode;
  readonly now: string;
}) {
  const router = useRouter();
  const { scroller, isLong, drawn, before, after } = useLongRows(rows.length, () => ROW_PX);
  const grid = { gridTemplateColumns: layColumns(shown) };
  return (
    <div
      ref={scroller}
      role="table"
      aria-label="Jobs"
      aria-rowcount={rows.length + 1}
      tabIndex={-1}
      onKeyDown={stepRows}
      className={`overflow-x-auto ${isLong ? 'max-h-[calc(100vh-13rem)] overflow-y-auto' : ''}`}
    >
      <div role="rowgroup">
        <div
          role="row"
          className="grid min-w-[56rem] gap-x-3 bg-base-200 px-2 py-1 text-sm max-md:hidden"
          style={grid}
        >
          {headings}
        </div>
      </div>
      <div role="rowgroup" style={{ paddingTop: before, paddingBottom: after }}>
        {drawn.map((index) => {
          const row = rows[index];
          if (!row) return null;
          return (
            <div
              key={row.id}
              role="row"
              aria-rowindex={index + 2}
              onClick={() => router.push(`/jobs/${row.id}`)}
              className="flex cursor-pointer flex-wrap items-center gap-x-3 border-t border-base-300 px-2 py-1.5 hover:bg-base-200 md:grid md:min-w-[56rem]"
              style={isLong ? { ...grid, height: ROW_PX } : grid}
            >
              {shown.map((id) => (
                <span
                  key={id}
                  role="cell"
                  className={`min-w-0 ${WIDE.has(id) ? 'max-md:basis-full' : ''}`}
                >
                  <JobCell row={row} column={id} now={now} />
                </span>
              ))}
            </div>
          );
        })}
      </div>
      {rows.length === 0 && <p className="px-2 py-3">No job is like that.</p>}
    </div>
  );
}
