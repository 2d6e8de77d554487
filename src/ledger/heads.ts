import { appendFileSync, existsSync, readFileSync } from 'node:fs';
import { findBeside, type Db } from '../db';
import { signerOf, type Signer } from './signer';

/** How far the ledger had come at a moment: how many events, and the hash of the newest. */
export interface Head {
  readonly events: number;
  readonly hash: string;
}

/** A head as it is written beside the database. `restored` says that the database was put back to it from a backup. */
interface HeadLine extends Head {
  readonly at: string;
  readonly restored?: true;
  readonly signature: string;
}

const textOf = ({ events, hash, at, restored }: Omit<HeadLine, 'signature'>): string =>
  JSON.stringify([events, hash, at, restored === true]);

/** The file to which every head is added, and from which nothing is ever taken; undefined for a database in memory. */
export const findHeadsFile = (db: Db): string | undefined => findBeside(db, 'heads');

/** A head as one line of JSON, signed. */
export const signHead = (
  db: Db,
  head: Head & { readonly at: string; readonly restored?: true },
): string => {
  const line: HeadLine = { ...head, signature: signerOf(db).sign(textOf(head)) };
  return `${JSON.stringify(line)}\n`;
};

/** Adds a head to the file beside the database, signed. */
export function appendHead(db: Db, head: Parameters<typeof signHead>[1]): void {
  const file = findHeadsFile(db);
  if (file === undefined) return;
  appendFileSync(file, signHead(db, head), { mode: 0o600 });
}

type Read = { readonly ok: true; readonly line: HeadLine } | { readonly ok: false };

function readLine(text: string): Read {
  try {
    const line = JSON.parse(text) as Partial<HeadLine>;
    const { events, hash, at, signature } = line;
    const isLine =
      typeof events === 'number' && [hash, at, signature].every((part) => typeof part === 'string');
    return isLine ? { ok: true, line: line as HeadLine } : { ok: false };
  } catch {
    return { ok: false };
  }
}

/**
 * What the heads beside a database find wrong with its ledger: events that were there and are not, or are others now. Empty when every head
 * still stands in the chain, or there is no such file. `hashAt` gives the hash of an event by its number.
 */
export function checkHeads(
  file: string | undefined,
  signer: Signer,
  ledger: { readonly events: number; readonly hashAt: (event: number) => string | undefined },
): string[] {
  if (file === undefined || !existsSync(file)) return [];
  const texts = readFileSync(file, 'utf8').split('\n');
  // A machine that stops in the middle of a line leaves half of it, and the next line begins anew.
  const lines = texts.filter((text) => text !== '').map(readLine);
  const problems: string[] = [];
  const unread = lines.slice(0, -1).filter(({ ok }) => !ok).length;
  if (unread > 0) problems.push(`${unread} lines of the file of heads cannot be read`);
  const heads = lines.flatMap((read) => (read.ok ? [read.line] : []));
  const restoredAt = heads.findLastIndex(({ restored }) => restored);
  heads.forEach((head, n) => {
    if (!signer.isSigned(textOf(head), head.signature)) {
      problems.push(`the head of ${head.at} is not signed with the key of this ledger`);
    } else if (n < restoredAt && head.events > (heads[restoredAt]?.events ?? 0)) {
      // A backup was put back: what came after it is known to be gone.
    } else if (head.events > ledger.events) {
      problems.push(
        `the ledger had ${head.events} events at ${head.at}; the last ${head.events - ledger.events} are gone`,
      );
    } else if (head.events > 0 && ledger.hashAt(head.events) !== head.hash) {
      problems.push(`event ${head.events} is another than at ${head.at}`);
    }
  });
  // One forgery shows at every later head: the first says it.
  return problems.slice(0, 5);
}
