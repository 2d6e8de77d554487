import { eq } from 'drizzle-orm';
import { closeDatabase, openDatabase, tables, type Db } from '../db';
import { DEFAULT_VALUES } from '../core/rules/values';
import { loadDemo, readDemoSite } from './demo';
import { checkPin, findPinFault, forgetTries, hashPin, type PinSource } from './pins';

let db: Db;
beforeAll(async () => {
  db = openDatabase(':memory:');
  await loadDemo(db);
});
afterAll(() => closeDatabase(db));
beforeEach(forgetTries);

const pinOf = (person: string) => readDemoSite().people.find(({ id }) => id === person)?.pin ?? '';
const address = (name: string): PinSource => ({ kind: 'address', name });
const desk = (name: string): PinSource => ({ kind: 'desk', name });
const give = (
  person: string,
  pin: string,
  source: PinSource,
  purpose: 'sign-in' | 'sign' = 'sign-in',
) => checkPin(db, person, pin, { source, purpose });
const times = <T>(count: number, work: (n: number) => Promise<T>) =>
  Promise.all(Array.from({ length: count }, (_, n) => work(n)));
const count = (answers: readonly string[], what: string) =>
  answers.filter((one) => one === what).length;

describe('PIN tries', () => {
  it('are counted before they are verified: five hundred at once are five', async () => {
    const answers = await times(500, (n) => give('uma', String(100_000 + n), address('10.0.0.9')));
    expect(count(answers, 'wrong')).toBe(5);
    expect(count(answers, 'too-many-tries')).toBe(495);
  });

  it('do not let the right one through after too many, even among many at once', async () => {
    const right = pinOf('uma');
    const answers = await times(60, (n) =>
      give('uma', n === 59 ? right : String(100_000 + n), address('10.0.0.9')),
    );
    expect(answers).not.toContain('right');
  });

  it('of one person are no tries of another, and the right PIN takes its count back', async () => {
    for (let n = 0; n < 4; n++) expect(await give('sol', '000000', address('a'))).toBe('wrong');
    expect(await give('sol', pinOf('sol'), address('a'))).toBe('right');
    for (let n = 0; n < 5; n++) expect(await give('sol', '000000', address('a'))).toBe('wrong');
    expect(await give('sol', pinOf('sol'), address('a'))).toBe('too-many-tries');
    expect(await give('kit', pinOf('kit'), address('a'))).toBe('right');
    expect(await give('nobody', '510812', address('a'))).toBe('wrong');
  });

  it('from one place at everybody stop that place, and nobody elsewhere', async () => {
    const people = readDemoSite().people.map(({ id }) => id);
    const answers = await times(126, (n) =>
      give(people[n % people.length] ?? '', '000000', address('10.0.0.9')),
    );
    expect(count(answers, 'wrong')).toBe(40);
    for (const person of people) {
      expect(await give(person, pinOf(person), address('10.0.0.10'))).toBe('right');
      expect(await give(person, pinOf(person), desk('ada'), 'sign')).toBe('right');
    }
  });

  it('from many addresses at one person are limited too, and never reach a known desk', async () => {
    const answers = await times(400, (n) => give('uma', '000000', address(`10.0.1.${n}`)));
    expect(count(answers, 'wrong')).toBe(50);
    expect(await give('uma', pinOf('uma'), address('10.0.2.1'))).toBe('too-many-tries');
    expect(await give('uma', pinOf('uma'), desk('ada'))).toBe('right');
  });

  it('of signing in and of signing are counted apart', async () => {
    for (let n = 0; n < 5; n++) await give('sol', '000000', desk('ada'), 'sign-in');
    expect(await give('sol', pinOf('sol'), desk('ada'), 'sign-in')).toBe('too-many-tries');
    expect(await give('sol', pinOf('sol'), desk('ada'), 'sign')).toBe('right');
  });

  it('at desks that one insider enrolled count together, however many those are', async () => {
    const answers = await times(30, () => give('uma', '000000', desk('kit')));
    expect(count(answers, 'wrong')).toBe(5);
  });
});

describe('a new PIN', () => {
  const at = (least: number) => ({ ...DEFAULT_VALUES, 'pin-digits': least });
  it.each([
    ['12345', 6, 'at least 6'],
    ['123457', 6, undefined],
    ['1234', 4, undefined],
    ['123', 4, 'at least 4'],
    ['12345a', 6, 'digits only'],
    ['', 6, 'digits only'],
    ['fourteen chars', 6, 'at least 15 characters'],
    ['fifteen of them', 6, undefined],
    ['x'.repeat(101), 6, 'at most 100'],
    ['abababababababab', 6, 'again and again'],
    ['blåbærsyltetøy!', 6, undefined],
    ['1234567890123', 6, 'at most 12'],
    ['111111', 6, 'again and again'],
  ])('%s where %d digits are asked for', (pin, least, fault) => {
    const found = findPinFault(pin, at(least));
    if (fault === undefined) expect(found).toBeUndefined();
    else expect(found).toContain(fault);
  });

  it('of letters is the same however a keyboard puts them together', async () => {
    const composed = 'caf\u00e9 au lait sucré';
    const hash = await hashPin(composed);
    db.update(tables.people).set({ pinHash: hash }).where(eq(tables.people.id, 'ada')).run();
    expect(await give('ada', composed.normalize('NFD'), desk('ada'))).toBe('right');
    expect(await give('ada', composed.toUpperCase(), desk('ada'))).toBe('wrong');
  });

  it('is six digits or more unless the site says otherwise', () => {
    expect(DEFAULT_VALUES['pin-digits']).toBe(6);
  });
});
