import { and, gte, isNull } from 'drizzle-orm';
import ical from 'ical-generator';
import { listDue } from '../core/due';
import { standAt } from '../core/job';
import { tables, type Db } from '../db';
import { readNow } from './clock';
import { readHandovers } from './handover';
import { readOpenJobs } from './open-jobs';
import { readSite } from './registers';

/** How far back the calendar goes (days). */
const BACK_DAYS = 30;

/** How far ahead it names what runs out (days). */
const AHEAD_DAYS = 366;

interface Entry {
  readonly id: string;
  readonly start: string;
  readonly end?: string;
  readonly summary: string;
  readonly description?: string;
}

/** Permits that are not closed, from issue to lapse or until they were handed back. */
function listPermits(db: Db, since: string): Entry[] {
  const { permitRows } = tables;
  return db
    .select()
    .from(permitRows)
    .where(and(gte(permitRows.until, since), isNull(permitRows.closedAt)))
    .all()
    .map(({ number, job, issuedAt, until, handedBackAt }) => ({
      id: number,
      start: issuedAt,
      end: handedBackAt ?? until,
      summary: `${number} ${handedBackAt === null ? 'lapses at the end' : 'handed back'}`,
      description: job,
    }));
}

/** What the calendar shows: windows agreed for jobs, permits to their lapse, fire watches, bypasses, promises, and what runs out: authorisations and tests. */
export function listEntries(db: Db): Entry[] {
  const now = readNow(db);
  const since = new Date(Date.parse(now) - BACK_DAYS * 86_400_000).toISOString();
  const ofJobs = readOpenJobs(db).flatMap(({ id, dossier }): Entry[] => {
    const { window, title, permit, bypasses } = standAt(dossier, now);
    return [
      ...(window
        ? [{ id: `${id}-window`, start: window.from, end: window.until, summary: `${id} ${title}` }]
        : []),
      ...(permit.kind === 'watched'
        ? [
            {
              id: `${permit.number}-watch`,
              start: permit.handedBack.at,
              end: permit.watchedUntil,
              summary: `${permit.number} fire watch`,
            },
          ]
        : []),
      ...Object.entries(bypasses).map(([device, { until, standsIn }]) => ({
        id: `${id}-${device}`,
        start: until,
        summary: `${device} back in action (${id})`,
        description: standsIn,
      })),
    ];
  });
  const promises = readHandovers(db)
    .record.promises.filter(({ kept }) => !kept)
    .map(({ number, what, until }) => ({ id: `promise-${number}`, start: until, summary: what }));
  const dues = listDue(readSite(db), now, AHEAD_DAYS)
    .filter(({ until }) => until >= since)
    .map(({ id, kind, what, until }) => ({
      id: `due-${kind}-${id}`,
      start: until,
      summary: `${what} runs out`,
    }));
  return [...ofJobs, ...listPermits(db, since), ...promises, ...dues];
}

/** Windows and lapses as a calendar (RFC 5545). */
export function writeCalendar(db: Db): string {
  const calendar = ical({ name: 'Permits and windows', timezone: 'UTC' });
  for (const { id, start, end, summary, description } of listEntries(db)) {
    calendar.createEvent({
      id,
      start: new Date(start),
      stamp: new Date(readNow(db)),
      summary,
      ...(end === undefined ? {} : { end: new Date(end) }),
      ...(description === undefined ? {} : { description }),
    });
  }
  return calendar.toString();
}
