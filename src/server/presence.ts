import { findStandingAlarm, listInside } from '../core/job';
import type { Db } from '../db';
import { readHead } from '../ledger';
import { readOpenJobs } from './jobs';
import { listPeople } from './registers';

/** What every screen shows, whatever it is about: how many people are in spaces, and alarms that stand with who is missing. */
export interface Presence {
  readonly inside: number;
  readonly alarms: readonly {
    readonly job: string;
    readonly why: string;
    readonly missing: readonly string[];
  }[];
}

const seen = new WeakMap<Db, { readonly head: number; readonly presence: Presence }>();

/** Reads who is in spaces and which alarms stand; worked out once for each event. */
export function readPresence(db: Db): Presence {
  const head = readHead(db);
  const before = seen.get(db);
  if (before?.head === head) return before.presence;
  const jobs = readOpenJobs(db);
  const names = new Map(listPeople(db).map(({ id, name }) => [id, name]));
  const presence: Presence = {
    inside: jobs.reduce((sum, { dossier }) => sum + listInside(dossier).length, 0),
    alarms: jobs.flatMap(({ id, dossier }) => {
      const alarm = findStandingAlarm(dossier);
      if (!alarm) return [];
      return [{ job: id, ...alarm, missing: alarm.missing.map((one) => names.get(one) ?? one) }];
    }),
  };
  seen.set(db, { head, presence });
  return presence;
}
