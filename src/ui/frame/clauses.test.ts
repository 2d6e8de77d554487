import { splitClauses } from './clauses';

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
