import { eq } from 'drizzle-orm';
import { refuseRegisterChange, type InUse, type RegisterChange } from '../core/registers/change';
import { isOf } from '../core/people/employers';
import { hasLeft } from '../core/people/people';
import { explainIn } from '../core/rules/book';
import { nameFew } from '../core/text';
import { tables, writeAlone, type Db } from '../db';
import { readStream } from '../ledger';
import { readNow } from './clock';
import { readOpenJobs } from './open-jobs';
import {
  listPeople,
  readNames,
  readRegisters,
  REGISTER_STREAM,
  saveRegisterChange,
  type RegisterEvent,
} from './registers';
import { hasPlantVersion, readGraph } from './plant';
import type { Changed } from './respond-change';
import { readValues } from './site-rules';

/** Firms of which somebody is at the site. */
function findEmployersInUse(db: Db): ReadonlyMap<string, string> {
  const now = readNow(db);
  const here = listPeople(db).filter((person) => !hasLeft(person, now));
  return new Map(
    readRegisters(db).registers.employers.flatMap((firm) => {
      const own = here.filter((person) => isOf(person, firm));
      return own.length === 0 ? [] : [[firm.id, `employs ${own.length} at the site`] as const];
    }),
  );
}

/** What of each register is in use on jobs that are open, with where. */
export function readInUse(db: Db): InUse {
  const { holdings } = tables;
  const held = (kind: 'lock' | 'box') =>
    new Map(
      db
        .select({ item: holdings.item, job: holdings.job })
        .from(holdings)
        .where(eq(holdings.kind, kind))
        .all()
        .map(({ item, job }) => [item, `${kind === 'lock' ? 'hangs' : 'is locked'} at ${job}`]),
    );
  const jobs = readOpenJobs(db);
  const earths = jobs.flatMap(({ id, dossier }) =>
    Object.entries(dossier.isolation.earths).map(
      ([outlet, set]) => [set, `is on at ${outlet} of ${id}`] as const,
    ),
  );
  const monitors = jobs.flatMap(({ id, dossier }) =>
    (dossier.hotWork.monitors?.devices ?? []).map((one) => [one, `stands at ${id}`] as const),
  );
  return {
    locks: held('lock'),
    boxes: held('box'),
    instruments: new Map(monitors),
    earths: new Map(earths),
    hasps: new Map(),
    kit: new Map(),
    pressure: new Map(),
    employers: findEmployersInUse(db),
    bundles: new Map(),
  };
}

/** Ids of everything on the newest drawing; undefined before there is one. */
function readDrawn(db: Db): ReadonlySet<string> | undefined {
  if (!hasPlantVersion(db, 1)) return undefined;
  const { equipment, sections, links, outlets } = readGraph(db).plant;
  return new Set([...equipment, ...sections, ...links, ...outlets].map(({ id }) => id));
}

/** Changes a register, all or none, drawn from version `expected` of all of them. */
export function changeRegister(
  db: Db,
  {
    expected,
    actor,
    ...change
  }: RegisterChange & { readonly expected: number; readonly actor: string },
): Changed {
  return writeAlone(db, (tx): Changed => {
    const { version, registers } = readRegisters(tx);
    if (version !== expected) return { ok: false, kind: 'changed-meanwhile', version };
    const people = new Map(listPeople(tx).map((one) => [one.id, one]));
    const refusals = refuseRegisterChange(registers, change, {
      inUse: readInUse(tx),
      people,
      now: readNow(tx),
      drawn: readDrawn(tx),
    });
    if (refusals.length > 0) {
      const explain = explainIn(readValues(tx).values.zone);
      return { ok: false, kind: 'refused', refusals: refusals.map(explain) };
    }
    saveRegisterChange(tx, change, actor);
    return { ok: true, version: version + 1 };
  });
}

/** So many of the newest changes are listed. */
const MOST_PAST = 100;

/** What was changed in the registers, the newest first. */
export function listRegisterPast(
  db: Db,
): { readonly at: string; readonly by: string; readonly words: string }[] {
  const names = readNames(db);
  return readStream(db, REGISTER_STREAM)
    .flatMap(({ payload, actor, at }) => {
      const event = payload as RegisterEvent;
      if (event.name !== 'registers') return [];
      const by = names[actor] ?? actor;
      if (event.kind === 'register-saved') return [{ at, by, words: 'all registers saved' }];
      const { name, put, remove } = event.change;
      const words = [
        ...(put.length > 0
          ? [
              `put in or changed: ${nameFew(
                put.map(({ id }) => id),
                12,
              )}`,
            ]
          : []),
        ...(remove.length > 0 ? [`taken out: ${nameFew(remove, 12)}`] : []),
      ];
      return [{ at, by, words: `${name}: ${words.join('; ')}` }];
    })
    .slice(-MOST_PAST)
    .reverse();
}
