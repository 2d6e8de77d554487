import {
  decideChange,
  findChangeEnd,
  findNextForChange,
  isChangeOver,
  isPending,
  listChangeSteps,
  nameChange,
  sayChange,
  sayReview,
  sayWho,
  sortChanges,
  STEP_FOR,
  type ChangeCommand,
  type ChangeContext,
  type ChangeLine,
} from '../core/changes';
import { listDeviceNames, type StoppedJob } from '../core/defects';
import { drawnNow, listJobChanges, siteOf, type SiteFacts } from '../core/job';
import type { Db } from '../db';
import { CHANGES_OF_SITE, readChanges } from './changes-read';
import { readNow } from './clock';
import { hasJob, readSiteFor } from './job-state';
import { readOpenJobs } from './open-jobs';
import { readNames, readSite } from './registers';
import { writeRecord, type RecordAnswer } from './site-record';
import { stopJobsOn } from './stop-jobs';
import { readEach } from './unreadable';

const contextOf = (
  db: Db,
  site: SiteFacts,
  { now, actor, signed }: Pick<ChangeContext, 'now' | 'actor' | 'signed'>,
): ChangeContext => ({ actor, now, site, signed, hasJob: (id) => hasJob(db, id) });

/** What became of a command; after a proposal, its number and the jobs that it stopped. */
export type ChangeAnswer = RecordAnswer & {
  readonly number?: number;
  readonly stopped?: readonly StoppedJob[];
};

/** Carries out a command about changes. A connection that is proposed counts as there: jobs whose isolation it undoes are stopped. */
export function carryOutChange(
  db: Db,
  given: {
    readonly command: ChangeCommand;
    readonly actor: string;
    readonly signed: readonly string[];
  },
): ChangeAnswer {
  const { command, actor, signed } = given;
  let proposed: Pick<ChangeAnswer, 'number' | 'stopped'> = {};
  const answer = writeRecord(db, CHANGES_OF_SITE, actor, {
    decide: (tx, { record }, now) =>
      decideChange(
        record,
        command,
        contextOf(tx, readSite(tx), { actor, now, signed: new Set(signed) }),
      ),
    after: (tx, before, event) => {
      if (event.kind !== 'change-proposed') return;
      const number = before.length + 1;
      proposed = { number, stopped: stopJobsOn(tx, nameChange(number), actor) };
    },
  });
  return answer.ok ? { ...answer, ...proposed } : answer;
}

/** A section, device or machine that a change can be about. */
export interface ChangeablePlace {
  readonly id: string;
  readonly label: string;
}

/** What of the site the page of changes needs. */
export interface ChangesPage {
  readonly now: string;
  readonly pending: readonly ChangeLine[];
  /** The newest of those that are settled or gone, and how many there are. */
  readonly past: readonly ChangeLine[];
  readonly pastCount: number;
  readonly names: Readonly<Record<string, string>>;
  readonly version: number;
}

/** So many past ones are listed. */
const MOST_PAST = 50;

/** Every change: those whose time is over first, then those that nobody has reviewed, then the oldest. Past ones the newest first. */
export function readChangesPage(db: Db, me: string): ChangesPage {
  const now = readNow(db);
  const site = readSite(db);
  const { record } = readChanges(db);
  const context = contextOf(db, site, { actor: me, now, signed: new Set([me]) });
  const open = record.some(isPending) ? readOpenJobs(db) : [];
  const { read: touched } = readEach(db, open, (job) => {
    const own = siteOf(job, readSiteFor(db, job.dossier));
    return listJobChanges(job.dossier, own, job.id).map(({ number }) => ({ job: job.id, number }));
  });
  const lines = record.map((change): ChangeLine => {
    const next = findNextForChange(change, now);
    const step = STEP_FOR[next];
    return {
      change,
      name: nameChange(change.number),
      says: sayChange(change),
      review: sayReview(change, now),
      isPending: isPending(change),
      next,
      step,
      who: sayWho(step),
      isOver: isChangeOver(change, now),
      until: findChangeEnd(change),
      jobs: touched.flat().flatMap(({ job, number }) => (number === change.number ? [job] : [])),
      may: listChangeSteps(record, change, context),
    };
  });
  const past = lines.filter((line) => !line.isPending);
  return {
    now,
    pending: sortChanges(lines.filter((line) => line.isPending)),
    past: past.slice(-MOST_PAST).reverse(),
    pastCount: past.length,
    names: readNames(db),
    version: site.plantVersion,
  };
}

/** Every section, device and machine of the newest drawing, by id. */
export function listChangeable(db: Db): ChangeablePlace[] {
  const { plant } = drawnNow(readSite(db));
  return [
    ...plant.sections.map(({ id, name }): [string, string] => [id, `${id}, ${name}`]),
    ...listDeviceNames(plant),
  ]
    .map(([id, label]) => ({ id, label }))
    .sort((a, b) => (a.id < b.id ? -1 : 1));
}
