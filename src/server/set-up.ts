import { existsSync, rmSync, writeFileSync } from 'node:fs';
import { z } from 'zod';
import { endOfDay } from '../core/days';
import { personSchema } from '../core/people/schema';
import type { Plant } from '../core/plant';
import { DEFAULT_VALUES, siteValuesSchema } from '../core/rules/values';
import { perProcess, tables, writeAlone, type Db } from '../db';
import {
  checkSecret,
  findPinFault,
  hashPin,
  type PinAnswer,
  type PinSource,
  pinSchema,
} from './pins';
import { findNewestVersion, savePlant } from './plant';
import { readRegisters, savePerson, saveRegister } from './registers';
import { digestOfCode, isCode, makeCode } from './secret-code';
import { saveValues } from './site-rules';

/** Whether the site has been set up: somebody is there who can sign in. */
export const isSetUp = (db: Db): boolean =>
  db.select({ id: tables.people.id }).from(tables.people).limit(1).get() !== undefined;

/** The digest of the code that this server printed; a new start prints a new one. */
const kept = perProcess('set-up code', () => new Map<'digest', string>());

/** Where the code lies while the site is not set up, readable by the server's own user alone. */
const codeFile = (databaseFile: string): string => `${databaseFile}.set-up-code`;

/** Makes the code with which a new site is set up, prints it and puts it beside the database; undefined once the site is set up. */
export function offerSetUp(db: Db, databaseFile: string): string | undefined {
  if (isSetUp(db)) {
    if (existsSync(codeFile(databaseFile))) rmSync(codeFile(databaseFile));
    return undefined;
  }
  const code = makeCode();
  kept.set('digest', digestOfCode(code));
  writeFileSync(codeFile(databaseFile), `${code}\n`, { mode: 0o600 });
  return code;
}

/** What a site begins with. */
export const setUpSchema = z.strictObject({
  code: z.string().max(40),
  name: z.string().trim().min(1).max(80),
  zone: z.string().max(60),
  shifts: z.array(z.string().max(5)).max(6),
  manager: personSchema.pick({ id: true, name: true, employer: true }),
  /** Until when the first site manager is authorised: a day. */
  until: z.iso.date(),
  evidence: z.string().trim().min(1).max(400),
  pin: pinSchema,
});
export type SetUp = z.infer<typeof setUpSchema>;

export type SetUpDone =
  | { readonly ok: true }
  | { readonly ok: false; readonly answer: 'done-before' | Exclude<PinAnswer, 'right'> }
  | { readonly ok: false; readonly answer: 'unfit'; readonly problems: readonly string[] };

/** An empty plant by the name of the site: the drawing is loaded or drawn later. */
const emptyPlant = (name: string): Plant => ({
  format: 'heavy-lantern/plant',
  version: 1,
  name,
  areas: [],
  media: [],
  sections: [],
  links: [],
  outlets: [],
  gauges: [],
  equipment: [],
});

/** What is wrong with what a site would begin with, field by field. */
function listFaults({ zone, shifts, pin, until, manager }: SetUp, now: number): string[] {
  const values = { ...DEFAULT_VALUES, zone, 'shift-starts': shifts };
  const read = siteValuesSchema.safeParse(values);
  const fault = findPinFault(pin, DEFAULT_VALUES);
  return [
    ...(read.success
      ? []
      : read.error.issues.map(({ path, message }) => `${path.join('.')}: ${message}`)),
    ...(fault === undefined ? [] : [`pin: ${fault}`]),
    ...(Date.parse(until) > now
      ? []
      : [`until: ${manager.name} would be authorised to a day that is over`]),
  ];
}

/** Sets a site up, once: its name, clock and shifts, empty registers and an empty plant, and the first site manager. All or nothing. */
export async function setUpSite(db: Db, given: SetUp, source: PinSource): Promise<SetUpDone> {
  if (isSetUp(db)) return { ok: false, answer: 'done-before' };
  const answer = await checkSecret('set-up', { source, purpose: 'set-up' }, () => {
    const digest = kept.get('digest');
    return Promise.resolve(digest !== undefined && isCode(given.code, digest));
  });
  if (answer !== 'right') return { ok: false, answer };
  const problems = listFaults(given, Date.now());
  if (problems.length > 0) return { ok: false, answer: 'unfit', problems };
  const pinHash = await hashPin(given.pin);
  const { name, zone, shifts, manager, until, evidence } = given;
  const values = { ...DEFAULT_VALUES, zone, 'shift-starts': shifts };
  return writeAlone(db, (tx): SetUpDone => {
    if (isSetUp(tx)) return { ok: false, answer: 'done-before' };
    const actor = manager.id;
    if (findNewestVersion(tx) === 0) {
      savePlant(tx, { document: emptyPlant(name), expected: 0, note: 'set up', actor });
    }
    if (readRegisters(tx).version === 0) {
      saveRegister(tx, 'registers', readRegisters(tx).registers, actor);
    }
    saveValues(tx, { document: values, expected: 0, note: 'as the site was set up', actor });
    const authorisations = [
      {
        role: 'site-manager' as const,
        until: endOfDay(until, zone),
        evidence,
        by: 'set-up code of the server',
      },
    ];
    savePerson(tx, { ...manager, authorisations, pinHash }, actor);
    kept.delete('digest');
    return { ok: true };
  });
}
