import Papa from 'papaparse';
import { listFollowUps } from '../core/audit';
import { listHanging, standAt } from '../core/job';
import type { Role } from '../core/people/people';
import { RULES, describeRule, type RuleCode } from '../core/rules/book';
import { tables, type Db } from '../db';
import { iterateEvents } from '../ledger';
import { listAudits } from './audits';
import { readNow } from './clock';
import { draftReport, readHandovers } from './handover';
import { readOpenJobs } from './open-jobs';
import { listPeople, readSite } from './registers';
import { listSavedValues } from './site-rules';
import { readBoard } from './watch';
import { listOrders } from './work-orders';

/** Who may take out everything that the site keeps. */
export const EXPORT_READERS: readonly Role[] = [
  'coordinator',
  'issuing-authority',
  'auditor',
  'site-manager',
];

type Row = Readonly<Record<string, unknown>>;

function* listLocks(db: Db): Generator<Row> {
  const now = readNow(db);
  const hangs = new Map(
    readOpenJobs(db).flatMap(({ id, dossier }) =>
      listHanging(standAt(dossier, now)).map((one) => [one.lock, { job: id, ...one }] as const),
    ),
  );
  for (const { id, set, use, owner } of readSite(db).locks.values()) {
    const hanging = hangs.get(id);
    yield {
      id,
      set,
      use,
      owner,
      job: hanging?.job,
      where: hanging?.where,
      by: hanging?.by,
      since: hanging?.since,
    };
  }
}

function* listRules(): Generator<Row> {
  for (const code of Object.keys(RULES) as RuleCode[]) yield { ...describeRule(code) };
}

function* listEvents(db: Db): Generator<Row> {
  for (const event of iterateEvents(db)) yield { ...event };
}

/** Readings that detectors sent, in the order in which they were read. */
function* listReadings(db: Db): Generator<Row> {
  const rows = db.$client
    .prepare('select * from gas_reading order by at_ms, device, number')
    .iterate() as IterableIterator<Row & { at_ms: number; received_ms: number }>;
  for (const { at_ms, received_ms, ...row } of rows) {
    const iso = (instant: number) => new Date(instant).toISOString();
    yield { ...row, at: iso(at_ms), received: iso(received_ms) };
  }
}

/** Everything that the site keeps, as tables. */
export const EXPORTS = {
  jobs: (db) => db.select().from(tables.jobRows).all(),
  permits: (db) => db.select().from(tables.permitRows).all(),
  events: listEvents,
  locks: listLocks,
  people: (db) =>
    listPeople(db).flatMap(({ id, name, employer, authorisations }) =>
      authorisations.map(({ role, until, up_to_v: most }) => ({
        id,
        name,
        employer,
        role,
        until,
        up_to_v: most ?? null,
      })),
    ),
  audits: (db) => listAudits(db).map((audit) => ({ ...audit })),
  'follow-ups': (db) => listFollowUps(listAudits(db), readNow(db)).map((line) => ({ ...line })),
  handovers: (db) => readHandovers(db).record.handovers.map((one) => ({ ...one })),
  promises: (db) => readHandovers(db).record.promises.map((one) => ({ ...one })),
  shift: (db) =>
    Object.entries(draftReport(db).report).flatMap(([part, lines]) =>
      lines.map((line) => ({ part, ...line })),
    ),
  clashes: (db) => readBoard(db).clashes.map((one) => ({ ...one })),
  next: (db) => readBoard(db).queue.map((one) => ({ ...one })),
  'work-orders': (db) => listOrders(db).map(({ order, ...rest }) => ({ ...order, ...rest })),
  'gas-readings': listReadings,
  rules: listRules,
  values: (db) => listSavedValues(db).map((one) => ({ ...one })),
} as const satisfies Record<string, (db: Db) => Iterable<Row>>;

export type ExportName = keyof typeof EXPORTS;
export const EXPORT_NAMES = Object.keys(EXPORTS) as [ExportName, ...ExportName[]];

/** How many rows go out at a time. */
const CHUNK = 500;

function* chunk<T>(rows: Iterable<T>): Generator<T[]> {
  let some: T[] = [];
  for (const row of rows) {
    some.push(row);
    if (some.length < CHUNK) continue;
    yield some;
    some = [];
  }
  if (some.length > 0) yield some;
}

/** Lists and objects stand in a cell as JSON. */
const toCell = (value: unknown): unknown =>
  typeof value === 'object' && value !== null ? JSON.stringify(value) : value;

/** As CSV: the columns are those of the first rows; a cell that a spreadsheet would run is made harmless. */
function* toCsv(rows: Iterable<Row>): Generator<string> {
  let columns: string[] | undefined;
  for (const some of chunk(rows)) {
    const header = columns === undefined;
    columns ??= [...new Set(some.flatMap((row) => Object.keys(row)))];
    const known = columns;
    const data = some.map((row) => known.map((column) => toCell(row[column]) ?? ''));
    yield `${Papa.unparse(header ? [known, ...data] : data, { escapeFormulae: true })}\r\n`;
  }
}

function* toJson(rows: Iterable<Row>): Generator<string> {
  let isFirst = true;
  yield '[';
  for (const some of chunk(rows)) {
    yield `${isFirst ? '' : ','}${some.map((row) => JSON.stringify(row)).join(',\n')}`;
    isFirst = false;
  }
  yield ']\n';
}

/** One of the tables as a sheet, piece by piece. */
export const writeSheetOf = (db: Db, name: ExportName): Iterable<string> =>
  toCsv(EXPORTS[name](db));

/** One of the tables as text, piece by piece, so that ten years of events go out without filling the memory. */
export function streamExport(
  db: Db,
  name: ExportName,
  format: 'csv' | 'json',
): ReadableStream<Uint8Array> {
  const rows: Iterable<Row> = EXPORTS[name](db);
  const pieces = format === 'csv' ? toCsv(rows) : toJson(rows);
  const encoder = new TextEncoder();
  return new ReadableStream({
    pull(controller) {
      const next = pieces.next();
      if (next.done) controller.close();
      else controller.enqueue(encoder.encode(next.value));
    },
  });
}
