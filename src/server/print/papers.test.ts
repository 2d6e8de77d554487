import { LIVE, site, START } from '../../../tests/support/seal-change';
import { describeSheets } from '../../core/job';
import { printSheets } from './papers';

const pagesOf = (pdf: Buffer) => pdf.toString('latin1').match(/\/Type \/Page\b/g)?.length ?? 0;

describe('printed papers', () => {
  it('begin each sheet on a page of its own', async () => {
    const state = LIVE();
    if (!state) throw new Error('no job');
    const sheets = describeSheets(state, { job: 'J-0001', site, now: START });
    const pdf = await printSheets(sheets, 'J-0001');
    expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
    expect(pagesOf(pdf)).toBeGreaterThanOrEqual(sheets.length);
  });

  it('go on over as many pages as a long table needs', async () => {
    const rows = Array.from({ length: 200 }, (_, n) => [`point ${n}`, 'a place with a long name']);
    const block = {
      kind: 'table',
      title: 'Points',
      head: ['Point', 'Where'],
      widths: [1, 2],
      rows,
    } as const;
    expect(pagesOf(await printSheets([{ title: 'Long', banner: 'x', blocks: [block] }], ''))).toBe(
      5,
    );
  });
});
