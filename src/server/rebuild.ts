import { sql } from 'drizzle-orm';
import { evolveDossier, type Dossier, type JobEvent } from '../core/job';
import { tables, writeAlone, type Db } from '../db';
import { iterateEvents, readStream, type StoredEvent } from '../ledger';
import { JOB_STREAM, markOf, readSiteFor } from './job-state';
import { projectInOrder, projectStanding } from './projections';
import { indexEvents } from './search';

/** What is kept of jobs beside their events. */
const KEPT = [
  tables.jobRows,
  tables.holdings,
  tables.asBuilt,
  tables.permitRows,
  tables.auditRows,
] as const;

/** What rebuilding does with an event beside following the job that it is of. */
type Beside = (event: StoredEvent) => void;

/** Follows every job through a ledger, all of them in the order in which things happened; answers how each stands at the end. */
function replay(into: Db, from: Db, beside: Beside): Map<string, Dossier> {
  const jobs = new Map<string, Dossier>();
  for (const stored of iterateEvents(from)) {
    beside(stored);
    if (!stored.stream.startsWith(JOB_STREAM)) continue;
    const id = stored.stream.slice(JOB_STREAM.length);
    const before = jobs.get(id);
    const dossier = evolveDossier(before, stored.payload as JobEvent, markOf(stored));
    jobs.set(id, dossier);
    projectInOrder(into, id, before, dossier);
  }
  return jobs;
}

/** Writes what lists, registers and the search keep of the jobs of one ledger into a database that keeps nothing of them yet. */
export function writeRows(into: Db, from: Db, beside: Beside = () => undefined): number {
  const jobs = replay(into, from, beside);
  for (const [id, dossier] of jobs) {
    const site = readSiteFor(into, dossier);
    projectStanding(into, id, undefined, dossier);
    const marked = readStream(from, JOB_STREAM + id).map((stored) => ({
      event: stored.payload as JobEvent,
      mark: markOf(stored),
    }));
    indexEvents(into, id, dossier, marked, site);
  }
  return jobs.size;
}

/**
 * Throws away everything that lists, registers and the search keep of jobs, and writes it anew from the ledger, in one transaction.
 * Answers how many jobs there are.
 */
export function rebuildRows(db: Db): number {
  return writeAlone(db, (tx) => {
    for (const table of KEPT) tx.delete(table).run();
    tx.run(sql`delete from search_row`);
    return writeRows(tx, tx);
  });
}
