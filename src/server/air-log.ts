import { and, desc, eq, gte, inArray, sql } from 'drizzle-orm';
import {
  computeTrend,
  correctTimes,
  judgeAir,
  listLimits,
  refuseBatch,
  TREND_MIN,
  type AirEvent,
  type AirLog,
  type AirSeries,
  type GasBatch,
  type GasReading,
  type StreamedReading,
} from '../core/gas';
import { airLimits, findAirAlarm, findAirTest, listDetectors, type Dossier } from '../core/job';
import { explainIn, refuse, type ExplainedRefusal } from '../core/rules/book';
import { tables, writeAlone, type Db } from '../db';
import { readNow } from './clock';
import { carryOut, readJob, readOpenJobs, readSiteFor } from './jobs';
import { readSite } from './registers';

/** What became of a batch: how many readings were new, how many were known already, and the jobs that they stopped. */
export type Received =
  | {
      readonly ok: true;
      readonly taken: number;
      readonly known: number;
      readonly alarms: readonly string[];
    }
  | { readonly ok: false; readonly refusals: readonly ExplainedRefusal[] };

/** At most so many numbers are asked for at once. */
const CHUNK = 500;

const { gasReadings } = tables;

/** What is kept of a device under the numbers of a batch. */
function findKnown(db: Db, device: string, numbers: readonly number[]) {
  const known = new Map<number, string>();
  for (let n = 0; n < numbers.length; n += CHUNK) {
    const some = numbers.slice(n, n + CHUNK);
    for (const row of db
      .select()
      .from(gasReadings)
      .where(and(eq(gasReadings.device, device), inArray(gasReadings.number, some)))
      .all()) {
      known.set(row.number, `${row.gas} ${row.shown} ${row.unit}`);
    }
  }
  return known;
}

/** Readings of one instant, judged together. */
function groupByInstant(readings: readonly StreamedReading[]): [string, GasReading[]][] {
  const groups = new Map<string, GasReading[]>();
  for (const { at, gas, shown, unit } of readings) {
    groups.set(at, [...(groups.get(at) ?? []), { gas, shown, unit }]);
  }
  return [...groups];
}

/** A job may change while its alarm is given: then it is given again. */
const TRIES = 5;

/** Stops a job on the first reading that is not fit; what is older than its last test of the air is history. */
function alarmJob(
  db: Db,
  jobId: string,
  device: string,
  readings: readonly StreamedReading[],
): boolean {
  for (let tried = 0; tried < TRIES; tried++) {
    const { state, sequence } = readJob(db, jobId);
    const standing = state && listDetectors(state).find((one) => one.device === device);
    // While an alarm of before holds the job, another one would say nothing new.
    if (!state || !standing || findAirAlarm(state, standing.use)) return false;
    const site = readSiteFor(db, state);
    const detector = site.instruments.get(device)?.detector;
    if (!detector) return false;
    const since = Date.parse(findAirTest(state, standing.use)?.at ?? '1970-01-01T00:00:00Z');
    const limits = airLimits(site.values, standing.use);
    const bad = groupByInstant(readings).find(
      ([at, one]) => Date.parse(at) > since && !judgeAir(one, detector, limits).isFit,
    );
    if (!bad) return false;
    const [readAt, some] = bad;
    const command = { kind: 'report-air' as const, device, readAt, readings: some };
    const key = `${device} ${readings[0]?.number ?? 0} ${sequence}`;
    const answer = carryOut(db, {
      jobId,
      command,
      expected: sequence,
      key,
      actor: device,
      signed: [],
    });
    if (answer.ok) return true;
    if (answer.kind !== 'changed-meanwhile') return false;
  }
  return false;
}

/**
 * Takes in what a detector sends, all or nothing. What is known already is counted and not kept twice; late ones stand at their own time.
 * An alarm is written before the readings are: when the machine stops between, the device sends again and nothing is lost.
 */
