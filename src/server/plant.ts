import { createHash } from 'node:crypto';
import { desc, eq, max } from 'drizzle-orm';
import {
  buildGraph,
  parsePlant,
  type FileProblem,
  type Plant,
  type PlantGraph,
} from '../core/plant';
import type { Touch } from '../core/job';
import { ProgrammerFault } from '../core/result';
import { perProcess, tables, writeAlone, type Db } from '../db';
import { appendEvents } from '../ledger';
import { readNow } from './clock';
import { doFor } from './beside/queue';
import { recordDrawingChange } from './drawing-change';

export const PLANT_STREAM = 'plant';

/** A version of the plant that was saved, by the digest of its document. */
export interface PlantSavedEvent {
  readonly kind: 'plant-saved';
  readonly version: number;
  readonly digest: string;
  readonly note: string;
}

const NO_PLANT = 'the database holds no plant: load a site first';

/** The number of the newest saved version of the plant, whether it can be read or not; 0 before the first. */
export const findNewestVersion = (db: Db): number =>
  db
    .select({ version: max(tables.plantVersions.version) })
    .from(tables.plantVersions)
    .get()?.version ?? 0;

/**
 * The number of the newest saved version of the plant that can be read: a damaged one does not take every screen with it, and is named by
 * `findNewestVersion`.
 */
export function readPlantVersion(db: Db): number {
  const newest = findNewestVersion(db);
  if (newest === 0) throw new ProgrammerFault(NO_PLANT);
  for (let version = newest; version > 0; version--) {
    try {
      readGraph(db, version);
      return version;
    } catch {
      // An earlier one counts.
    }
  }
  throw new ProgrammerFault('no version of the plant can be read');
}

const graphs = perProcess('plants', () => new Map<string, PlantGraph>());
const MOST_GRAPHS = 8;

/** Whether a version of the plant was ever saved. */
export const hasPlantVersion = (db: Db, version: number): boolean =>
  db
    .select({ version: tables.plantVersions.version })
    .from(tables.plantVersions)
    .where(eq(tables.plantVersions.version, version))
    .get() !== undefined;

/** The graph of a saved version of the plant, the newest unless another is named; built once. */
export function readGraph(db: Db, version = readPlantVersion(db)): PlantGraph {
  const { plantVersions } = tables;
  const ofVersion = eq(plantVersions.version, version);
  const row = db
    .select({ digest: plantVersions.digest })
    .from(plantVersions)
    .where(ofVersion)
    .get();
  if (row === undefined) throw new ProgrammerFault(`the plant has no version ${version}`);
  const known = graphs.get(row.digest);
  if (known) return known;
  const stored = db
    .select({ document: plantVersions.document })
    .from(plantVersions)
    .where(ofVersion)
    .get();
  const parsed = parsePlant(JSON.parse(stored?.document ?? 'null'));
  if (!parsed.ok)
    throw new ProgrammerFault(`the stored plant is corrupt: ${parsed.problems[0]?.message}`);
  const graph = buildGraph(parsed.value);
  if (graphs.size >= MOST_GRAPHS) graphs.clear();
  graphs.set(row.digest, graph);
  return graph;
}

/** A saved version as its document says; undefined where that can no longer be read. */
function readKept(db: Db, version: number): Plant | undefined {
  try {
    return readGraph(db, version).plant;
  } catch {
    return undefined;
  }
}

/** Every saved version, newest first, without its document. */
export function listPlantVersions(db: Db) {
  const { version, note, actor, at } = tables.plantVersions;
  return db
    .select({ version, note, actor, at })
    .from(tables.plantVersions)
    .orderBy(desc(version))
    .all();
}

/** An open job that names what a drawing does not have under that id. */
export interface TouchedJob extends Touch {
  readonly job: string;
  readonly title: string;
}

/** What becomes of an open job that a drawing touches: it goes on under the new ids, or keeps those that it has. */
export type Becomes = 'follow' | 'keep';

export type PlantSaved =
  | { readonly ok: true; readonly version: number }
  | { readonly ok: false; readonly kind: 'unfit'; readonly problems: readonly FileProblem[] }
  /** Open jobs name what is not on it, and nobody has said what becomes of them. */
  | { readonly ok: false; readonly kind: 'touches-jobs'; readonly touched: readonly TouchedJob[] }
  /** Someone saved another version meanwhile: nothing of this one is kept. */
  | { readonly ok: false; readonly kind: 'changed-meanwhile'; readonly version: number };

const digestOf = (document: string) => createHash('sha256').update(document).digest('hex');

/**
 * Saves a plant as the next version, in one transaction with its entry in the ledger. `expected` is the version that it was
 * drawn from (0 for the first). A document that does not parse is answered with every problem, and nothing is kept.
 */
export function savePlant(
  db: Db,
  given: {
    readonly document: unknown;
    readonly expected: number;
    readonly note: string;
    readonly actor: string;
    /** Finds open jobs that it touches and of which nobody has said what they become; none where nothing can be open yet. */
    readonly findTouched?: (tx: Db, plant: Plant) => readonly TouchedJob[];
    /** Has the jobs that go on under new ids take them over, in the same transaction. */
    readonly follow?: (tx: Db) => void;
  },
): PlantSaved {
  const parsed = parsePlant(given.document);
  if (!parsed.ok) return { ok: false, kind: 'unfit', problems: parsed.problems };
  const document = JSON.stringify(parsed.value satisfies Plant);
  return writeAlone(db, (tx) => {
    const { note, actor } = given;
    const newest = findNewestVersion(tx);
    if (newest !== given.expected) {
      return { ok: false, kind: 'changed-meanwhile', version: newest };
    }
    const touched = given.findTouched?.(tx, parsed.value) ?? [];
    if (touched.length > 0) return { ok: false, kind: 'touches-jobs', touched };
    const version = newest + 1;
    const at = readNow(tx);
    const digest = digestOf(document);
    tx.insert(tables.plantVersions).values({ version, document, digest, note, actor, at }).run();
    const saved: PlantSavedEvent = { kind: 'plant-saved', version, digest, note };
    appendEvents(tx, PLANT_STREAM, newest, [saved], {
      actor,
      at,
      policy: 'none',
    });
    if (newest > 0)
      recordDrawingChange(tx, readKept(tx, newest), parsed.value, { note, actor, version });
    given.follow?.(tx);
    return { ok: true, version };
  });
}

/** What a plant file would change, or every problem in it, in words. */
export type PlantPreview =
  | { readonly ok: true; readonly document: Plant; readonly expected: number }
  | { readonly ok: false; readonly problems: readonly string[] };

/** Reads a plant file, JSON or a zip of CSV sheets, for a person, without keeping anything. */
export async function previewPlant(
  db: Db,
  bytes: Uint8Array,
  who = 'server',
): Promise<PlantPreview> {
  const expected = findNewestVersion(db);
  const read = await doFor(who, { kind: 'read-plant', bytes });
  return read.ok ? { ok: true, document: read.plant, expected } : read;
}

/** Takes over the one plant that a database from before versions holds. */
export function adoptEarlierPlant(db: Db): void {
  const earlier = db
    .select()
    .from(tables.registers)
    .where(eq(tables.registers.name, 'plant'))
    .get();
  if (!earlier || listPlantVersions(db).length > 0) return;
  savePlant(db, {
    document: JSON.parse(earlier.document) as unknown,
    expected: 0,
    note: 'as it stood before versions were kept',
    actor: 'site set-up',
  });
}
