import type { BoardRow } from '../../core/watch';
import { HEADING, layRows, LEAST_ROW } from './rows';

const AREAS = [
  { id: 'A', name: 'Pump hall' },
  { id: 'B', name: 'Gas yard' },
];
const row = (job: string, area?: string) =>
  ({ job, areas: area === undefined ? [] : [area] }) as unknown as BoardRow;

describe('the rows of the board', () => {
  it('stand by area, in the order of the areas, and what has none comes last', () => {
    const { lines } = layRows([row('1', 'B'), row('2'), row('3', 'A'), row('4', 'B')], AREAS, 400);
    const said = lines.map((line) => (line.kind === 'area' ? line.name : line.row.job));
    expect(said).toEqual(['Pump hall', '3', 'Gas yard', '1', '4', 'Elsewhere', '2']);
  });

  it.each([
    ['few have as much room as is good for them', 2, 1000, 92],
    ['some share the room', 8, 8 * 80 + HEADING, 80],
    ['forty are never too low to be read', 40, 600, LEAST_ROW],
  ])('%s', (_, many, room, expected) => {
    const rows = Array.from({ length: many }, (_, n) => row(String(n), 'A'));
    const { lines, rowHeight, height } = layRows(rows, AREAS, room);
    expect(rowHeight).toBe(expected);
    expect(height).toBe(HEADING + many * rowHeight);
    const tops = lines.map(({ top }) => top);
    expect(tops).toEqual([...tops].sort((a, b) => a - b));
  });

  it('are none where no permit is out', () => {
    expect(layRows([], AREAS, 400)).toMatchObject({ lines: [], height: 0 });
  });
});
