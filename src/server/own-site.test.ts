import { existsSync, mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Person } from '../core/people/people';
import { listSetUpSteps } from '../core/readiness';
import { closeDatabase, openDatabase, tables, type Db } from '../db';
import { readStream } from '../ledger';
import {
  changePeople,
  endSessionsOf,
  hasPin,
  listHolds,
  listPersonPast,
  listSignInChoices,
  listWithPin,
  makePinCode,
  readPeopleVersion,
  setOwnPin,
} from './people';
import { endDevice, enrolDevice, findDevice, listDevices } from './devices';
import { checkPin, forgetTries, type PinSource } from './pins';
import { changeRegister, listRegisterPast, readInUse } from './register-change';
import { PEOPLE_STREAM, readRegisters, readSite } from './registers';
import { beginSession, findSession } from './sessions';
import { isSetUp, offerSetUp, setUpSite, type SetUp } from './set-up';
import { readValues } from './site-rules';
import { verifyAll } from './verify';

const HERE: PinSource = { kind: 'address', name: '10.0.0.1' };
const SET_UP: Omit<SetUp, 'code'> = {
  name: 'Ferry Lane pumping station',
  zone: 'Europe/Berlin',
  shifts: ['06:00', '14:00', '22:00'],
  manager: { id: 'mira', name: 'Mira Holloway', employer: 'Ferry Lane Water' },
  until: '2099-12-31',
  evidence: 'appointed by letter',
  pin: '482913',
};
const FAR = '2099-12-31T22:59:00.000Z';

let folder: string;
let file: string;
let db: Db;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'own-'));
  file = join(folder, 'lantern.db');
  db = openDatabase(file);
  forgetTries();
});
afterEach(() => {
  closeDatabase(db);
  rmSync(folder, { recursive: true });
});

const codeOf = () => offerSetUp(db, file) ?? '';
const setUp = async (more: Partial<SetUp> = {}) =>
  setUpSite(db, { ...SET_UP, code: codeOf(), ...more }, HERE);
const person = (id: string, ...roles: Person['authorisations'][number]['role'][]): Person => ({
  id,
  name: id,
  employer: 'Ferry Lane Water',
  authorisations: roles.map((role) => ({ role, until: FAR, evidence: 'course 12' })),
});
const save = (people: readonly Person[], actor = 'mira') =>
  changePeople(db, { people, expected: readPeopleVersion(db), actor });

describe('a site that begins', () => {
  it('is set up once, with the code of its server, and has all that a screen asks for', async () => {
    expect(isSetUp(db)).toBe(false);
    expect(await setUp()).toEqual({ ok: true });
    expect(isSetUp(db)).toBe(true);
    const site = readSite(db);
    expect(site.graph.plant.name).toBe('Ferry Lane pumping station');
    expect(site.values).toMatchObject({ zone: 'Europe/Berlin', 'shift-starts': SET_UP.shifts });
    expect(site.people.get('mira')?.authorisations).toMatchObject([
      { role: 'site-manager', until: FAR },
    ]);
    expect(await checkPin(db, 'mira', '482913', { source: HERE, purpose: 'sign-in' })).toBe(
      'right',
    );
    expect(await setUp()).toEqual({ ok: false, answer: 'done-before' });
    expect(verifyAll(db)).toMatchObject({ whole: true, problems: [] });
  });

  it('keeps its code to the server’s own user, makes a new one at each start, and drops it', async () => {
    const first = codeOf();
    expect(readFileSync(`${file}.set-up-code`, 'utf8').trim()).toBe(first);
    expect(statSync(`${file}.set-up-code`).mode & 0o077).toBe(0);
    const second = codeOf();
    expect(await setUpSite(db, { ...SET_UP, code: first }, HERE)).toEqual({
      ok: false,
      answer: 'wrong',
    });
    // However it is typed.
    const typed = second.toLowerCase().replaceAll('-', ' ');
    expect(await setUpSite(db, { ...SET_UP, code: typed }, HERE)).toEqual({ ok: true });
    expect(offerSetUp(db, file)).toBeUndefined();
    expect(existsSync(`${file}.set-up-code`)).toBe(false);
  });

  it('cannot be guessed: after five wrong codes nothing more is let through', async () => {
    const code = codeOf();
    for (let n = 0; n < 5; n++) {
      const wrong = await setUpSite(db, { ...SET_UP, code: `AAAA-AAAA-AAA${n}` }, HERE);
      expect(wrong).toEqual({ ok: false, answer: 'wrong' });
    }
    const late = await setUpSite(db, { ...SET_UP, code }, HERE);
    expect(late).toEqual({ ok: false, answer: 'too-many-tries' });
  });

  it.each<[string, Partial<SetUp>, string]>([
    ['a PIN too short', { pin: '1234' }, 'pin: a PIN has at least 6 digits'],
    ['a zone that is none', { zone: 'Mars/Olympus' }, 'zone'],
    ['a shift that is none', { shifts: ['25:00'] }, 'shift-starts'],
    ['an end that is over', { until: '2020-01-01' }, 'until'],
  ])('keeps nothing of %s', async (_, more, words) => {
    const done = await setUp(more);
    expect(done).toMatchObject({ ok: false, answer: 'unfit' });
    expect(JSON.stringify(done)).toContain(words);
    expect(isSetUp(db)).toBe(false);
    expect(readValues(db).version).toBe(0);
  });
});

