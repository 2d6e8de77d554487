import { sql } from 'drizzle-orm';
import { evolveDossier, type Dossier, type JobEvent } from '../core/job';
import { tables, writeAlone, type Db } from '../db';
import { iterateEvents, readStream } from '../ledger';
import { JOB_STREAM, markOf, readSiteFor } from './jobs';
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

/** Follows every job through the ledger, all of them in the order in which things happened; answers how each stands at the end. */
function replay(tx: Db): Map<string, Dossier> {
  const jobs = new Map<string, Dossier>();
  for (const stored of iterateEvents(tx)) {
    if (!stored.stream.startsWith(JOB_STREAM)) continue;
    const id = stored.stream.slice(JOB_STREAM.length);
    const before = jobs.get(id);
    const dossier = evolveDossier(before, stored.payload as JobEvent, markOf(stored));
    jobs.set(id, dossier);
    projectInOrder(tx, id, before, dossier);
  }
  return jobs;
}

/**
 * Throws away everything that lists, registers and the search keep of jobs, and writes it anew from the ledger, in one transaction.
 * Answers how many jobs there are.
 */
export function rebuildRows(db: Db): number {
  return writeAlone(db, (tx) => {
    for (const table of KEPT) tx.delete(table).run();
    tx.run(sql`delete from search_row`);
    const jobs = replay(tx);
    for (const [id, dossier] of jobs) {
      const site = readSiteFor(tx, dossier);
      projectStanding(tx, id, undefined, dossier, site);
      const marked = readStream(tx, JOB_STREAM + id).map((stored) => ({
        event: stored.payload as JobEvent,
        mark: markOf(stored),
      }));
      indexEvents(tx, id, dossier, marked, site);
    }
    return jobs.size;
  });
}
