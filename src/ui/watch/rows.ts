import type { BoardRow } from '../../core/watch';

/** A line of the board: the heading of an area, or a permit in it. `top` is where it begins (pixels below the first). */
export type BoardLine =
  | { readonly kind: 'area'; readonly id: string; readonly name: string; readonly top: number }
  | { readonly kind: 'permit'; readonly row: BoardRow; readonly top: number };

export const HEADING = 24;
/** A permit takes at least so much, and at most so much where there is room. */
export const LEAST_ROW = 64;
const MOST_ROW = 92;

/** The permits by area, in the order of the areas; what has no area of the plant comes last. */
function groupRows(
  rows: readonly BoardRow[],
  areas: readonly { readonly id: string; readonly name: string }[],
) {
  const known = new Set(areas.map(({ id }) => id));
  const groups = areas.map(({ id, name }) => ({
    id,
    name,
    rows: rows.filter((row) => row.areas[0] === id),
  }));
  const rest = rows.filter((row) => !known.has(row.areas[0] ?? ''));
  return [...groups, { id: '', name: 'Elsewhere', rows: rest }].filter(
    (one) => one.rows.length > 0,
  );
}

/** Lays the board out: a heading for each area and a line for each permit, as tall as the room (pixels) lets them be. */
export function layRows(
  rows: readonly BoardRow[],
  areas: readonly { readonly id: string; readonly name: string }[],
  room: number,
): { readonly lines: readonly BoardLine[]; readonly rowHeight: number; readonly height: number } {
  const groups = groupRows(rows, areas);
  const each = (room - groups.length * HEADING) / Math.max(1, rows.length);
  const rowHeight = Math.floor(Math.max(LEAST_ROW, Math.min(MOST_ROW, each)));
  let top = 0;
  const lines = groups.flatMap(({ id, name, rows: own }) => {
    const heading: BoardLine = { kind: 'area', id, name, top };
    top += HEADING;
    return [
      heading,
      ...own.map((row): BoardLine => {
        const line: BoardLine = { kind: 'permit', row, top };
        top += rowHeight;
        return line;
      }),
    ];
  });
  return { lines, rowHeight, height: top };
}