describe('people of a site of its own', () => {
  beforeEach(async () => {
    expect(await setUp()).toEqual({ ok: true });
  });

  it('are added with who granted what, and kept with every change', () => {
    expect(save([person('tom', 'site-manager'), person('jo', 'worker')])).toMatchObject({
      ok: true,
    });
    expect(readSite(db).people.get('jo')?.authorisations[0]).toMatchObject({ by: 'mira' });
    save([{ ...person('jo', 'worker'), employer: 'Other Ltd' }], 'tom');
    const past = listPersonPast(db, 'jo');
    expect(past[0]).toMatchObject({ by: 'tom' });
    expect(past[0]?.words).toContain('+ employer Other Ltd; − employer Ferry Lane Water');
    expect(past.at(-1)?.words).toContain('+ worker until 2099-12-31: course 12');
    expect(verifyAll(db)).toMatchObject({ whole: true, problems: [] });
  });

  it('are saved all or none, and not over what somebody else has saved', () => {
    const before = readPeopleVersion(db);
    const bare = { ...person('ed'), authorisations: [{ role: 'worker' as const, until: FAR }] };
    expect(save([person('jo', 'worker'), bare])).toMatchObject({
      ok: false,
      kind: 'refused',
      refusals: [{ code: 'grant-without-evidence' }],
    });
    expect(readPeopleVersion(db)).toBe(before);
    save([person('tom', 'site-manager')]);
    const late = changePeople(db, { people: [person('al')], expected: before, actor: 'mira' });
    expect(late).toEqual({ ok: false, kind: 'changed-meanwhile', version: before + 1 });
    expect(readSite(db).people.has('al')).toBe(false);
  });

  it('sign nothing before they have set a PIN with a code, which counts once', async () => {
    save([person('jo', 'worker')]);
    const give = (pin: string) => checkPin(db, 'jo', pin, { source: HERE, purpose: 'sign' });
    expect(await give('no person has this')).toBe('wrong');
    expect(listWithPin(db)).toEqual(['mira']);
    const version = readPeopleVersion(db);
    const code = makePinCode(db, 'jo', ['mira']);
    const set = (given: string, pin: string) =>
      setOwnPin(db, { person: 'jo', code: given, pin }, HERE);
    expect(await set('AAAA-AAAA-AAAA', '731904')).toEqual({ ok: false, answer: 'wrong' });
    expect(await set(code, '111111')).toMatchObject({ ok: false, answer: 'unfit' });
    expect(await set(code, '731904')).toMatchObject({ ok: true, by: ['mira'] });
    expect(await set(code, '731905')).toEqual({ ok: false, answer: 'wrong' });
    expect(await give('731904')).toBe('right');
    expect(hasPin(db, 'jo')).toBe(true);
    // Whoever sets their PIN takes no change out of anybody's hands.
    expect(readPeopleVersion(db)).toBe(version);
    expect(
      listPersonPast(db, 'jo')
        .map(({ words }) => words)
        .slice(0, 2),
    ).toEqual(['PIN set', 'code for a PIN made by Mira Holloway']);
    const told = readStream(db, PEOPLE_STREAM).map(({ payload }) => JSON.stringify(payload));
    expect(told.join('')).not.toContain(code);
    expect(told.join('')).not.toContain('731904');
    expect(verifyAll(db)).toMatchObject({ whole: true, problems: [] });
  });

  it('cannot use a code of a week ago, or somebody else’s', async () => {
    save([person('jo', 'worker'), person('al', 'worker')]);
    const code = makePinCode(db, 'jo', ['mira']);
    const set = (who: string) => setOwnPin(db, { person: who, code, pin: '731904' }, HERE);
    expect(await set('al')).toEqual({ ok: false, answer: 'wrong' });
    db.update(tables.pinCodes)
      .set({ ends_ms: Date.now() - 1 })
      .run();
    expect(await set('jo')).toEqual({ ok: false, answer: 'wrong' });
  });

  it('are gone from the desks once they have left, and their sessions end', async () => {
    save([person('tom', 'site-manager'), person('jo', 'worker')]);
    await setOwnPin(
      db,
      { person: 'jo', code: makePinCode(db, 'jo', ['mira']), pin: '731904' },
      HERE,
    );
    const secret = beginSession(db, 'jo');
    expect(findSession(db, secret)?.id).toBe('jo');
    expect(listHolds(db, 'jo')).toEqual([]);
    expect(save([{ ...person('jo', 'worker'), leftAt: '2020-01-01T00:00:00.000Z' }])).toMatchObject(
      { ok: true },
    );
    expect(findSession(db, secret)).toBeUndefined();
    expect(listSignInChoices(db).map(({ id }) => id)).toEqual(['mira', 'tom']);
    expect(await checkPin(db, 'jo', '731904', { source: HERE, purpose: 'sign' })).toBe('wrong');
  });
});

