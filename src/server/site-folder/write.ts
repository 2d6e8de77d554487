import { createHash } from 'node:crypto';
import {
  closeSync,
  existsSync,
  mkdirSync,
  openSync,
  readFileSync,
  renameSync,
  rmSync,
  writeFileSync,
  writeSync,
} from 'node:fs';
import { join } from 'node:path';
import { writePeopleSheet } from '../../core/people/sheet';
import { REGISTER_NAMES } from '../../core/registers/schema';
import { writeRegisterSheet } from '../../core/registers/sheet';
import {
  textToSign,
  type LineOf,
  type LinesName,
  type SiteFile,
  type SiteFolder,
} from '../../core/site-folder';
import { tables, type Db } from '../../db';
import { findHead, findHeadsFile, iterateRows, signerOf } from '../../ledger';
import { writeSheetOf } from '../exports';
import { readPicture } from '../photos';
import { readGraph } from '../plant';
import { listPeople, readRegisters } from '../registers';
import { verifyAll } from '../verify';

/** A folder that was written, or why not. */
export type SiteWritten =
  | { readonly ok: true; readonly folder: SiteFolder }
  | { readonly ok: false; readonly problems: readonly string[] };

/** Puts files into a folder one by one and keeps what each has come to. */
class FolderWriter {
  readonly files: SiteFile[] = [];

  constructor(private readonly folder: string) {}

  /** Writes a file piece by piece. */
  put(name: string, pieces: Iterable<string | Uint8Array>, rows?: () => number): void {
    const digest = createHash('sha256');
    const handle = openSync(join(this.folder, name), 'wx', 0o600);
    let bytes = 0;
    try {
      for (const piece of pieces) {
        const part = Buffer.from(piece);
        writeSync(handle, part);
        digest.update(part);
        bytes += part.length;
      }
    } finally {
      closeSync(handle);
    }
    const counted = rows ? { rows: rows() } : {};
    this.files.push({ name, bytes, sha256: digest.digest('hex'), ...counted });
  }

  /** Writes rows as JSON, one a line. */
  putLines<Name extends LinesName>(name: Name, lines: Iterable<LineOf<Name>>): void {
    let rows = 0;
    const pieces = function* () {
      for (const line of lines) {
        rows += 1;
        yield `${JSON.stringify(line)}\n`;
      }
    };
    this.put(name, pieces(), () => rows);
  }
}

/** What a site is made of: its ledger, and what the ledger names by digest or says nothing about. */
function putWhole(db: Db, to: FolderWriter, withPins: boolean): void {
  const { plantVersions, photos, commandsSeen, people } = tables;
  to.putLines('events.jsonl', iterateRows(db));
  to.putLines('plant-versions.jsonl', db.select().from(plantVersions).all());
  const readings = 'select * from gas_reading order by device, number';
  to.putLines(
    'gas-readings.jsonl',
    db.$client.prepare<[], LineOf<'gas-readings.jsonl'>>(readings).iterate(),
  );
  const { digest, by, at } = photos;
  const pictures = db.select({ digest, by, at }).from(photos).all();
  to.putLines('photos.jsonl', pictures);
  for (const one of pictures) {
    to.put(`photos/${one.digest}.jpg`, [readPicture(db, one.digest) ?? Buffer.alloc(0)]);
  }
  to.putLines('commands.jsonl', db.select().from(commandsSeen).all());
  if (!withPins) return;
  const pins = db.select({ person: people.id, pinHash: people.pinHash }).from(people).all();
  to.putLines(
    'pins.jsonl',
    pins.filter(({ pinHash }) => pinHash !== ''),
  );
}

/** The same for people and spreadsheets to read: nothing is taken in from these. */
function putReadable(db: Db, to: FolderWriter): void {
  to.put('people.csv', [writePeopleSheet(listPeople(db))]);
  const { registers } = readRegisters(db);
  for (const name of REGISTER_NAMES) {
    to.put(`${name}.csv`, [writeRegisterSheet(name, registers[name])]);
  }
  for (const name of ['jobs', 'permits', 'handovers'] as const) {
    to.put(`${name}.csv`, writeSheetOf(db, name));
  }
  to.put('plant.json', [`${JSON.stringify(readGraph(db).plant, null, 2)}\n`]);
}

/**
 * Writes a whole site as open files into a folder that is not there yet: JSON lines and CSV, with the digest of each in a manifest that is signed with the
 * key of the ledger. The key itself is never in it; the hashes of PINs only where that is asked for. What is not whole is not written.
 */
export function writeSiteFolder(
  db: Db,
  folder: string,
  { withPins = false, now_ms = Date.now() }: { withPins?: boolean; now_ms?: number } = {},
): SiteWritten {
  if (existsSync(folder)) {
    return { ok: false, problems: [`${folder} is there already: name a folder that is not`] };
  }
  const writing = `${folder}.writing`;
  rmSync(writing, { recursive: true, force: true });
  mkdirSync(join(writing, 'photos'), { recursive: true, mode: 0o700 });
  // All of it as it stands at one moment, while others go on writing.
  db.$client.exec('begin');
  try {
    const verdict = verifyAll(db);
    if (!verdict.whole) return { ok: false, problems: verdict.problems };
    // What the ledger says nothing about would be lost on the way.
    if (verdict.notes.length > 0) return { ok: false, problems: verdict.notes };
    const to = new FolderWriter(writing);
    putWhole(db, to, withPins);
    putReadable(db, to);
    const heads = findHeadsFile(db);
    if (heads !== undefined && existsSync(heads)) {
      to.put('heads.jsonl', [readFileSync(heads)]);
    }
    const { events, hash: head } = findHead(db);
    const unsigned = {
      format: 'heavy-lantern/site' as const,
      version: 1 as const,
      site: readGraph(db).plant.name,
      madeAt: new Date(now_ms).toISOString(),
      events,
      head,
      hasPins: withPins,
      files: to.files,
    };
    const manifest: SiteFolder = {
      ...unsigned,
      signature: signerOf(db).sign(textToSign(unsigned)),
    };
    writeFileSync(join(writing, 'manifest.json'), `${JSON.stringify(manifest, null, 2)}\n`, {
      mode: 0o600,
    });
    renameSync(writing, folder);
    return { ok: true, folder: manifest };
  } finally {
    db.$client.exec('rollback');
    rmSync(writing, { recursive: true, force: true });
  }
}
