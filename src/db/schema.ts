import { sql } from 'drizzle-orm';
import {
  blob,
  index,
  integer,
  primaryKey,
  real,
  sqliteTable,
  text,
  uniqueIndex,
} from 'drizzle-orm/sqlite-core';

/** The ledger: every event, chained by hash. Times are ISO 8601 in UTC. */
export const events = sqliteTable(
  'event',
  {
    id: integer('id').primaryKey({ autoIncrement: true }),
    stream: text('stream').notNull(),
    sequence: integer('sequence').notNull(),
    type: text('type').notNull(),
    payload: text('payload').notNull(),
    actor: text('actor').notNull(),
    at: text('at').notNull(),
    policy: text('policy').notNull(),
    previousHash: text('previous_hash').notNull(),
    hash: text('hash').notNull(),
    /** The hash signed with the key of the ledger, on the last event of each transaction; absent from before there were signatures. */
    signature: text('signature'),
  },
  (table) => [uniqueIndex('event_stream_sequence').on(table.stream, table.sequence)],
);

/** Commands already carried out, by the key that the sender gave: sending again changes nothing. */
export const commandsSeen = sqliteTable('command_seen', {
  key: text('key').primaryKey(),
  stream: text('stream').notNull(),
  fingerprint: text('fingerprint').notNull(),
  sequence: integer('sequence').notNull(),
});

/** Projection: one row a job, for lists. */
export const jobRows = sqliteTable(
  'job_row',
  {
    id: text('id').primaryKey(),
    title: text('title').notNull(),
    equipment: text('equipment').notNull(),
    stage: text('stage').notNull(),
    raisedAt: text('raised_at').notNull(),
    until: text('until'),
  },
  (table) => [
    // Few of ten years' jobs are open: those alone are looked through for the board.
    index('job_row_open')
      .on(table.id)
      .where(sql`stage <> 'closed'`),
    index('job_row_equipment').on(table.equipment),
  ],
);

/** Projection: what a job holds (locks that hang, boxes in use, people signed on). */
export const holdings = sqliteTable(
  'holding',
  {
    kind: text('kind', { enum: ['lock', 'box', 'person', 'untold', 'unfit'] }).notNull(),
    item: text('item').notNull(),
    job: text('job').notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.kind, table.item] }),
    index('holding_job').on(table.job),
  ],
);

export const people = sqliteTable('person', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  employer: text('employer').notNull(),
  authorisations: text('authorisations').notNull(),
  /** Empty until the person has set a PIN of their own: nobody signs in with it. */
  pinHash: text('pin_hash').notNull(),
  /** When they left the site (ISO 8601, UTC); absent while they are there. */
  leftAt: text('left_at'),
});

/** Codes with which people set a PIN of their own, once each, by their digest: one a person, the newest. */
export const pinCodes = sqliteTable('pin_code', {
  person: text('person').primaryKey(),
  digest: text('digest').notNull(),
  /** By the clock of the machine (ms since the epoch). */
  ends_ms: integer('ends_ms').notNull(),
  /** Who made it, as a JSON list. */
  by: text('by').notNull(),
  at: text('at').notNull(),
});

/** Every saved version of the plant file, newest last; none is ever changed. The ledger holds the digest of each. */
export const plantVersions = sqliteTable('plant_version', {
  version: integer('version').primaryKey(),
  document: text('document').notNull(),
  digest: text('digest').notNull(),
  note: text('note').notNull(),
  actor: text('actor').notNull(),
  at: text('at').notNull(),
});

/** Projection: points found in the field as they are drawn, the newest finding each. */
export const asBuilt = sqliteTable('as_built', {
  point: text('point').primaryKey(),
  job: text('job').notNull(),
  actor: text('actor').notNull(),
  at: text('at').notNull(),
});

/** Site registers (locks, boxes, instruments) as documents checked on reading. */
export const registers = sqliteTable('register', {
  name: text('name').primaryKey(),
  version: integer('version').notNull(),
  document: text('document').notNull(),
});

/** Settings of the installation: the clock's offset in the demonstration. */
export const settings = sqliteTable('setting', {
  name: text('name').primaryKey(),
  value: text('value').notNull(),
});

/** Projection: one row a permit number, for lists, exports and the calendar. Whether it has lapsed is told by the clock. */
export const permitRows = sqliteTable(
  'permit_row',
  {
    number: text('number').primaryKey(),
    job: text('job').notNull(),
    state: text('state').notNull(),
    /** Kinds of papers, as a JSON list. */
    papers: text('papers').notNull(),
    performer: text('performer').notNull(),
    issuer: text('issuer').notNull(),
    issuedAt: text('issued_at').notNull(),
    until: text('until').notNull(),
    handedBackAt: text('handed_back_at'),
    closedAt: text('closed_at'),
  },
  (table) => [
    index('permit_row_job').on(table.job),
    index('permit_row_issued').on(table.issuedAt),
    index('permit_row_state').on(table.state),
  ],
);

/** Projection: checks of live permits at the place, each as a document. */
export const auditRows = sqliteTable(
  'audit_row',
  {
    job: text('job').notNull(),
    number: integer('number').notNull(),
    at: text('at').notNull(),
    document: text('document').notNull(),
  },
  (table) => [primaryKey({ columns: [table.job, table.number] })],
);

/** Work orders from outside, each as it came in last, and the job that was raised from it. */
export const workOrders = sqliteTable('work_order', {
  number: text('number').primaryKey(),
  document: text('document').notNull(),
  receivedAt: text('received_at').notNull(),
  source: text('source').notNull(),
  job: text('job'),
});

/** Readings that detectors sent, in the site's time: kept for ever, and too many for the ledger, which holds the alarms they made. */
export const gasReadings = sqliteTable(
  'gas_reading',
  {
    device: text('device').notNull(),
    /** The device's own running number: what is sent twice is known by it. */
    number: integer('number').notNull(),
    /** When it was read, and when it came in (ms since the epoch). */
    at_ms: integer('at_ms').notNull(),
    received_ms: integer('received_ms').notNull(),
    gas: text('gas').notNull(),
    shown: real('shown').notNull(),
    unit: text('unit').notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.device, table.number] }),
    index('gas_reading_at').on(table.device, table.at_ms),
  ],
);

/** Who is signed in where. A session is known by the digest of what its cookie holds; it ends here, and with that everywhere. */
export const sessions = sqliteTable('session', {
  id: text('id').primaryKey(),
  person: text('person').notNull(),
  /** The digest of the PIN's hash, and the roles that were held, when it began: it ends when either changes. */
  pin: text('pin').notNull(),
  roles: text('roles').notNull(),
  /** By the clock of the machine (ms since the epoch). */
  /** At which kind of enrolled device it began; absent at any other. */
  device: text('device', { enum: ['desk', 'gate', 'phone'] }),
  began_ms: integer('began_ms').notNull(),
  seen_ms: integer('seen_ms').notNull(),
  /** When it ends whatever happens: soon after someone else has signed in at its desk. */
  ends_ms: integer('ends_ms'),
});

/** Diagrams that were laid out, by the digest of what was to be drawn: what has not changed is never laid out again. */
export const layouts = sqliteTable('layout', {
  digest: text('digest').primaryKey(),
  document: text('document').notNull(),
});

/** Photographs by the digest (SHA-256) of their bytes, which the ledger names; kept for ever. */
export const photos = sqliteTable('photo', {
  digest: text('digest').primaryKey(),
  /** A JPEG picture without anything of where and with what it was taken. */
  bytes: blob('bytes', { mode: 'buffer' }).notNull(),
  by: text('by').notNull(),
  at: text('at').notNull(),
});
