import { readBadge, readWho, writeBadge } from './badge';

describe('a badge', () => {
  it.each([
    [writeBadge('mira'), 'mira'],
    [' who/MIRA ', 'mira'],
    ['WHO/', undefined],
    ['WHO/mira ada', undefined],
    ['J-0001/HV-2001', undefined],
    ['mira', undefined],
    [`WHO/${'a'.repeat(41)}`, undefined],
  ])('%j names %s', (code, who) => {
    expect(readBadge(code)).toBe(who);
  });

  it('or a short name says who', () => {
    expect([readWho('WHO/tom'), readWho(' tom ')]).toEqual(['tom', 'tom']);
  });
});
