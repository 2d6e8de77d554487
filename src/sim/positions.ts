import type { IsolationRecord } from '../core/job';

/** How the points of the plant stand, and since when (ms since 1970). */
export interface Positions {
  readonly closed: ReadonlyMap<string, number>;
  readonly opened: ReadonlyMap<string, number>;
  readonly restrained: ReadonlyMap<string, number>;
  /** Since when something was stopped by its controls. */
  readonly stopped: number | undefined;
}

type Marks = Readonly<Record<string, { readonly at: string }>>;

function collect(all: readonly Marks[]): Map<string, number> {
  const since = new Map<string, number>();
  for (const [id, { at }] of all.flatMap((marks) => Object.entries(marks))) {
    const then = Date.parse(at);
    since.set(id, Math.min(then, since.get(id) ?? then));
  }
  return since;
}

/** What the people of all open jobs have done to the plant. */
export function readPositions(records: readonly IsolationRecord[]): Positions {
  const stops = records.flatMap(({ stopped }) => (stopped ? [Date.parse(stopped.at)] : []));
  return {
    closed: collect(records.flatMap(({ locked, tagged }) => [locked, tagged])),
    opened: collect(records.map(({ opened }) => opened)),
    restrained: collect(records.map(({ restrained }) => restrained)),
    stopped: stops.length > 0 ? Math.min(...stops) : undefined,
  };
}
