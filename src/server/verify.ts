import { createHash } from 'node:crypto';
import { sql } from 'drizzle-orm';
import { closeDatabase, openDatabase, tables, type Db } from '../db';
import {
  checkHeads,
  findHash,
  findHeadsFile,
  hasHash,
  signerOf,
  verifyLedger,
  type Signer,
} from '../ledger';
import { rowOfOffset } from './clock';
import { readPicture } from './photos';
import { writeRows } from './rebuild';
import { SiteTold, withDigest, withPinDigest } from './site-told';
import { describeTrouble } from './trouble';

/** What a look over everything that is kept comes to. */
export interface Verdict {
  readonly whole: boolean;
  readonly events: number;
  /** The hash of the newest event. */
  readonly head: string;
  /** What is wrong, in words; empty when nothing is. */
  readonly problems: readonly string[];
  /** What the ledger says nothing about, since it is from before it did. */
  readonly notes: readonly string[];
}

type Row = Readonly<Record<string, unknown>>;
type Table = Parameters<Db['delete']>[0];

/** A table as it is kept and as the ledger has it: which columns name a row, and which rows are compared. */
interface Compared {
  readonly name: string;
  readonly key: readonly string[];
  readonly kept: readonly Row[];
  readonly told: readonly Row[];
}

/** At most so many rows of a table are named. */
const MOST_NAMED = 5;

/** What differs between a table as it is kept and as the ledger tells it, row by row, both ways. */
function compareTable({ name, key, kept, told }: Compared): string[] {
  const nameOf = (row: Row) => key.map((column) => String(row[column])).join(' ');
  const wanted = new Map(told.map((row) => [nameOf(row), row]));
  const found = new Map(kept.map((row) => [nameOf(row), row]));
  const differing = [...found].flatMap(([id, row]) => {
    const other = wanted.get(id);
    if (!other) return [`${name} ${id}: the ledger knows no such row`];
    const columns = Object.keys(row).filter((column) => row[column] !== other[column]);
    return columns.length > 0
      ? [`${name} ${id}: ${columns.join(', ')} is another in the ledger`]
      : [];
  });
  const missing = [...wanted.keys()]
    .filter((id) => !found.has(id))
    .map((id) => `${name} ${id}: the row is missing`);
  const all = [...differing, ...missing];
  const more = all.length - MOST_NAMED;
  return more > 0 ? [...all.slice(0, MOST_NAMED), `${name}: ${more} more rows differ`] : all;
}

const rowsOf = (db: Db, table: Table): Row[] =>
  db
    .select()
    .from(table as typeof tables.jobRows)
    .all();
/** What is wrong with pictures: one that a job names and is gone, one whose bytes are others than its name says. What no job names yet is nobody's record. */
function checkPictures(db: Db, named: ReadonlySet<string>): string[] {
  const { photos } = tables;
  const kept = db.select({ digest: photos.digest }).from(photos).all();
  const changed = kept.flatMap(({ digest }) => {
    // One after the other: all of them may be more than fits.
    const bytes = readPicture(db, digest);
    const is = bytes && createHash('sha256').update(bytes).digest('hex');
    return is === digest ? [] : [`photo ${digest}: bytes is another in the ledger`];
  });
  const there = new Set(kept.map(({ digest }) => digest));
  const missing = [...named]
    .filter((digest) => !there.has(digest))
    .map((digest) => `photo ${digest}: the row is missing`);
  return [...changed, ...missing];
}

/** Commands of before they stood with what came of them: such a row is believed when it names an event that stands without. */
function isFromBefore(
  db: Db,
  { stream, sequence }: typeof tables.commandsSeen.$inferSelect,
): boolean {
  const { events } = tables;
  const event = db
    .select({ payload: events.payload })
    .from(events)
    .where(sql`${events.stream} = ${stream} and ${events.sequence} = ${sequence}`)
    .get();
  return event !== undefined && !('sent' in (JSON.parse(event.payload) as object));
}

/** Has rows written from the ledger; answers why that cannot be done, where it cannot. */
function writeOrSay(write: () => void): string | undefined {
  try {
    write();
    return undefined;
  } catch (error) {
    return `what is kept of jobs cannot be worked out from the ledger: ${describeTrouble(error)}`;
  }
}

