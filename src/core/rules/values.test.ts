import {
  DEFAULT_VALUES,
  describeRange,
  SITE_VALUES,
  siteValuesSchema,
  type ValueCode,
} from './values';

const codes = Object.keys(SITE_VALUES) as ValueCode[];
const problemsOf = (change: Record<string, unknown>) => {
  const read = siteValuesSchema.safeParse({ ...DEFAULT_VALUES, ...change });
  return read.success ? [] : read.error.issues.map(({ path }) => path.join('.'));
};

describe('the values that a site sets for its rules', () => {
  it('are all allowed as they stand by default', () => {
    expect(problemsOf({})).toEqual([]);
  });

  it.each(codes)('have a title, a basis and a range: %s', (code) => {
    const { title, basis } = SITE_VALUES[code];
    expect([title.length > 5, basis.length > 5, describeRange(code).length > 5]).toEqual([
      true,
      true,
      true,
    ]);
  });

  it.each(codes.filter((code) => SITE_VALUES[code].kind === 'number'))(
    'are refused below the least and above the most: %s',
    (code) => {
      const value = SITE_VALUES[code];
      if (value.kind !== 'number') throw new Error('no number');
      expect(problemsOf({ [code]: value.least })).toEqual([]);
      expect(problemsOf({ [code]: value.most })).toEqual([]);
      expect(problemsOf({ [code]: value.least - 0.1 })).toEqual([code]);
      expect(problemsOf({ [code]: value.most + 0.1 })).toEqual([code]);
      expect(problemsOf({ [code]: Number.NaN })).toEqual([code]);
    },
  );

  it.each([
    ['a school that is none', { validity: 'week' }, ['validity']],
    ['no shift', { 'shift-starts': [] }, ['shift-starts']],
    ['shifts out of order', { 'shift-starts': ['18:00', '06:00'] }, ['shift-starts']],
    ['the same shift twice', { 'shift-starts': ['06:00', '06:00'] }, ['shift-starts']],
    ['no time of day', { 'shift-starts': ['24:00'] }, ['shift-starts.0']],
    ['a chart of nothing', { 'purge-chart': [] }, ['purge-chart']],
    ['a chart with words', { 'purge-chart': ['50=long'] }, ['purge-chart.0']],
    ['a chart out of order', { 'purge-chart': ['50=30', '10=20'] }, ['purge-chart']],
    ['less time for more space', { 'purge-chart': ['10=30', '50=20'] }, ['purge-chart']],
    ['no time at all', { 'purge-chart': ['10=0'] }, ['purge-chart']],
    ['a zone that is none', { zone: 'Moon/Base' }, ['zone']],
    ['a value that is missing', { 'tail-min': undefined }, ['tail-min']],
    ['a value that nobody knows', { colour: 'red' }, ['']],
  ])('%s is refused by its name', (_, change, problems) => {
    expect(problemsOf(change)).toEqual(problems);
  });
});
