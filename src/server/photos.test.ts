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

  it('are not kept when one person sends more than anybody takes', () => {
    const db = openDatabase(':memory:');
    const another = (n: number) => {
      const bytes = PICTURE.slice();
      bytes.set([n >> 8, n & 255], 6);
      return bytes;
    };
    for (let n = 0; n < 120; n++) expect(keepPicture(db, another(n), 'kit').ok).toBe(true);
    expect(keepPicture(db, another(120), 'kit')).toMatchObject({
      fault: 'is one too many: 120 were sent within an hour',
    });
    expect(keepPicture(db, another(120), 'jun').ok).toBe(true);
  });

  it('are not kept when they are none', () => {
    const db = openDatabase(':memory:');
    const kept = keepPicture(db, PICTURE.slice(1), 'kit');
    expect(kept).toEqual({ ok: false, fault: 'is not a whole JPEG picture' });
    expect(readPicture(db, DIGEST)).toBeUndefined();
  });
});