describe('devices of a site of its own', () => {
  beforeEach(async () => {
    expect(await setUp()).toEqual({ ok: true });
  });

  it('are known by what was given to them, until they are ended', () => {
    const cookie = enrolDevice(db, { name: 'gate 1', kind: 'gate' }, 'mira');
    expect(findDevice(db, cookie)).toMatchObject({ name: 'gate 1', kind: 'gate', by: 'mira' });
    const [id = ''] = cookie.split('.');
    for (const wrong of [undefined, '', id, `${id}.`, `${id}.00`, `x${cookie}`])
      expect(findDevice(db, wrong)).toBeUndefined();
    expect(endDevice(db, 'none', 'mira')).toBe(false);
    expect(endDevice(db, id, 'mira')).toBe(true);
    expect(endDevice(db, id, 'mira')).toBe(false);
    expect(findDevice(db, cookie)).toBeUndefined();
    expect(listDevices(db).map(({ name, endedAt }) => [name, typeof endedAt])).toEqual([
      ['gate 1', 'string'],
    ]);
    const told = readStream(db, 'site/devices').map(({ payload }) => JSON.stringify(payload));
    expect(told.join('')).not.toContain(cookie.split('.')[1]);
    expect(verifyAll(db)).toMatchObject({ whole: true, problems: [] });
  });

  it('are left by everybody when a site manager says so, or by one', () => {
    save([person('tom', 'site-manager'), person('jo', 'worker')]);
    const [mira, tom, jo] = ['mira', 'tom', 'jo'].map((one) => beginSession(db, one)) as [
      string,
      string,
      string,
    ];
    expect(endSessionsOf(db, 'jo', 'mira')).toBe(1);
    expect(findSession(db, jo)).toBeUndefined();
    expect(findSession(db, tom)?.id).toBe('tom');
    expect(endSessionsOf(db, undefined, 'mira')).toBe(1);
    expect(findSession(db, tom)).toBeUndefined();
    expect(findSession(db, mira)?.id).toBe('mira');
  });
});

describe('registers of a site of its own', () => {
  beforeEach(async () => {
    expect(await setUp()).toEqual({ ok: true });
  });
  const change = (more: object) =>
    changeRegister(db, {
      name: 'locks',
      put: [],
      remove: [],
      expected: readRegisters(db).version,
      actor: 'mira',
      ...more,
    });

  it('are filled, changed and emptied, each time as a version of the ledger', () => {
    expect(change({ put: [{ id: 'P-1', set: 'x', use: 'point' }] })).toMatchObject({ ok: true });
    expect(readSite(db).locks.get('P-1')).toMatchObject({ use: 'point' });
    expect(change({ remove: ['P-1'] })).toMatchObject({ ok: true });
    expect(readSite(db).locks.size).toBe(0);
    expect(change({ remove: ['P-1'] })).toMatchObject({ ok: false, kind: 'refused' });
    expect(change({ expected: 1 })).toMatchObject({ ok: false, kind: 'changed-meanwhile' });
    expect(listRegisterPast(db).map(({ words }) => words)).toEqual([
      'locks: taken out: P-1',
      'locks: put in or changed: P-1',
      'all registers saved',
    ]);
    expect(verifyAll(db)).toMatchObject({ whole: true, problems: [] });
  });

  it('keep what hangs', () => {
    change({ put: [{ id: 'P-1', set: 'x', use: 'point' }] });
    db.insert(tables.holdings).values({ kind: 'lock', item: 'P-1', job: 'J-0001' }).run();
    expect(readInUse(db).locks.get('P-1')).toBe('hangs at J-0001');
    expect(change({ remove: ['P-1'] })).toMatchObject({
      ok: false,
      refusals: [{ code: 'register-in-use' }],
    });
  });
});

it('a new site is told step by step what it still needs', async () => {
  await setUp();
  const left = () =>
    listSetUpSteps(readSite(db), {
      now: new Date().toISOString(),
      withPin: new Set(listWithPin(db)),
      jobs: 0,
      hasOwnRules: false,
    }).flatMap(({ id, isDone }) => (isDone ? [] : [id]));
  expect(left()).toEqual([
    'plant',
    'managers',
    'people',
    'locks',
    'boxes',
    'instruments',
    'rules',
    'job',
  ]);
  const roles = [
    'coordinator',
    'issuing-authority',
    'performing-authority',
    'area-operator',
    'worker',
  ] as const;
  save([person('tom', 'site-manager'), person('jo', ...roles)]);
  expect(left()).toEqual(['plant', 'pins', 'locks', 'boxes', 'instruments', 'rules', 'job']);
});
