import { findIllFormed, isTooDeep, measureDepth, nameFew, readJsonText } from './text';

describe('text from outside', () => {
  it.each([
    ['[]', 1],
    ['{"a":[{"b":1}]}', 3],
    ['"[[[["', 0],
    ['["\\"[[[", {}]', 2],
    ['[[],[],[]]', 2],
  ])('%s nests %d deep', (text, depth) => {
    expect(measureDepth(text)).toBe(depth);
  });

  it('that nests without an end is refused before it is read', () => {
    expect(isTooDeep('['.repeat(64))).toBe(false);
    expect(isTooDeep('['.repeat(65))).toBe(true);
    expect(readJsonText('['.repeat(1_000_000))).toMatchObject({ ok: false });
  });

  it.each([
    ['"\\ud800"', '(document)'],
    ['{"title":"a\\uDC00b"}', 'title'],
    ['{"work":[{"section":"\\ud83d"}]}', 'work.0.section'],
    ['{"\\ud800":1}', '(document)'],
  ])('with half a character is refused: %s', (text, path) => {
    expect(readJsonText(text)).toEqual({ ok: false, says: `holds half a character at ${path}` });
    expect(findIllFormed(JSON.parse(text))).toBe(path);
  });

  it('with whole characters is read, whatever they are', () => {
    expect(readJsonText('["\\ud83d\\ude00", "😀"]')).toEqual({ ok: true, document: ['😀', '😀'] });
  });
});

it('names a few people, and counts the rest', () => {
  expect(nameFew([])).toBe('');
  expect(nameFew(['Ada', 'Ben', 'Cora', 'Dov'])).toBe('Ada, Ben, Cora, Dov');
  expect(nameFew(['Ada', 'Ben', 'Cora', 'Dov', 'Elif'])).toBe('Ada, Ben, Cora and 2 more');
});
