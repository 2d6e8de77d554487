import { createHash } from 'node:crypto';
import { and, count, eq, gt } from 'drizzle-orm';
import { findPictureFault } from '../core/photos';
import { tables, type Db } from '../db';
import { readNow } from './clock';

const ofDigest = (digest: string) => eq(tables.photos.digest, digest);

/** Whether the bytes of a picture have been received. */
export const hasPicture = (db: Db, digest: string): boolean =>
  db.select({ digest: tables.photos.digest }).from(tables.photos).where(ofDigest(digest)).get() !==
  undefined;

/** The bytes of a picture; undefined when they were never received. */
export const readPicture = (db: Db, digest: string): Buffer | undefined =>
  db.select({ bytes: tables.photos.bytes }).from(tables.photos).where(ofDigest(digest)).get()
    ?.bytes;

export type PictureKept =
  { readonly ok: true; readonly digest: string } | { readonly ok: false; readonly fault: string };

/** What one person may send within an hour: nobody fills the disk. Source: site rule. */
const MOST_AN_HOUR = 120;
const HOUR_MS = 3_600_000;

const countSent = (db: Db, by: string, now: string): number => {
  const since = new Date(Date.parse(now) - HOUR_MS).toISOString();
  const { photos } = tables;
  const ofPerson = and(eq(photos.by, by), gt(photos.at, since));
  return db.select({ sent: count() }).from(photos).where(ofPerson).get()?.sent ?? 0;
};

/** Keeps a picture under the digest of its bytes; the same one again changes nothing. */
export function keepPicture(db: Db, bytes: Uint8Array, by: string): PictureKept {
  const fault = findPictureFault(bytes);
  if (fault !== undefined) return { ok: false, fault };
  if (countSent(db, by, readNow(db)) >= MOST_AN_HOUR) {
    return { ok: false, fault: `is one too many: ${MOST_AN_HOUR} were sent within an hour` };
  }
  const digest = createHash('sha256').update(bytes).digest('hex');
  db.insert(tables.photos)
    .values({ digest, bytes: Buffer.from(bytes), by, at: readNow(db) })
    .onConflictDoNothing()
    .run();
  return { ok: true, digest };
}
