import { printLabels } from './labels';

const pagesOf = (pdf: Buffer) => pdf.toString('latin1').match(/\/Type \/Page\b/g)?.length ?? 0;
const labels = (many: number) =>
  Array.from({ length: many }, (_, n) => ({ number: `P-${n}`, says: 'point locks of the hall' }));

describe('labels', () => {
  it.each([
    [1, 1],
    [24, 1],
    [25, 2],
    [73, 4],
  ])('%d are printed on %d sheets', async (many, pages) => {
    expect(pagesOf(await printLabels(labels(many), 'Labels'))).toBe(pages);
  });

  it('take long numbers and words without growing', async () => {
    const long = { number: 'LOCK-OF-THE-WEST-HALL/0000000000017', says: 'x '.repeat(200) };
    expect(pagesOf(await printLabels([long], 'Labels'))).toBe(1);
  });
});