export function receiveReadings(db: Db, batch: GasBatch): Received {
  const now = readNow(db);
  const site = readSite(db);
  const explain = explainIn(site.values.zone);
  const { device } = batch;
  const instrument = site.instruments.get(device);
  const { detector, testedUntil } = instrument ?? {};
  if (!detector || testedUntil === undefined) {
    const refusals = [explain(refuse('gas-no-detector', { instrument: device }))];
    return { ok: false, refusals };
  }
  const refusals = refuseBatch(batch, { detector, calibratedUntil: testedUntil }, now);
  const corrected = correctTimes(batch, now);
  const known = findKnown(
    db,
    device,
    corrected.map(({ number }) => number),
  );
  const twice = corrected.length - new Set(corrected.map(({ number }) => number)).size;
  const changed = corrected.filter(({ number, gas, shown, unit }) => {
    const before = known.get(number);
    return before !== undefined && before !== `${gas} ${shown} ${unit}`;
  });
  const all = [
    ...refusals,
    ...changed.slice(0, 1).map(({ number }) => refuse('gas-number-reused', { device, number })),
    ...(twice > 0 ? [refuse('gas-number-reused', { device, number: 'in this batch' })] : []),
  ];
  if (all.length > 0) return { ok: false, refusals: all.map(explain) };
  const fresh = corrected.filter(({ number }) => !known.has(number));
  const jobs = readOpenJobs(db).filter(({ dossier }) =>
    listDetectors(dossier).some((standing) => standing.device === device),
  );
  const alarms = jobs.filter(({ id }) => alarmJob(db, id, device, fresh)).map(({ id }) => id);
  const received_ms = Date.parse(now);
  const taken = writeAlone(db, (tx) =>
    fresh.reduce((count, { number, at, gas, shown, unit }) => {
      const row = { device, number, at_ms: Date.parse(at), received_ms, gas, shown, unit };
      return count + tx.insert(gasReadings).values(row).onConflictDoNothing().run().changes;
    }, 0),
  );
  return { ok: true, taken, known: corrected.length - taken, alarms };
}

/** How many stretches a chart has. */
const STRETCHES = 240;

/** The worst value of each stretch: the least oxygen, the most of anything else. */
function readPoints(db: Db, device: string, gas: string, from_ms: number, until_ms: number) {
  const width = Math.max(1000, Math.ceil((until_ms - from_ms) / STRETCHES));
  const worst = gas === 'oxygen' ? sql<number>`min(shown)` : sql<number>`max(shown)`;
  return db
    .select({ at: sql<number>`max(at_ms)`, value: worst })
    .from(gasReadings)
    .where(
      and(
        eq(gasReadings.device, device),
        eq(gasReadings.gas, gas),
        gte(gasReadings.at_ms, from_ms),
      ),
    )
    .groupBy(sql`at_ms / ${width}`)
    .orderBy(sql`1`)
    .all();
}

function listAirEvents({ airTests, airAlarm }: Dossier): AirEvent[] {
  return [
    ...airTests.map(({ at, isFit, use }) => {
      return {
        at,
        isBad: !isFit,
        words: isFit ? `test fit for ${use}` : `test NOT FIT for ${use}`,
      };
    }),
    ...(airAlarm ? [{ at: airAlarm.at, isBad: true, words: airAlarm.findings.join('; ') }] : []),
  ];
}

/** The log of the air at a job over the last minutes; undefined when there is no such job. */
export function readAirLog(db: Db, jobId: string, minutes: number): AirLog | undefined {
  const { state } = readJob(db, jobId);
  if (!state) return undefined;
  const now = readNow(db);
  const site = readSiteFor(db, state);
  const until_ms = Date.parse(now);
  const from_ms = until_ms - minutes * 60_000;
  const series = listDetectors(state).flatMap(({ device, place, use }) =>
    (site.instruments.get(device)?.detector?.sensors ?? []).map(({ gas, unit }): AirSeries => {
      const limits = listLimits(gas, unit, airLimits(site.values, use));
      const points = readPoints(db, device, gas, from_ms, until_ms);
      const newest = readPoints(db, device, gas, until_ms - TREND_MIN * 60_000, until_ms);
      const toward = gas === 'oxygen' ? limits[0] : Math.min(...limits);
      const trend = toward === undefined ? undefined : computeTrend(newest, toward);
      return { device, place, use, gas, unit, limits, points, trend };
    }),
  );
  const events = listAirEvents(state).filter(({ at }) => Date.parse(at) >= from_ms);
  return { now, series, events };
}

/** The number after the newest that a device has used. */
export const nextNumber = (db: Db, device: string): number =>
  (db
    .select({ number: gasReadings.number })
    .from(gasReadings)
    .where(eq(gasReadings.device, device))
    .orderBy(desc(gasReadings.number))
    .limit(1)
    .get()?.number ?? -1) + 1;
