import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { ROLES, type Role } from '../../src/core/people/people';
import { DEFAULT_VALUES } from '../../src/core/rules/values';
import type { Db } from '../../src/db';
import { loadDemo } from '../../src/server/demo';
import { hashPin } from '../../src/server/pins';
import { savePlant } from '../../src/server/plant';
import { savePerson } from '../../src/server/registers';
import { saveValues } from '../../src/server/site-rules';
import { countRows, MAY_GROW } from '../trust/count';
import { crowdFor } from '../trust/crowd';
import { malformedRounds } from '../trust/malformed';
import { routeMatrix, type Send } from '../trust/routes';
import { pinOf, sender, signIn, withServer } from '../trust/server';
import { whoMay } from '../trust/who-may';

const PORT = 3978;
const SEED = 20_261;
const PIN = '731904';
const PASSPHRASE = 'a heron on the weir';

/** Adds somebody for each role, who holds that one alone. */
async function addOneEach(db: Db): Promise<void> {
  const pinHash = await hashPin(PIN);
  for (const role of ROLES) {
    const until = '2040-01-01T00:00:00.000Z';
    const person = { id: `x-${role}`, name: role, employer: 'Quillmere Works' };
    savePerson(db, { ...person, authorisations: [{ role, until, evidence: 'course' }], pinHash });
  }
}

async function signEachIn(port: number): Promise<ReadonlyMap<Role, Send>> {
  const all = new Map<Role, Send>();
  for (const role of ROLES) all.set(role, sender(port, await signIn(port, `x-${role}`, PIN)));
  return all;
}

test('every route answers each role as the table says: on a new site, one that is set up, one at work', async () => {
  const none = new Map<Role, Send>();
  const asNew = await withServer(
    PORT,
    ({ port }) => whoMay('new', { stranger: sender(port), as: none }),
    () => Promise.resolve(),
  );
  expect(asNew.wrong).toEqual([]);
  const setUp = async (db: Db) => {
    await addOneEach(db);
    const document = { format: 'heavy-lantern/plant', version: 1, name: 'Empty', areas: [], media: [], sections: [], links: [] }; // prettier-ignore
    savePlant(db, { document, expected: 0, note: 'set up', actor: 'x-coordinator' });
    saveValues(db, { document: DEFAULT_VALUES, expected: 0, note: 'set up', actor: 'x-site-manager' }); // prettier-ignore
  };
  const asSetUp = await withServer(
    PORT,
    async ({ port }) => whoMay('set up', { stranger: sender(port), as: await signEachIn(port) }),
    setUp,
  );
  expect(asSetUp.wrong).toEqual([]);
  expect(asNew.asked + asSetUp.asked).toBeGreaterThan(800);
});

test('attacks on a site at work: wrong roles, nonsense, crowds; nothing breaks, grows or is told', async () => {
  const setUp = async (db: Db) => {
    await loadDemo(db);
    await addOneEach(db);
    const authorisations = [{ role: 'coordinator' as const, until: '2040-01-01T00:00:00.000Z' }];
    const person = { id: 'vera', name: 'Vera', employer: 'Quillmere Works', authorisations };
    savePerson(db, { ...person, pinHash: await hashPin(PASSPHRASE) });
  };
  await withServer(
    PORT,
    async (server) => {
      const { port, file, log } = server;
      const stranger = sender(port);
      const table = await whoMay('at work', { stranger, as: await signEachIn(port) });
      expect(table.wrong).toEqual([]);
      const vera = await signIn(port, 'vera', PASSPHRASE);
      const matrix = await routeMatrix(stranger, sender(port, vera));
      expect(matrix.wrong).toEqual([]);
      const before = countRows(file);
      const senders = [stranger, sender(port, vera)];
      for (const one of ['uma', 'kit']) senders.push(sender(port, await signIn(port, one)));
      const malformed = await malformedRounds(senders, 1500, SEED);
      expect(malformed.wrong).toEqual([]);
      const after = countRows(file);
      const grown = Object.keys(after).filter((name) => after[name] !== before[name]);
      expect(grown.filter((name) => !MAY_GROW.includes(name))).toEqual([]);
      await stranger('GET', '/api/v1/calendar?token=a-token-in-an-address');
      const crowd = await crowdFor(server, { desks: 12, seconds: 10, seed: SEED });
      expect(crowd).toMatchObject({ lost: 0, doubled: 0, wrong: [], broken: [] });
      expect(crowd.acknowledged).toBeGreaterThan(20);
      const written = readFileSync(log, 'utf8');
      expect(written.split('\n').length).toBeGreaterThan(1000);
      const cookies = vera.split('; ').map((one) => one.slice(one.indexOf('=') + 1));
      expect(cookies.length).toBeGreaterThan(0);
      for (const secret of [
        PASSPHRASE,
        PIN,
        pinOf('uma'),
        pinOf('kit'),
        'a-token-in-an-address',
        ...cookies,
      ])
        // prettier-ignore
        expect(written.includes(secret)).toBe(false);
    },
    setUp,
  );
});
