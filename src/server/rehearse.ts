import { copyFileSync, existsSync, rmSync } from 'node:fs';
import { count, gt } from 'drizzle-orm';
import { closeDatabase, openDatabase, tables, type Db } from '../db';
import { findHash, findHead, signerOf } from '../ledger';
import { verifyCopy } from './backup';
import { backupFolder, listBackups, writeRehearsal } from './backups';

/** A restore that was tried out, or why it would not do. */
export type Rehearsed =
  | { readonly ok: true; readonly from: string; readonly says: string; readonly lost: Lost }
  | { readonly ok: false; readonly from: string | undefined; readonly problems: readonly string[] };

/** What has come in since the backup was made, and would be gone after a restore. */
interface Lost {
  readonly events: number;
  readonly readings: number;
  readonly pictures: number;
}

const countReadings = (db: Db): number =>
  db.select({ all: count() }).from(tables.gasReadings).get()?.all ?? 0;
const listPictures = (db: Db): string[] =>
  db
    .select({ digest: tables.photos.digest })
    .from(tables.photos)
    .all()
    .map(({ digest }) => digest);

/** Compares a database that was restored with the one in use; answers what is wrong, and what would be lost. */
function compare(copy: Db, live: Db): { readonly problems: string[]; readonly lost: Lost } {
  const { events, hash } = findHead(copy);
  const isOwn = events === 0 || findHash(live, events) === hash;
  const newer = live
    .select({ all: count() })
    .from(tables.events)
    .where(gt(tables.events.id, events))
    .get();
  const there = new Set(listPictures(live));
  const gone = listPictures(copy).filter((digest) => !there.has(digest));
  return {
    problems: [
      ...(isOwn
        ? []
        : [`its newest event (${events}) does not stand in the ledger in use: it is of another site, or one of them was changed`]), // prettier-ignore
      ...gone.slice(0, 5).map((digest) => `it has a photograph (${digest}) that is gone here`),
    ],
    lost: {
      events: newer?.all ?? 0,
      readings: countReadings(live) - countReadings(copy),
      pictures: listPictures(live).length - listPictures(copy).length,
    },
  };
}

function tryOut(live: Db, from: string): Rehearsed {
  const second = `${from}.rehearsal`;
  const clear = () => {
    for (const ending of ['', '-wal', '-shm']) rmSync(second + ending, { force: true });
  };
  clear();
  try {
    copyFileSync(from, second);
    const verdict = verifyCopy(second, signerOf(live));
    if (!verdict.whole) return { ok: false, from, problems: verdict.problems };
    const copy = openDatabase(second);
    try {
      const { problems, lost } = compare(copy, live);
      if (problems.length > 0) return { ok: false, from, problems };
      const says = `${from} can be restored: ${verdict.events} events, verified, all of them as they stand in the ledger in use. After it came ${lost.events} events, ${lost.readings} readings of detectors and ${lost.pictures} photographs, which would be lost.`;
      return { ok: true, from, says, lost };
    } finally {
      closeDatabase(copy);
    }
  } finally {
    clear();
  }
}

/**
 * Restores a backup (the newest, unless another is named) into a second file beside it, verifies that one, and compares it with the database in use: the
 * events of the one have to be the first of the other. The second file is taken away again; how it went is written down beside the backups.
 */
export function rehearse(
  live: Db,
  file: string,
  {
    from = listBackups(backupFolder(file))[0]?.file,
    now_ms = Date.now(),
  }: { readonly from?: string | undefined; readonly now_ms?: number } = {},
): Rehearsed {
  const done: Rehearsed =
    from === undefined
      ? { ok: false, from, problems: [`there is no backup in ${backupFolder(file)} yet`] }
      : existsSync(from)
        ? tryOut(live, from)
        : { ok: false, from, problems: [`${from} is not there`] };
  const folder = backupFolder(file);
  if (existsSync(folder)) {
    const says = done.ok ? done.says : done.problems.join('; ').slice(0, 2000);
    writeRehearsal(folder, { at: new Date(now_ms).toISOString(), ok: done.ok, says });
  }
  return done;
}