/** Compares every table with what the ledger tells, from a database in memory that is written anew. */
function compareTables(db: Db): { readonly problems: string[]; readonly notes: string[] } {
  const memory = openDatabase(':memory:');
  try {
    const told = new SiteTold(memory, db);
    // Registers and people of before they stood in the ledger: jobs cannot be read without, and nothing speaks for them.
    for (const table of [tables.people, tables.registers] as const)
      for (const row of db
        .select()
        .from(table as typeof tables.registers)
        .all())
        memory
          .insert(table as typeof tables.registers)
          .values(row)
          .run();
    const unworked = writeOrSay(() => writeRows(memory, db, told.hear));
    const search = sql`select rowid as row, ids, equipment, title, words from search_row`;
    const same = (name: string, table: Table, key: readonly string[]): Compared => {
      return { name, key, kept: rowsOf(db, table), told: rowsOf(memory, table) };
    };
    const offset = told.offset_ms === undefined ? [] : [rowOfOffset(told.offset_ms)];
    const compared: Compared[] = [
      same('job_row', tables.jobRows, ['id']),
      same('holding', tables.holdings, ['kind', 'item']),
      same('as_built', tables.asBuilt, ['point']),
      same('permit_row', tables.permitRows, ['number']),
      same('audit_row', tables.auditRows, ['job', 'number']),
      same('work_order', tables.workOrders, ['number']),
      {
        name: 'search_row',
        key: ['row'],
        kept: db.all<Row>(search),
        told: memory.all<Row>(search),
      },
      {
        name: 'plant_version',
        key: ['version'],
        kept: db.select().from(tables.plantVersions).all().map(withDigest),
        told: told.versions,
      },
      {
        name: 'command_seen',
        key: ['key'],
        kept: db
          .select()
          .from(tables.commandsSeen)
          .all()
          .filter((row) => !isFromBefore(db, row)),
        told: told.commands,
      },
    ];
    const notes: string[] = [];
    const ifTold = (isTold: boolean, one: Compared) => {
      if (isTold) compared.push(one);
      else if (one.kept.length > 0)
        notes.push(
          `${one.name}: from before the ledger said anything about it; start the application once`,
        );
    };
    ifTold(told.people.size > 0, {
      name: 'person',
      key: ['id'],
      kept: db.select().from(tables.people).all().map(withPinDigest),
      told: [...told.people.values()],
    });
    ifTold(told.registers.size > 0, {
      name: 'register',
      key: ['name'],
      kept: rowsOf(db, tables.registers),
      told: [...told.registers.values()],
    });
    ifTold(told.offset_ms !== undefined || told.commands.length > 0, {
      name: 'setting',
      key: ['name'],
      kept: rowsOf(db, tables.settings),
      told: offset,
    });
    const problems = [...compared.flatMap(compareTable), ...checkPictures(db, told.pictures)];
    return { problems: unworked === undefined ? problems : [unworked, ...problems], notes };
  } finally {
    closeDatabase(memory);
  }
}

/**
 * Looks over everything that is kept: the chain with its signatures and times, the heads in the file beside the database, and every table
 * against what the ledger tells, both ways. `expectedHead` is a hash that was written down elsewhere: it has to stand in the chain, as every head has to that was sent out.
 * What detectors read is not in the ledger, and who is signed in and with which codes PINs wait to be set, and how diagrams are laid out is nobody's record: these are left out.
 */
export function verifyAll(
  db: Db,
  {
    expectedHead,
    headsFile,
    signer = signerOf(db),
    heads: whose = 'own',
  }: {
    readonly expectedHead?: string | undefined;
    /** A file of heads that were sent out: each has to stand in the chain. */
    readonly headsFile?: string | undefined;
    readonly signer?: Signer;
    /** Whether the heads beside it are compared; those of a copy are of the database that it was made from. */
    readonly heads?: 'own' | 'none';
  } = {},
): Verdict {
  const chain = verifyLedger(db, signer);
  if (!chain.whole) {
    return { whole: false, events: chain.at, head: '', problems: [chain.says], notes: [] };
  }
  const { events, head } = chain;
  const file = whose === 'own' ? findHeadsFile(db) : undefined;
  const kept = { events, hashAt: (event: number) => findHash(db, event) };
  const heads = [...checkHeads(file, signer, kept), ...checkHeads(headsFile, signer, kept)];
  const unexpected =
    expectedHead !== undefined && !hasHash(db, expectedHead)
      ? [`no event has the hash ${expectedHead}: what it stood for is gone, or was changed`]
      : [];
  const compared = compareTables(db);
  const problems = [...heads, ...unexpected, ...compared.problems];
  return { whole: problems.length === 0, events, head, problems, notes: compared.notes };
}
