import { strToU8, zipSync } from 'fflate';
import { readOrderSheet } from '../work-orders';
import { parsePlant, parsePlantText } from './parse';
import { parseSheets, writeSheets } from './sheets';
import { readCell, writeCell } from './sheet-cells';
import { smallPlant } from '../../../tests/support/small-plant';

const zip = (files: Readonly<Record<string, string>>) =>
  zipSync(Object.fromEntries(Object.entries(files).map(([name, text]) => [name, strToU8(text)])));
const problemsOf = (bytes: Uint8Array): readonly string[] => {
  const read = parseSheets(bytes);
  return read.ok ? [] : read.problems.map(({ message }) => message);
};

describe('a file that was made to exhaust whoever reads it', () => {
  it.each<[string, () => Uint8Array, string]>([
    [
      'a heading without an end',
      () => zip({ 'links.csv': ','.repeat(20_000_000) }),
      'cells, at most',
    ],
    [
      'columns that nobody knows',
      () => zip({ 'links.csv': `${'x,'.repeat(5000)}y\n` }),
      '5001 columns',
    ],
    ['rows without an end', () => zip({ 'links.csv': 'id\n'.repeat(3_000_000) }), 'rows, at most'],
    ['cells without an end', () => zip({ 'links.csv': `id\n${'1,2,3,4,5,6,7,8,9,10,11,12,13,14,15,16,17,18,19,20,21,22,23,24,25,26,27,28,29,30\n'.repeat(150_000)}` }), 'cells, at most'], // prettier-ignore
    ['sheets that nobody knows', () => zip(Object.fromEntries(Array.from({ length: 3000 }, (_, n) => [`${n}.csv`, 'x']))), 'unknown sheet'], // prettier-ignore
  ])('is refused in a few lines: %s', (_label, make, says) => {
    const problems = problemsOf(make());
    expect(problems.length).toBeLessThanOrEqual(210);
    expect(problems.join('\n')).toContain(says);
  });

  it('names at most 200 problems of a sheet and says that there are more', () => {
    const problems = problemsOf(
      zip({ 'gauges.csv': `id,section,reads\n${'a,b,c,d\n'.repeat(50_000)}` }),
    );
    expect(problems.length).toBeLessThanOrEqual(202);
    expect(problems.at(-1)).toContain('and more problems like these');
  });

  it('is refused as a table with more rows than any plant has', () => {
    const read = parsePlant({ ...smallPlant(), links: Array(200_001).fill(0) });
    expect(read).toMatchObject({ ok: false, problems: [{ path: 'links' }] });
  });

  it('is refused when it nests without an end, or holds half a character', () => {
    expect(parsePlantText('['.repeat(5_000_000))).toMatchObject({ ok: false });
    const half = JSON.stringify({ ...smallPlant(), name: 'x' }).replace('"x"', '"\\ud800"');
    const read = parsePlantText(half);
    expect(read.ok ? '' : read.problems[0]?.message).toContain('half a character');
  });

  it('is refused when a sheet is no text', () => {
    const bytes = zipSync({ 'plant.csv': new Uint8Array([0x66, 0xff, 0xfe]) });
    expect(problemsOf(bytes)).toContain('is not text in UTF-8');
  });

  it('of work orders is read only as far as may come in', () => {
    const sheet = readOrderSheet(`number,title,equipment\n${'1,x,P-201,more\n'.repeat(50_000)}`);
    expect(sheet.ok ? 0 : sheet.problems.length).toBeLessThanOrEqual(200);
    const long = readOrderSheet(`number,title,equipment\n${'1,x,P-201\n'.repeat(50_000)}`);
    expect(long.ok && long.documents.length).toBe(501);
  });
});

describe('a cell that a spreadsheet would run', () => {
  it.each(['=1+1', '@SUM(A1)', '+1', '-1', '\tx', "'=x", "'quoted", 'plain', "it's", '=cmd|x!A1'])(
    'is written as text and read back as it was: %j',
    (text) => {
      const written = writeCell(text, 'text');
      expect(written).not.toMatch(/^[=@+\-\t\r]/);
      expect(readCell(written, 'text')).toEqual({ value: text });
    },
  );

  it('goes round in a whole plant, and figures below zero stay figures', () => {
    const plant = smallPlant({
      sections: { W: { name: '=HYPERLINK("x")', temperature_c: -5, at: [-1, 2, -3] } },
    });
    const read = parseSheets(writeSheets(plant));
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    expect(read.value.sections.find(({ id }) => id === 'W')).toMatchObject({
      name: '=HYPERLINK("x")',
      temperature_c: -5,
      at: [-1, 2, -3],
    });
    expect(readCell('-5', 'number')).toEqual({ value: -5 });
  });
});
