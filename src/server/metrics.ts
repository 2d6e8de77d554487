import { existsSync, statfsSync, statSync } from 'node:fs';
import { dirname } from 'node:path';
import { count, sql } from 'drizzle-orm';
import { Gauge, register, Registry } from 'prom-client';
import { tables, type Db } from '../db';
import { readHead } from '../ledger';
import { readBackupState } from './backups';
import { readHeadSent } from './send-heads';
import { listHeldAlarms } from './held-alarms';
import { findTrouble } from './trouble';

export const METRICS_TYPE = Registry.PROMETHEUS_CONTENT_TYPE;

const { holdings, jobRows, permitRows, sessions } = tables;

/** How many rows there are of each value of a column. */
const countBy = (
  db: Db,
  column: typeof jobRows.stage | typeof permitRows.state | typeof holdings.kind,
): { readonly value: string; readonly all: number }[] =>
  db
    .select({ value: sql<string>`${column}`, all: count() })
    .from(column.table)
    .groupBy(column)
    .all();

/** How old something is that was done at an instant (s); never done is as old as the machine's clock. */
const ageOf = (at: string | undefined, now_ms: number): number =>
  Math.round((now_ms - (at === undefined ? 0 : Date.parse(at))) / 1000);

/** What stands at the moment it is asked for, in a register of its own: no name, no title, nothing of the work itself. */
function gatherSite(db: Db, now_ms: number): Registry {
  const site = new Registry();
  const set = (name: string, help: string, value: number) =>
    new Gauge({ name, help, registers: [site] }).set(value);
  const setEach = (
    name: string,
    help: string,
    label: string,
    all: readonly { readonly value: string; readonly all: number }[],
  ) => {
    const gauge = new Gauge({ name, help, labelNames: [label], registers: [site] });
    for (const one of all) gauge.set({ [label]: one.value }, one.all);
  };
  const { newest, count: kept, last, rehearsal } = readBackupState(db, now_ms);
  const { name: file, memory } = db.$client;
  set('lantern_events', 'Events in the ledger', readHead(db));
  setEach('lantern_jobs', 'Jobs, open and closed', 'stage', countBy(db, jobRows.stage));
  setEach('lantern_permits', 'Permit numbers by state', 'state', countBy(db, permitRows.state));
  setEach('lantern_holdings', 'What jobs hold: locks, boxes, people signed on', 'kind', countBy(db, holdings.kind)); // prettier-ignore
  set('lantern_sessions', 'Sessions that have not ended', db.select({ all: count() }).from(sessions).get()?.all ?? 0); // prettier-ignore
  set('lantern_trouble', '1 while nothing can be written', findTrouble(db) === undefined ? 0 : 1);
  set('lantern_alarms_unwritten', 'Alarms that could not be written yet', listHeldAlarms(db).length); // prettier-ignore
  set('lantern_backups', 'Backups that are kept', kept);
  set('lantern_backup_age_seconds', 'Age of the last good backup', ageOf(newest?.at, now_ms));
  set('lantern_backup_failed', '1 when the last try failed', last?.ok === false ? 1 : 0);
  set('lantern_rehearsal_age_seconds', 'Age of the last good rehearsal of a restore', ageOf(rehearsal?.ok === true ? rehearsal.at : undefined, now_ms)); // prettier-ignore
  const head = readHeadSent(db);
  if (head) set('lantern_head_unsent', '1 when the head of the ledger could not be sent out', head.ok ? 0 : 1); // prettier-ignore
  if (!memory && existsSync(file)) {
    const { bavail, bsize } = statfsSync(dirname(file));
    set('lantern_database_bytes', 'Size of the database', statSync(file).size);
    set('lantern_disk_free_bytes', 'Free room on the disk of the database', bavail * bsize);
  }
  return site;
}

/** Everything that is measured as text: of the process and its requests (scripts/log.mjs), and of the site. */
export async function writeMetrics(db: Db, now_ms = Date.now()): Promise<string> {
  return `${await register.metrics()}\n${await gatherSite(db, now_ms).metrics()}`;
}
