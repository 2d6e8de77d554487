import { existsSync } from 'node:fs';
import { openDatabase, type Db } from '../db';
import { verifyLedger } from '../ledger';
import { databaseFile } from '../server/database';
import { makeBackup, restoreBackup } from '../server/backup';
import { examine } from '../server/doctor';
import { makePinCode } from '../server/people';
import { findPerson } from '../server/registers';
import { rebuildRows } from '../server/rebuild';
import { rehearse } from '../server/rehearse';
import { readSiteFolder } from '../server/site-folder/read';
import { writeSiteFolder } from '../server/site-folder/write';
import { verifyAll } from '../server/verify';
import { BadFile } from './files';
import type { Answer } from './commands';

function openThere(file: string): Db {
  if (existsSync(file)) return openDatabase(file);
  throw new BadFile(file, [
    { path: '(file)', message: 'is not there: start the application first' },
  ]);
}

/** Looks over everything that is kept: chain, signatures, heads, every table. */
export function runVerify(
  [file = databaseFile()]: string[],
  { head, heads }: { head?: string; heads?: string },
): Answer {
  if (heads !== undefined && !existsSync(heads)) {
    throw new BadFile(heads, [{ path: '--heads', message: 'is not there' }]);
  }
  const verdict = verifyAll(openThere(file), { expectedHead: head, headsFile: heads });
  const { whole, events, problems, notes } = verdict;
  const text = whole
    ? `whole: ${events} events, newest ${verdict.head.slice(0, 16)}\n${notes.map((note) => `note: ${note}\n`).join('')}`
    : problems.map((problem) => `NOT WHOLE: ${problem}\n`).join('');
  return { document: verdict, text, passes: whole };
}

/** Copies the database while it is in use, and verifies the copy. */
export async function runBackup([to = '', file = databaseFile()]: string[]): Promise<Answer> {
  const made = await makeBackup(openThere(file), to);
  const text = made.ok
    ? `${to}: ${made.verdict.events} events, newest ${made.verdict.head.slice(0, 16)}, verified. Keep the key of the ledger apart from it.\n`
    : made.problems.map((problem) => `NO BACKUP: ${problem}\n`).join('');
  return { document: made, text, passes: made.ok };
}

/** Puts a backup into the place of the database, once it is verified. */
export function runRestore([from = '', file = databaseFile()]: string[]): Answer {
  const restored = restoreBackup(from, file);
  const text = restored.ok
    ? `${file}: ${restored.verdict.events} events, newest ${restored.verdict.head.slice(0, 16)}, verified and put in place${restored.kept === undefined ? '' : `; what was there is ${restored.kept}`}.\n`
    : restored.problems.map((problem) => `NOT RESTORED: ${problem}\n`).join('');
  return { document: restored, text, passes: restored.ok };
}

/** Restores a backup into a second file, compares it with the database in use, and takes it away again. */
export function runRehearse([file = databaseFile(), from]: string[]): Answer {
  const done = rehearse(openThere(file), file, { from });
  const text = done.ok
    ? `${done.says}\n`
    : done.problems.map((problem) => `NOT RESTORED: ${problem}\n`).join('');
  return { document: done, text, passes: done.ok };
}

/** Writes a whole site into a folder, as open files. */
export function runExportSite(
  [folder = '', file = databaseFile()]: string[],
  { withPins = false }: { withPins?: boolean },
): Answer {
  const written = writeSiteFolder(openThere(file), folder, { withPins });
  const text = written.ok
    ? `${folder}: ${written.folder.site}, ${written.folder.events} events, ${written.folder.files.length} files. ${withPins ? 'The hashes of PINs are in it: keep it as you keep the database.' : 'PINs are not in it: everybody sets one anew.'} Bring the key of the ledger by another way.\n`
    : written.problems.map((problem) => `NOT EXPORTED: ${problem}\n`).join('');
  return { document: written, text, passes: written.ok };
}

/** Takes a whole site in from a folder, into a new database. */
export async function runImportSite([
  folder = '',
  file = databaseFile(),
]: string[]): Promise<Answer> {
  const taken = await readSiteFolder(folder, file);
  const text = taken.ok
    ? `${file}: ${taken.folder.site}, ${taken.verdict.events} events, verified.${taken.folder.hasPins ? '' : ' Nobody has a PIN yet: lantern pin-code PERSON makes a code for the first site manager.'}\n`
    : taken.problems.map((problem) => `NOT IMPORTED: ${problem}\n`).join('');
  return { document: taken, text, passes: taken.ok };
}

/** Writes what is kept of jobs anew, from a chain that is whole. */
export function runRebuild([file = databaseFile()]: string[]): Answer {
  const db = openThere(file);
  const report = verifyLedger(db);
  if (!report.whole) {
    const text = `NOT WHOLE: ${report.says}. Nothing was written.\n`;
    return { document: report, text, passes: false };
  }
  const jobs = rebuildRows(db);
  const text = `${jobs} jobs written anew from ${report.events} events\n`;
  return { document: { jobs, events: report.events }, text, passes: true };
}

/** Looks over what the running of a site rests on, and says what to do. */
export function runDoctor(
  [file = databaseFile()]: string[],
  { whole = false }: { whole?: boolean },
): Answer {
  const findings = examine(file, { whole });
  const text = findings
    .map(({ about, isWell, says, todo }) =>
      isWell
        ? `well    ${about}: ${says}\n`
        : `NOT WELL ${about}: ${says}\n        ${todo ?? ''}\n`,
    )
    .join('');
  return { document: findings, text, passes: findings.every(({ isWell }) => isWell) };
}

/** Makes a code for somebody whom nobody at the site can give one: whoever may do this has the machine. It stands in the ledger as made there. */
export function runPinCode([person = '', file = databaseFile()]: string[]): Answer {
  const db = openThere(file);
  const known = findPerson(db, person);
  if (!known) {
    throw new BadFile(file, [
      { path: 'person', message: `nobody there has the short name ${person}` },
    ]);
  }
  const code = makePinCode(db, person, ['the machine of the server']);
  const text = `${known.name} sets a new PIN with this code, once and within a week, under Set your PIN: ${code}\n`;
  return { document: { person, code }, text, passes: true };
}
