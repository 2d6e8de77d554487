import { createHash } from 'node:crypto';
import {
  copyFileSync,
  createReadStream,
  existsSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
} from 'node:fs';
import { join } from 'node:path';
import { createInterface } from 'node:readline';
import { readJsonText } from '../../core/text';
import {
  SITE_LINES,
  siteFolderSchema,
  textToSign,
  type LineOf,
  type LinesName,
  type SiteFile,
  type SiteFolder,
} from '../../core/site-folder';
import { closeDatabase, openDatabase, tables, writeAlone, type Db } from '../../db';
import { openSigner, signWith, type Signer } from '../../ledger';
import { closeAlone } from '../backup';
import { rowOfOffset } from '../clock';
import { rebuildRows, writeRows } from '../rebuild';
import { appendSite, PEOPLE_STREAM } from '../registers';
import { SiteTold } from '../site-told';
import { describeTrouble } from '../trouble';
import { verifyAll, type Verdict } from '../verify';

/** A site that was taken in, or why not. */
export type SiteTaken =
  | { readonly ok: true; readonly folder: SiteFolder; readonly verdict: Verdict }
  | { readonly ok: false; readonly problems: readonly string[] };

/** A folder that cannot be taken in, in words. */
class Unfit extends Error {
  constructor(readonly problems: readonly string[]) {
    super(problems.join('; '));
  }
}

/** The longest manifest that is read (bytes): a million pictures have one of some 200 MB. */
const LARGEST_MANIFEST = 300_000_000;
/** The longest line that is read (bytes): a plant of the largest size that is drawn stands in one. */
const LONGEST_LINE = 200_000_000;

function readManifest(folder: string, signer: Signer): SiteFolder {
  const file = join(folder, 'manifest.json');
  if (!existsSync(file)) throw new Unfit([`${file} is not there: name the folder of a site`]);
  if (statSync(file).size > LARGEST_MANIFEST) throw new Unfit([`${file} is too long`]);
  const json = readJsonText(readFileSync(file, 'utf8'));
  if (!json.ok) throw new Unfit([`${file} ${json.says}`]);
  const read = siteFolderSchema.safeParse(json.document);
  if (!read.success) {
    throw new Unfit(
      read.error.issues
        .slice(0, 20)
        .map(({ path, message }) => `${file}: ${path.join('.')}: ${message}`),
    );
  }
  const { signature, ...unsigned } = read.data;
  if (!signer.isSigned(textToSign(unsigned), signature)) {
    throw new Unfit([
      `${file} is not signed with the key of this ledger: it was changed, or the key is another`,
    ]);
  }
  return read.data;
}

async function findFault(folder: string, { name, bytes, sha256 }: SiteFile): Promise<string[]> {
  const path = join(folder, name);
  if (!existsSync(path)) return [`${name} is missing`];
  const { size } = statSync(path);
  if (size !== bytes) return [`${name} has ${size} bytes, and had ${bytes} when it was written`];
  const digest = createHash('sha256');
  for await (const part of createReadStream(path)) digest.update(part as Buffer);
  return digest.digest('hex') === sha256 ? [] : [`${name} was changed after it was written`];
}

/** The lines of a file, each checked; throws `Unfit` with the number of the first that does not fit. */
async function* readLines<Name extends LinesName>(
  folder: string,
  name: Name,
): AsyncGenerator<LineOf<Name>> {
  const lines = createInterface({ input: createReadStream(join(folder, name), 'utf8') });
  let number = 0;
  for await (const line of lines) {
    number += 1;
    if (line === '') continue;
    if (line.length > LONGEST_LINE) throw new Unfit([`${name}, line ${number}: is too long`]);
    const json = readJsonText(line);
    if (!json.ok) throw new Unfit([`${name}, line ${number} ${json.says}`]);
    const read = SITE_LINES[name].safeParse(json.document);
    if (!read.success) {
      const [issue] = read.error.issues;
      const where = issue?.path.join('.') ?? '';
      throw new Unfit([`${name}, line ${number}: ${where}: ${issue?.message ?? 'does not fit'}`]);
    }
    yield read.data as LineOf<Name>;
  }
}

/** Takes the rows of a file in, some at a time. */
async function takeIn<Name extends LinesName>(
  folder: string,
  name: Name,
  write: (line: LineOf<Name>) => void,
): Promise<void> {
  for await (const line of readLines(folder, name)) write(line);
}

