import { appendFileSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';
import { z } from 'zod';
import { findShift } from '../core/permits';
import { findBeside, log, perProcess, type Db } from '../db';
import { findHead, signHead } from '../ledger';
import { readNow } from './clock';
import { isSetUp } from './set-up';
import { readValues } from './site-rules';

/** How the last sending of the head went: for which change of shift, when, and what went wrong. */
const sentSchema = z.object({
  shift: z.string(),
  at: z.string(),
  ok: z.boolean(),
  says: z.string(),
});
export type HeadSent = z.infer<typeof sentSchema>;

/** Where heads go: files and addresses, parted by blanks (LANTERN_HEADS_TO). None is named on a site that does not send them. */
export const headsTo = (): string[] =>
  (process.env.LANTERN_HEADS_TO ?? '').split(/\s+/).filter((one) => one !== '');

const stateFile = (db: Db): string | undefined => findBeside(db, 'head-sent');

/** How the last sending went; undefined before the first. */
export function readHeadSent(db: Db): HeadSent | undefined {
  try {
    return sentSchema.parse(JSON.parse(readFileSync(stateFile(db) ?? '', 'utf8')));
  } catch {
    return undefined;
  }
}

/** How long another server may take (ms), and how long one waits after a failure. */
const PATIENCE_MS = 10_000;
const RETRY_MS = 5 * 60_000;
const LOOK_MS = 30_000;

async function sendTo(place: string, line: string): Promise<string | undefined> {
  try {
    if (/^https?:\/\//.test(place)) {
      const answer = await fetch(place, {
        method: 'POST',
        body: line,
        headers: { 'content-type': 'application/json' },
        redirect: 'error',
        signal: AbortSignal.timeout(PATIENCE_MS),
      });
      return answer.ok ? undefined : `${place} answers ${answer.status}`;
    }
    mkdirSync(dirname(place), { recursive: true });
    appendFileSync(place, line, { mode: 0o600 });
    return undefined;
  } catch (error) {
    return `${place}: ${error instanceof Error ? error.message : String(error)}`;
  }
}

/**
 * Sends the head of the ledger, signed, to everywhere it is meant to go, once a shift: what is kept where nobody of the site can change it proves later that
 * nothing before it was changed. What failed is tried again. Answers undefined when there is nothing to do.
 */
export async function sendHeads(db: Db, places = headsTo()): Promise<HeadSent | undefined> {
  const file = stateFile(db);
  if (places.length === 0 || file === undefined || !isSetUp(db)) return undefined;
  const now = readNow(db);
  const shift = findShift(now, readValues(db).values).start;
  const last = readHeadSent(db);
  const isDone = last?.shift === shift && last.ok;
  const isTooSoon =
    last?.shift === shift && !last.ok && Date.parse(now) - Date.parse(last.at) < RETRY_MS;
  if (isDone || isTooSoon) return undefined;
  const line = signHead(db, { ...findHead(db), at: now });
  const faults = (await Promise.all(places.map((place) => sendTo(place, line)))).flatMap(
    (fault) => fault ?? [],
  );
  const done: HeadSent = { shift, at: now, ok: faults.length === 0, says: faults.join('; ') };
  writeFileSync(file, JSON.stringify(done), { mode: 0o600 });
  if (done.ok) log().info({ places: places.length }, 'the head of the ledger was sent out');
  else log().error({ why: done.says }, 'the head of the ledger could not be sent out');
  return done;
}

const sending = perProcess('sending heads', () => new WeakSet<Db['$client']>());

/** Sends heads while the server runs. */
export function keepSendingHeads(db: Db): void {
  if (sending.has(db.$client) || headsTo().length === 0) return;
  sending.add(db.$client);
  let isBusy = false;
  setInterval(() => {
    if (isBusy) return;
    isBusy = true;
    sendHeads(db)
      .catch((error: unknown) => log().error({ why: String(error) }, 'no head was sent out'))
      .finally(() => (isBusy = false));
  }, LOOK_MS).unref();
}
