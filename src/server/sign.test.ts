import { jobSignaturesSchema, pickSignatures } from './sign';

const by = (person: string, pin = '111111') => ({ person, pin });

describe('signatures on a job', () => {
  it.each<[string, ReturnType<typeof by>[], string[], ReturnType<typeof by>[]]>([
    ['as asked for', [by('a'), by('b')], ['a', 'b'], [by('a'), by('b')]],
    ['more than asked for', [by('a'), by('z')], ['a'], [by('a')]],
    ['one person over and over', [by('a'), by('a', '222222'), by('a')], ['a', 'a'], [by('a')]],
    ['one is missing', [by('a')], ['a', 'b'], [by('a')]],
    ['none asked for', [by('a')], [], []],
  ])('%s', (_, given, signers, checked) => {
    expect(pickSignatures(given, signers)).toEqual(checked);
  });

  it('are at most those of everybody at the longest briefing, and of whoever recorded it', () => {
    const many = (count: number) => Array.from({ length: count }, (_, n) => by(`p${n}`));
    expect(jobSignaturesSchema.safeParse(many(61)).success).toBe(true);
    expect(jobSignaturesSchema.safeParse(many(62)).success).toBe(false);
  });
});
