import { and, desc, eq, inArray, max } from 'drizzle-orm';
import {
  correctTimes,
  gasBatchSchema,
  MOST_DRIFT_S,
  refuseBatch,
  salvageReadings,
  type GasBatch,
  type StreamedReading,
} from '../core/gas';
import { explainIn, refuse, type ExplainedRefusal, type Refusal } from '../core/rules/book';
import { tables, writeAlone, type Db } from '../db';
import { clearFaults, groupByInstant, raiseAirAlarms, reportFault } from './air-alarms';
import { readNow } from './clock';
import { readSite } from './registers';

/** What became of a batch: how many readings were new, how many were known already, and the jobs that they stopped. */
export type Received =
  | {
      readonly ok: true;
      readonly taken: number;
      readonly known: number;
      readonly alarms: readonly string[];
    }
  | {
      readonly ok: false;
      /** It does not fit the form, it names another device, or something in it cannot be believed. */
      readonly kind: 'malformed' | 'foreign' | 'refused';
      readonly refusals: readonly ExplainedRefusal[];
      /** Jobs that were stopped by what is not fit in it, although nothing of it is kept. */
      readonly alarms: readonly string[];
    };

/** At most so many numbers are asked for at once. */
const CHUNK = 500;

const { gasReadings } = tables;

interface KnownReading {
  readonly text: string;
  readonly at_ms: number;
}

/** What is kept of a device under the numbers of a batch. */
function findKnown(db: Db, device: string, numbers: readonly number[]): Map<number, KnownReading> {
  const known = new Map<number, KnownReading>();
  for (let n = 0; n < numbers.length; n += CHUNK) {
    const some = numbers.slice(n, n + CHUNK);
    for (const row of db
      .select()
      .from(gasReadings)
      .where(and(eq(gasReadings.device, device), inArray(gasReadings.number, some)))
      .all()) {
      known.set(row.number, { text: textOf(row), at_ms: row.at_ms });
    }
  }
  return known;
}

const textOf = ({
  gas,
  shown,
  unit,
}: Pick<StreamedReading, 'shown'> & { gas: string; unit: string }) => `${gas} ${shown} ${unit}`;

/** Whether a reading is one that was sent before: the same value of about the same time. A device that numbers anew sends others. */
const isKnown = (reading: StreamedReading, before: KnownReading | undefined): boolean =>
  before?.text === textOf(reading) &&
  Math.abs(Date.parse(reading.at) - before.at_ms) <= MOST_DRIFT_S * 1000;

/** Numbers under which something else was sent before, or twice in this batch. */
function refuseNumbers(
  device: string,
  readings: readonly StreamedReading[],
  known: ReadonlyMap<number, KnownReading>,
): Refusal[] {
  const twice = readings.length - new Set(readings.map(({ number }) => number)).size;
  const changed = readings.find(
    (one) => known.has(one.number) && !isKnown(one, known.get(one.number)),
  );
  return [
    ...(changed ? [refuse('gas-number-reused', { device, number: changed.number })] : []),
    ...(twice > 0 ? [refuse('gas-number-reused', { device, number: 'in this batch' })] : []),
  ];
}

/** Hears the bad news in a batch that is refused, says on the job what is wrong with the device, and keeps nothing else. */
function refuseHeard(
  db: Db,
  device: string,
  { kind, refusals }: Pick<Extract<Received, { ok: false }>, 'kind' | 'refusals'>,
  instants: Parameters<typeof raiseAirAlarms>[2]['instants'],
): Received {
  const alarms = raiseAirAlarms(db, device, { instants, isBelieved: false });
  reportFault(db, device, { why: 'refused', words: refusals.map(({ says }) => says).join(' ') });
  return { ok: false, kind, refusals, alarms };
}

/** A batch that does not fit the form: what can be read of it is heard, each reading by itself, since its times are not believed. */
function receiveMalformed(
  db: Db,
  device: string,
  {
    kind,
    document,
    problem,
  }: {
    readonly kind: 'malformed' | 'foreign';
    readonly document: unknown;
    readonly problem: string;
  },
): Received {
  const at = readNow(db);
  const explain = explainIn(readSite(db).values.zone);
  const instants = salvageReadings(document).map((reading) => ({ at, readings: [reading] }));
  const refusals = [explain(refuse('gas-malformed', { device, problem }))];
  return refuseHeard(db, device, { kind, refusals }, instants);
}

function receiveBatch(db: Db, batch: GasBatch): Received {
  const now = readNow(db);
  const site = readSite(db);
  const explain = explainIn(site.values.zone);
  const { device } = batch;
  const instrument = site.instruments.get(device);
  const { detector, testedUntil } = instrument ?? {};
  if (!detector || testedUntil === undefined) {
    const refusals = [explain(refuse('gas-no-detector', { instrument: device }))];
    return { ok: false, kind: 'refused', refusals, alarms: [] };
  }
  const corrected = correctTimes(batch, now);
  const known = findKnown(
    db,
    device,
    corrected.map(({ number }) => number),
  );
  const refusals = [
    ...refuseBatch(batch, { detector, calibratedUntil: testedUntil }, now),
    ...refuseNumbers(device, corrected, known),
  ];
  const fresh = corrected.filter((one) => !isKnown(one, known.get(one.number)));
  const instants = groupByInstant(fresh);
  if (refusals.length > 0) {
    const said = { kind: 'refused', refusals: refusals.map(explain) } as const;
    return refuseHeard(db, device, said, instants);
  }
  const alarms = raiseAirAlarms(db, device, { instants, isBelieved: true });
  const received_ms = Date.parse(now);
  const taken = writeAlone(db, (tx) =>
    fresh.reduce((count, { number, at, gas, shown, unit }) => {
      const row = { device, number, at_ms: Date.parse(at), received_ms, gas, shown, unit };
      return count + tx.insert(gasReadings).values(row).onConflictDoNothing().run().changes;
    }, 0),
  );
  clearFaults(db, device);
  return { ok: true, taken, known: corrected.length - taken, alarms };
}

/**
 * Takes in what a device sends, all or nothing. Bad news in it is heard first, whatever else is wrong with it: an alarm is written before
 * the readings are, and what is refused shows as a fault of the device. What is known already is counted and not kept twice; late ones
 * stand at their own time. When the machine stops between, the device sends again and nothing is lost.
 */
export function receiveReadings(db: Db, device: string, document: unknown): Received {
  const read = gasBatchSchema.safeParse(document);
  if (!read.success) {
    const [issue] = read.error.issues;
    const problem = `${issue?.path.join('.') ?? ''}: ${issue?.message ?? ''}`;
    return receiveMalformed(db, device, { kind: 'malformed', document, problem });
  }
  return read.data.device === device
    ? receiveBatch(db, read.data)
    : receiveMalformed(db, device, {
        kind: 'foreign',
        document,
        problem: `it names ${read.data.device}`,
      });
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

/** When the newest reading of a device was made (ISO 8601, UTC); undefined before the first. */
export function findHeardAt(db: Db, device: string): string | undefined {
  const row = db
    .select({ at: max(gasReadings.at_ms) })
    .from(gasReadings)
    .where(eq(gasReadings.device, device))
    .get();
  return row?.at == null ? undefined : new Date(row.at).toISOString();
}
