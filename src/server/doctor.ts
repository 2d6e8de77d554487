import { accessSync, constants, existsSync, statfsSync, statSync } from 'node:fs';
import { dirname } from 'node:path';
import { desc } from 'drizzle-orm';
import { openDatabase, closeDatabase, tables, type Db } from '../db';
import { backupFolderOf, readBackupState } from './backups';
import { readHeadSent } from './send-heads';
import { isSetUp } from './set-up';
import { describeTrouble } from './trouble';
import { verifyAll } from './verify';

/** One thing that was looked at: whether it is well, what was found, and what to do where it is not. */
export interface Finding {
  readonly about: string;
  readonly isWell: boolean;
  readonly says: string;
  readonly todo?: string;
}

/** Less free room on the disk than this (bytes) is little. Source: practice. */
const LITTLE_ROOM = 1_000_000_000;
/** A newest event so far ahead of the clock (ms) says that the clock went back. */
const AHEAD_MS = 60_000;
const LEAST_NODE = [20, 20] as const;

const well = (about: string, says: string): Finding => ({ about, isWell: true, says });
const ill = (about: string, says: string, todo: string): Finding => ({
  about,
  isWell: false,
  says,
  todo,
});

function lookAtNode(version = process.versions.node): Finding {
  const [major = 0, minor = 0] = version.split('.').map(Number);
  const isNew = major > LEAST_NODE[0] || (major === LEAST_NODE[0] && minor >= LEAST_NODE[1]);
  return isNew
    ? well('Node.js', version)
    : ill('Node.js', `${version} is too old`, `Install ${LEAST_NODE.join('.')} or later.`);
}

/** Whether anybody but the server's own user may read a file. */
const isOpen = (file: string): boolean => (statSync(file).mode & 0o077) !== 0;

function lookAtFiles(file: string): Finding[] {
  const key = process.env.LANTERN_KEY ?? `${file}.key`;
  const open = [file, key, `${file}.secret`].filter((one) => existsSync(one) && isOpen(one));
  return [
    open.length === 0
      ? well('File rights', 'the database, its key and its secret are the server’s alone')
      : ill('File rights', `others may read ${open.join(', ')}`, `chmod 600 ${open.join(' ')}`),
    existsSync(key)
      ? well('Key of the ledger', `${key}; keep a copy apart from the backups`)
      : ill(
          'Key of the ledger',
          `it is not at ${key}`,
          'Bring it back from where it is kept, or name its place in LANTERN_KEY: nothing new is signed as before without it.',
        ),
  ];
}

function lookAtDisk(file: string): Finding {
  const folder = dirname(file);
  try {
    accessSync(folder, constants.W_OK);
  } catch {
    return ill(
      'Disk',
      `${folder} cannot be written`,
      'Give it to the user that the server runs as.',
    );
  }
  const { bavail, bsize } = statfsSync(folder);
  const free = bavail * bsize;
  const says = `${(free / 1e9).toFixed(1)} GB free at ${folder}`;
  return free >= LITTLE_ROOM
    ? well('Disk', says)
    : ill('Disk', says, 'Make room: when it is full nothing is recorded any more.');
}

function lookAtBackups(db: Db, now_ms: number): Finding {
  const folder = backupFolderOf(db);
  const { newest, isOld, count, last } = readBackupState(db, now_ms);
  if (newest && !isOld) return well('Backups', `${count} in ${folder}, the newest of ${newest.at}`);
  const failed = last?.ok === false ? ` The last try failed: ${last.says}` : '';
  return ill(
    'Backups',
    newest ? `the newest is of ${newest.at}.${failed}` : `there is none in ${folder}.${failed}`,
    'Let the server run, or make one: lantern backup TO. Look at the rights and the room of that folder.',
  );
}

function lookAtRehearsal(db: Db, now_ms: number): Finding {
  const { rehearsal, isUnrehearsed } = readBackupState(db, now_ms);
  if (!isUnrehearsed && rehearsal) return well('Restore', `rehearsed at ${rehearsal.at}`);
  return ill(
    'Restore',
    rehearsal
      ? `last rehearsed at ${rehearsal.at}${rehearsal.ok ? '' : `, and it failed: ${rehearsal.says}`}`
      : 'it has never been rehearsed',
    'Rehearse it, at least every quarter of a year: lantern rehearse.',
  );
}

function lookAtHeads(db: Db): Finding[] {
  const sent = readHeadSent(db);
  if (!sent) return [];
  return [
    sent.ok
      ? well('Head of the ledger', `sent out at ${sent.at}`)
      : ill(
          'Head of the ledger',
          `it could not be sent out at ${sent.at}: ${sent.says}`,
          'Look at what LANTERN_HEADS_TO names; it is tried again every five minutes.',
        ),
  ];
}

function lookAtClock(db: Db, now_ms: number): Finding {
  const { events } = tables;
  const newest = db.select({ at: events.at }).from(events).orderBy(desc(events.id)).limit(1).get();
  if (!newest) return well('Clock', 'nothing is recorded yet');
  const ahead = Date.parse(newest.at) - now_ms;
  return ahead <= AHEAD_MS
    ? well('Clock', `the newest event is of ${newest.at}`)
    : ill(
        'Clock',
        `the newest event is of ${newest.at}, which has not come yet: the clock of the machine went back`,
        'Set the clock right by the network time service, and write down what happened.',
      );
}

/** Looks over everything that the running of a site rests on. With `whole` the whole ledger is verified too, which takes longer. */
export function examine(
  file: string,
  {
    whole = false,
    now_ms = Date.now(),
  }: { readonly whole?: boolean; readonly now_ms?: number } = {},
): Finding[] {
  if (!existsSync(file)) {
    return [
      lookAtNode(),
      ill('Database', `there is none at ${file}`, 'Start the application once: npm start.'),
    ];
  }
  const before = [lookAtNode(), ...lookAtFiles(file), lookAtDisk(file)];
  let db: Db;
  try {
    db = openDatabase(file);
  } catch (error) {
    return [
      ...before,
      ill('Database', describeTrouble(error), 'Restore a backup: lantern restore FROM.'),
    ];
  }
  try {
    const verdict = whole ? verifyAll(db) : undefined;
    return [
      ...before,
      well('Database', file),
      isSetUp(db)
        ? well('Set-up', 'somebody can sign in')
        : ill(
            'Set-up',
            'nobody is there yet',
            `Open /set-up with the code in ${file}.set-up-code.`,
          ),
      lookAtClock(db, now_ms),
      ...lookAtHeads(db),
      ...(isSetUp(db) ? [lookAtBackups(db, now_ms), lookAtRehearsal(db, now_ms)] : []),
      ...(verdict === undefined
        ? []
        : [
            verdict.whole
              ? well('Ledger', `whole: ${verdict.events} events`)
              : ill(
                  'Ledger',
                  verdict.problems.slice(0, 5).join('; '),
                  'Keep this file as it is, call whoever answers for the record, and restore a backup.',
                ),
          ]),
    ];
  } finally {
    closeDatabase(db);
  }
}
