import { describeLine } from '../../core/gas/verdict';
import { shorten, splitClauses } from './clauses';

describe('the clauses of an alarm', () => {
  it.each([
    ['one', ['one']],
    ['one; two; three', ['one', 'two', 'three']],
    ['10 % LFL (29 CFR 1910.146(b); hazardous), top; 2 ppm', ['10 % LFL (29 CFR 1910.146(b); hazardous), top', '2 ppm']], // prettier-ignore
    ['never closed (a; b', ['never closed (a; b']],
    ['closed too often) a; b', ['closed too often) a', 'b']],
    ['', ['']],
  ])('%s', (words, clauses) => {
    expect(splitClauses(words)).toEqual(clauses);
    expect(splitClauses(words).join('; ')).toBe(words);
  });
});

describe('a clause in one line', () => {
  it.each([
    [
      'air not fit: top, middle, from outside: hydrogen sulphide 18 ppm, limit at most 10 ppm (NIOSH ceiling of ten minutes, 100 % of it)',
      'hydrogen sulphide 18 ppm (limit 10 ppm)',
    ],
    ['methane 30 %LFL, limit below 10 % LFL (29 CFR 1910.146(b); LFL by NFPA 325)', 'methane 30 %LFL (limit below 10 % LFL)'], // prettier-ignore
    ['oxygen over range, limit 19.5 to 23.5 % vol (29 CFR 1910.146(b))', 'oxygen over range (limit 19.5 to 23.5 % vol)'], // prettier-ignore
    ['alarm at pump hall: siren heard', 'alarm at pump hall: siren heard'],
    ['air not fit: sampler dead', 'sampler dead'],
  ])('%s', (clause, short) => {
    expect(shorten(clause)).toBe(short);
  });
});

it('reads a finding as the air is judged in words', () => {
  const line = {
    value: 18,
    unit: 'ppm',
    limit: 'at most 10 ppm',
    basis: 'NIOSH (a; b)',
    isFit: false,
  } as const;
  expect(shorten(describeLine({ ...line, gas: 'hydrogen-sulphide' }))).toBe(
    'hydrogen sulphide 18 ppm (limit 10 ppm)',
  );
  expect(shorten(`top: ${describeLine({ ...line, gas: 'poisons together', isOver: true })}`)).toBe(
    'poisons together over range (limit 10 ppm)',
  );
});