async function takeAllIn(db: Db, folder: string, { files }: SiteFolder) {
  const { events, plantVersions, gasReadings, photos, commandsSeen } = tables;
  const pins = new Map<string, string>();
  await takeIn(folder, 'events.jsonl', (row) => void db.insert(events).values(row).run());
  await takeIn(folder, 'plant-versions.jsonl', (row) => void db.insert(plantVersions).values(row).run()); // prettier-ignore
  await takeIn(folder, 'gas-readings.jsonl', (row) => void db.insert(gasReadings).values(row).run()); // prettier-ignore
  await takeIn(folder, 'commands.jsonl', (row) => void db.insert(commandsSeen).values(row).run());
  const named = new Set(files.map(({ name }) => name));
  await takeIn(folder, 'photos.jsonl', (row) => {
    const name = `photos/${row.digest}.jpg`;
    if (!named.has(name)) throw new Unfit([`${name} is missing`]);
    const bytes = readFileSync(join(folder, name));
    db.insert(photos)
      .values({ ...row, bytes })
      .run();
  });
  if (named.has('pins.jsonl')) {
    await takeIn(folder, 'pins.jsonl', ({ person, pinHash }) => void pins.set(person, pinHash));
  }
  return pins;
}

/** Writes everything that stands in the ledger alone: people, registers, work orders, the clock, and what is kept of jobs. */
function writeWhatIsTold(db: Db, pins: ReadonlyMap<string, string>): void {
  const memory = openDatabase(':memory:');
  try {
    const told = new SiteTold(memory, db);
    writeRows(memory, db, told.hear);
    for (const { id, name, employer, authorisations, leftAt } of told.people.values()) {
      const pinHash = pins.get(id) ?? '';
      db.insert(tables.people)
        .values({ id, name, employer, authorisations, leftAt, pinHash })
        .run();
    }
    for (const row of told.registers.values()) db.insert(tables.registers).values(row).run();
    for (const row of memory.select().from(tables.workOrders).all())
      db.insert(tables.workOrders).values(row).run();
    if (told.offset_ms !== undefined)
      db.insert(tables.settings).values(rowOfOffset(told.offset_ms)).run();
  } finally {
    closeDatabase(memory);
  }
  rebuildRows(db);
}

async function fill(coming: string, folder: string, manifest: SiteFolder, signer: Signer) {
  const db = openDatabase(coming);
  signWith(db, signer);
  try {
    db.$client.exec('begin immediate');
    const pins = await takeAllIn(db, folder, manifest);
    db.$client.exec('commit');
    writeAlone(db, (tx) => {
      writeWhatIsTold(tx, pins);
      // Without their PINs everybody sets one anew; the ledger says why.
      if (!manifest.hasPins)
        appendSite(tx, PEOPLE_STREAM, { kind: 'pins-ended' }, 'the machine of the server');
    });
    const verdict = verifyAll(db, { signer, heads: 'none', expectedHead: manifest.head });
    if (!verdict.whole) throw new Unfit(verdict.problems);
    return verdict;
  } finally {
    closeAlone(db);
  }
}

/**
 * Takes a whole site in from a folder, into a database that is not there yet: every digest and every line is checked, everything that stands in the
 * ledger alone is worked out from it, and the whole is verified before it takes its place. The key of the ledger has to be there already.
 */
export async function readSiteFolder(folder: string, target: string): Promise<SiteTaken> {
  if (existsSync(target)) {
    return { ok: false, problems: [`${target} is there already: a site goes into a new database`] };
  }
  const key = process.env.LANTERN_KEY ?? `${target}.key`;
  if (!existsSync(key)) {
    return {
      ok: false,
      problems: [
        `the key of the ledger is not at ${key}: bring it from where it is kept, or name its place in LANTERN_KEY`,
      ],
    };
  }
  const coming = `${target}.importing`;
  const clear = () => {
    for (const ending of ['', '-wal', '-shm', '.heads'])
      rmSync(`${coming}${ending}`, { force: true });
  };
  clear();
  try {
    const signer = openSigner(key);
    const manifest = readManifest(folder, signer);
    const faults: string[] = [];
    for (const file of manifest.files) faults.push(...(await findFault(folder, file)));
    const named = new Set(manifest.files.map(({ name }) => name));
    for (const name of Object.keys(SITE_LINES))
      if (name !== 'pins.jsonl' && !named.has(name)) faults.push(`${name} is missing`);
    if (faults.length > 0) throw new Unfit(faults.slice(0, 50));
    if (named.has('heads.jsonl')) {
      // Heads go on in the file of the site as it comes.
      copyFileSync(join(folder, 'heads.jsonl'), `${coming}.heads`);
    }
    const verdict = await fill(coming, folder, manifest, signer);
    if (existsSync(`${coming}.heads`)) renameSync(`${coming}.heads`, `${target}.heads`);
    renameSync(coming, target);
    return { ok: true, folder: manifest, verdict };
  } catch (error) {
    return {
      ok: false,
      problems: error instanceof Unfit ? error.problems : [describeTrouble(error)],
    };
  } finally {
    clear();
  }
}
