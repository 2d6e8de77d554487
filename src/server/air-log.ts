import { and, eq, gte, sql } from 'drizzle-orm';
import {
  computeTrend,
  listLimits,
  TREND_MIN,
  type AirEvent,
  type AirLog,
  type AirSeries,
} from '../core/gas';
import { airLimits, listDetectors, listFaults, type Dossier } from '../core/job';
import { tables, type Db } from '../db';
import { readNow } from './clock';
import { readJob, readSiteFor } from './job-state';

const { gasReadings } = tables;

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

function listAirEvents(dossier: Dossier): AirEvent[] {
  const { airTests, airAlarms } = dossier;
  return [
    ...airTests.map(({ at, isFit, use }) => {
      return {
        at,
        isBad: !isFit,
        words: isFit ? `test fit for ${use}` : `test NOT FIT for ${use}`,
      };
    }),
    ...Object.values(airAlarms).map(({ at, findings }) => {
      return { at, isBad: true, words: findings.join('; ') };
    }),
    ...listFaults(dossier).map(({ at, device, words }) => {
      return { at, isBad: true, words: `${device}: ${words}` };
    }),
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
  const faults = listFaults(state).map(({ device, place, why, words, since }) => {
    return { device, place, why, words, since };
  });
  return { now, series, events, faults };
}
