import { nameAreasOf } from '../core/plant/areas';
import { findStandingAlarm, listInside } from '../core/job';
import type { Db } from '../db';
import { readHead } from '../ledger';
import { listHeldAlarms } from './held-alarms';
import { surveyOpenJobs } from './open-jobs';
import { findNewestVersion, readGraph, readPlantVersion } from './plant';
import { listPeople } from './registers';
import { findTrouble } from './trouble';
import { describeLost, readEach } from './unreadable';

/** An alarm that stands, over every screen. */
export interface ShownAlarm {
  /** The job it is about; undefined when nobody can tell. */
  readonly job: string | undefined;
  readonly why: string;
  /** The area of the job's equipment, by name, where it is drawn. */
  readonly place?: string | undefined;
  /** Whether the job is stopped. */
  readonly isStopped?: boolean;
  /** Names of those who have not been accounted for. */
  readonly missing: readonly string[];
}

/** What every screen shows, whatever it is about: how many people are in spaces, alarms that stand with who is missing, and why nothing can be written. */
export interface Presence {
  readonly inside: number;
  readonly alarms: readonly ShownAlarm[];
  readonly trouble?: string | undefined;
}

const seen = new WeakMap<Db, { readonly head: number; readonly presence: Presence }>();

/** Reads who is in spaces and which alarms stand by the ledger; worked out once for each event. */
function readStanding(db: Db): Presence {
  const head = readHead(db);
  const before = seen.get(db);
  if (before?.head === head) return before.presence;
  const open = surveyOpenJobs(db);
  const names = new Map(listPeople(db).map(({ id, name }) => [id, name]));
  const areas = open.jobs.length > 0 ? nameAreasOf(readGraph(db).plant) : new Map<string, string>();
  const nameOf = (id: string) => names.get(id) ?? id;
  const { read, unreadable } = readEach(db, open.jobs, ({ id, dossier }) => {
    const alarm = findStandingAlarm(dossier);
    return {
      inside: listInside(dossier).length,
      alarms: alarm
        ? [
            {
              job: id,
              why: alarm.why,
              place: areas.get(dossier.equipment),
              isStopped: dossier.halt !== undefined,
              missing: alarm.missing.map(nameOf),
            },
          ]
        : [],
    };
  });
  const presence: Presence = {
    inside: read.reduce((sum, { inside }) => sum + inside, 0),
    alarms: [
      ...read.flatMap(({ alarms }) => alarms),
      ...[...open.unreadable, ...unreadable].map((job) => ({
        job: job.id,
        why: describeLost(job),
        missing: job.people.map(nameOf),
      })),
    ],
  };
  seen.set(db, { head, presence });
  return presence;
}

/** Says that the newest drawing cannot be read, and which one counts instead. */
function describeDrawing(db: Db): string | undefined {
  const newest = findNewestVersion(db);
  if (newest === 0) return undefined;
  const counts = readPlantVersion(db);
  return newest === counts
    ? undefined
    : `Version ${newest} of the plant cannot be read; version ${counts} counts.`;
}

/** Reads what every screen shows now; an alarm that could not be written yet stands with the others. */
export function readPresence(db: Db): Presence {
  const { inside, alarms } = readStanding(db);
  const held = listHeldAlarms(db).map(({ job, why, unwritten }) => {
    return { job, why: `${why} (not yet in the record: ${unwritten})`, missing: [] };
  });
  return { inside, alarms: [...alarms, ...held], trouble: findTrouble(db) ?? describeDrawing(db) };
}
