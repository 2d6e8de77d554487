import { createHash } from 'node:crypto';
import { openDatabase } from '../db';
import { hasPicture, keepPicture, readPicture } from './photos';

/** The smallest picture there is to keep: a scan, and its end. */
const PICTURE = new Uint8Array([0xff, 0xd8, 0xff, 0xda, 0, 2, 7, 7, 0xff, 0xd9]);
const DIGEST = createHash('sha256').update(PICTURE).digest('hex');

describe('pictures that are sent in', () => {
  it('are kept under the digest of their bytes, once', () => {
    const db = openDatabase(':memory:');
    expect(hasPicture(db, DIGEST)).toBe(false);
    expect(keepPicture(db, PICTURE, 'kit')).toEqual({ ok: true, digest: DIGEST });
    expect(keepPicture(db, PICTURE, 'jun')).toEqual({ ok: true, digest: DIGEST });
    expect(hasPicture(db, DIGEST)).toBe(true);
    expect(readPicture(db, DIGEST)?.equals(PICTURE)).toBe(true);
  });

  it('are not kept when they are none', () => {
    const db = openDatabase(':memory:');
    const kept = keepPicture(db, PICTURE.slice(1), 'kit');
    expect(kept).toEqual({ ok: false, fault: 'is not a whole JPEG picture' });
    expect(readPicture(db, DIGEST)).toBeUndefined();
  });
});
