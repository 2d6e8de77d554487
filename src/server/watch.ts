import {
  computeLamps,
  findStage,
  listClashesOf,
  siteOf,
  standAt,
  type BoardClash,
  type Dossier,
  type Lamp,
  type SiteFacts,
  type Stage,
} from '../core/job';
import { findHandoverDue, listUnread } from '../core/handover';
import { checkLocks } from '../core/locks/survey';
import {
  hasRow,
  listChangesUp,
  listDefectsUp,
  listNextUp,
  listProceduresUp,
  sortQueue,
  viewRow,
  type Board,
  type BoardRow,
} from '../core/watch';
import type { Db } from '../db';
import { readHead } from '../ledger';
import { readChanges } from './changes-read';
import { readNow } from './clock';
import { readDefects } from './defects-read';
import { readHandovers } from './handover';
import { surveyOpenJobs } from './open-jobs';
import { readProcedures } from './procedures-read';
import { readSite } from './registers';
import { readEach } from './unreadable';

interface Drawn {
  readonly key: string;
  /** The drawing that it was worked out on, as it is to be believed. */
  readonly graph: SiteFacts['graph'];
  readonly stage: Stage;
  /** Of a job with a permit that is out: the board shows those of no other. */
  readonly lamps: readonly Lamp[];
}

/** What the plant graph says of a job, by its dossier: worked out anew when the job, the drawing or the hour changes it. */
const drawn = new WeakMap<Dossier, Drawn>();

function draw(known: Dossier, stands: Dossier, site: SiteFacts): Drawn {
  const isRelit = known.isolation !== stands.isolation;
  const key = `${site.plantVersion} ${isRelit} ${stands.permit.kind}`;
  const before = drawn.get(known);
  if (before?.key === key && before.graph === site.graph) return before;
  const lamps = hasRow(stands) ? computeLamps(stands, site) : [];
  const now = { key, graph: site.graph, stage: findStage(stands, site), lamps };
  drawn.set(known, now);
  return now;
}

/** The clashes worked out last, for the minute and the event that they were worked out at. */
const worked = new WeakMap<Db, { readonly key: string; readonly clashes: readonly BoardClash[] }>();

function clashesAt(
  db: Db,
  jobs: Parameters<typeof listClashesOf>[0],
  { site, head, now }: { readonly site: SiteFacts; readonly head: number; readonly now: string },
): readonly BoardClash[] {
  const key = `${head} ${now.slice(0, 16)}`;
  const before = worked.get(db);
  if (before?.key === key) return before.clashes;
  const clashes = listClashesOf(jobs, site, now);
  worked.set(db, { key, clashes });
  return clashes;
}

function viewHandover(db: Db, now: string, site: SiteFacts): Board['handover'] {
  const { record } = readHandovers(db);
  const last = record.handovers.at(-1);
  const due = findHandoverDue(record, now, site.values);
  return {
    ...(last ? { number: last.number, at: last.at } : {}),
    unread: last ? listUnread(last) : [],
    ...(due === undefined ? {} : { due }),
  };
}

/**
 * Works out ahead what the board shows of each open job, one after the other, so that nobody waits for all of them at once: on a large plant the first
 * look would take minutes.
 */
export async function warmBoard(db: Db): Promise<void> {
  for (const job of surveyOpenJobs(db).jobs) {
    await new Promise((resolve) => setImmediate(resolve));
    const own = siteOf(job, readSite(db));
    const now = readNow(db);
    const stands = standAt(job.dossier, now);
    listNextUp(job.id, stands, draw(job.dossier, stands, own).stage, own, now);
  }
}

/** Where each open job that can be read stands now, by its id. */
export function readStages(db: Db): ReadonlyMap<string, Stage> {
  const now = readNow(db);
  const site = readSite(db);
  const { read } = readEach(db, surveyOpenJobs(db).jobs, (job) => {
    const stands = standAt(job.dossier, now);
    return [job.id, draw(job.dossier, stands, siteOf(job, site)).stage] as const;
  });
  return new Map(read);
}

/** Reads the board as it stands now. */
export function readBoard(db: Db): Board {
  const now = readNow(db);
  const head = readHead(db);
  const site = readSite(db);
  const open = surveyOpenJobs(db);
  const { read: jobs, unreadable } = readEach(db, open.jobs, (job) => {
    const { id, dossier, trace } = job;
    const own = siteOf(job, site);
    const stands = standAt(dossier, now);
    const { stage, lamps } = draw(dossier, stands, own);
    // What it does is worked out here as well, so that one that cannot be compared takes no other with it.
    listClashesOf([{ ...job, dossier: stands }], site, now);
    return {
      ...job,
      dossier: stands,
      row: viewRow(id, stands, { stage, lamps, trace, site: own }),
      next: listNextUp(id, stands, stage, own, now),
    };
  });
  const rows = jobs.flatMap(({ row }) => row ?? []);
  const locks = checkLocks(site.locks, jobs);
  const count = (state: BoardRow['state']) => rows.filter((row) => row.state === state).length;
  return {
    now,
    head,
    rows,
    unreadable: [...open.unreadable, ...unreadable],
    queue: sortQueue([
      ...jobs.flatMap(({ next }) => next),
      ...listDefectsUp(readDefects(db).record, site, now),
      ...listChangesUp(readChanges(db).record, now),
      ...listProceduresUp(readProcedures(db).record, site, now),
    ]),
    clashes: clashesAt(db, jobs, { site, head, now }),
    names: Object.fromEntries([...site.people.values()].map(({ id, name }) => [id, name])),
    areas: site.graph.plant.areas.map(({ id, name }) => ({ id, name })),
    handover: viewHandover(db, now, site),
    counts: {
      live: count('issued'),
      suspended: count('suspended'),
      lapsed: count('lapsed'),
      on: rows.reduce((sum, { on }) => sum + on.length, 0),
      locks: locks.hanging,
      unbalanced: locks.findings.length,
    },
  };
}
