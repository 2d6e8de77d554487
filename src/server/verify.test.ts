import { appendFileSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { sql } from 'drizzle-orm';
import { carryOutAt } from '../../tests/support/at-server';
import { USABLE } from '../../tests/support/seal-change';
import { closeDatabase, openDatabase, tables, type Db } from '../db';
import { appendEvents, findHead, readLast } from '../ledger';
import { FIRST_HASH, hashEvent } from '../ledger/hash';
import { readNow } from './clock';
import { loadDemo } from './demo';
import { keepPicture } from './photos';
import { receiveOrders } from './work-orders';
import { verifyAll } from './verify';

let file: string;
let db: Db;
beforeAll(async () => {
  file = join(mkdtempSync(join(tmpdir(), 'lantern-')), 'lantern.db');
  db = openDatabase(file);
  await loadDemo(db, { morning: true });
  carryOutAt(db, [USABLE[0] as (typeof USABLE)[number]]);
  receiveOrders(db, [{ number: 'W-1', title: 'pump drips', equipment: 'P-201' }], {
    source: 'stores',
    actor: 'ada',
  });
});
afterAll(() => closeDatabase(db));

/** Does something to the database behind the ledger's back, and undoes it; answers what a look finds. */
function whenSpoilt(spoil: () => void): string {
  db.$client.exec('savepoint spoilt');
  try {
    spoil();
    const { whole, problems } = verifyAll(db);
    expect(whole).toBe(problems.length === 0);
    return problems.join('\n');
  } finally {
    db.$client.exec('rollback to spoilt; release spoilt');
  }
}
const run = (statement: string) => () => {
  expect(db.$client.prepare(statement).run().changes).toBeGreaterThan(0);
};

/** Every table that the ledger speaks for: how a row is named, a column that may be forged, and a row that never was. */
const TABLES: Readonly<Record<string, { column: string; extra: string }>> = {
  job_row: {
    column: 'equipment',
    extra: `insert into job_row values ('J-9999', 'x', 'P-201', 'plan', '2026-01-01T00:00:00.000Z', null)`,
  },
  holding: { column: 'job', extra: `insert into holding values ('lock', 'P-60', 'J-0001')` },
  as_built: {
    column: 'actor',
    extra: `insert into as_built values ('HV-X', 'J-0001', 'kit', '2026')`,
  },
  permit_row: {
    column: 'until',
    extra: `insert into permit_row values ('P-9999', 'J-0001', 'issued', '[]', 'jun', 'hana', '2026', '2027', null, null)`,
  },
  audit_row: {
    column: 'document',
    extra: `insert into audit_row values ('J-0001', 7, '2026', '{}')`,
  },
  work_order: {
    column: 'document',
    extra: `insert into work_order values ('W-9', '{}', '2026', 'stores', null)`,
  },
  search_row: {
    column: 'words',
    extra: `insert into search_row (rowid, ids, equipment, title, words) values (9999, 'J-9999', '', '', '')`,
  },
  person: {
    column: 'authorisations',
    extra: `insert into person values ('mallory', 'Mallory', 'none', '[]', 'x', null)`,
  },
  register: { column: 'document', extra: `insert into register values ('keys', 1, '{}')` },
  setting: { column: 'value', extra: `insert into setting values ('other', '1')` },
  command_seen: {
    column: 'fingerprint',
    extra: `insert into command_seen values ('device GM-1 next', 'job/J-0001', 'x', 1)`,
  },
  plant_version: {
    column: 'actor',
    extra: `insert into plant_version values (99, '{}', 'x', 'x', 'ada', '2026')`,
  },
};

describe('a look over everything that is kept', () => {
  it('finds nothing wrong with what is as it was written', () => {
    expect(verifyAll(db)).toMatchObject({ whole: true, problems: [], notes: [] });
  });

  it('knows every table: one that is new is compared, or said to be nobody’s record', () => {
    const kept = db.all<{ name: string }>(
      sql`select name from sqlite_master where type = 'table' and name not like 'sqlite_%'
          and name not like '__drizzle%' and name not like 'search_row_%'`,
    );
    const elsewhere = ['event', 'session', 'gas_reading', 'layout', 'photo', 'pin_code'];
    const known = [...Object.keys(TABLES), ...elsewhere].sort();
    expect(kept.map(({ name }) => name).sort()).toEqual(known);
  });

  it.each(Object.entries(TABLES))(
    'finds a row of %s that was taken out, changed or added',
    (name, { column, extra }) => {
      const one = `rowid = (select min(rowid) from ${name})`;
      expect(whenSpoilt(run(`delete from ${name} where ${one}`))).toContain(`${name} `);
      expect(
        whenSpoilt(run(`update ${name} set ${column} = ${column} || '1' where ${one}`)),
      ).toContain(`${name} `);
      expect(whenSpoilt(run(extra))).toContain('the ledger knows no such row');
    },
  );

  it('finds a picture that a job names and that is gone or was changed; what no job names is nobody’s', () => {
    const bytes = new Uint8Array([0xff, 0xd8, 0xff, 0xda, 0, 2, 7, 7, 0xff, 0xd9]);
    const kept = keepPicture(db, bytes, 'kit');
    if (!kept.ok) throw new Error(kept.fault);
    expect(verifyAll(db).problems).toEqual([]);
    const photo = { kind: 'add-photo', digest: kept.digest, of: 'place', words: '' } as const;
    carryOutAt(db, [USABLE[0] as (typeof USABLE)[number], ['kit', photo]]);
    expect(verifyAll(db).problems).toEqual([]);
    expect(whenSpoilt(run('delete from photo'))).toContain('the row is missing');
    expect(whenSpoilt(run(`update photo set bytes = x'ffd8'`))).toContain('bytes is another');
  });

  it.each([
    [
      'the equipment of a live job',
      `update job_row set equipment = 'P-202' where stage = 'open' and until is not null`,
    ],
    [
      'the end of a live job',
      `update job_row set until = '2099-01-01T00:00:00.000Z' where stage = 'open' and until is not null`,
    ],
    [
      'the time it was raised',
      `update job_row set raised_at = '2020-01-01T00:00:00.000Z' where id = 'J-0001'`,
    ],
    [
      'a live job that is said to be closed',
      `update job_row set stage = 'closed' where stage = 'open' and until is not null`,
    ],
    ['a PIN', `update person set pin_hash = 'x' where id = 'uma'`],
    [
      'the document of a plant version',
      `update plant_version set document = replace(document, '6', '7')`,
    ],
    ['the digest of a plant version', `update plant_version set digest = 'x'`],
    ['when a plant version was saved', `update plant_version set at = '2020-01-01T00:00:00.000Z'`],
    ['every permit', `delete from permit_row`],
  ])('finds %s', (_label, statement) => {
    expect(whenSpoilt(run(statement))).not.toBe('');
  });
});

describe('the chain', () => {
  const { events } = tables;
  const forge = (more: object = {}) => {
    const { events: last, hash } = findHead(db);
    const event = {
      id: last + 1,
      stream: 'job/J-0001',
      sequence: (readLast(db, 'job/J-0001')?.sequence ?? 0) + 1,
      type: 'stop-lifted',
      payload: JSON.stringify({ kind: 'stop-lifted', found: 'nothing' }),
      actor: 'hana',
      at: readNow(db),
      policy: 'none',
      previousHash: hash,
      ...more,
    };
    db.insert(events)
      .values({ ...event, hash: hashEvent(event), signature: null, ...more })
      .run();
  };

  it.each([1, 5, 50])('finds that the last %d events are gone', (count) => {
    const spoil = () =>
      run(`delete from event where id > (select max(id) from event) - ${count}`)();
    expect(whenSpoilt(spoil)).toMatch(/events at .* are gone|not signed/);
  });

  it('finds that all of them are gone', () => {
    expect(whenSpoilt(run('delete from event'))).toContain('are gone');
  });

  it('finds an event that was forged at the end, signed or not', () => {
    expect(whenSpoilt(() => forge())).toContain('at the end is not signed');
    const signature = Buffer.alloc(64, 1).toString('base64');
    expect(whenSpoilt(() => forge({ signature }))).toContain('not signed with the key');
    const { signature: old } = db.select().from(events).limit(1).get() ?? {};
    expect(whenSpoilt(() => forge({ signature: old }))).toContain('not signed');
  });

  it('finds a chain whose hashes were all made anew', () => {
    const spoil = () => {
      let previousHash = FIRST_HASH;
      for (const row of db.select().from(events).orderBy(events.id).all()) {
        const event = { ...row, actor: row.actor === 'hana' ? 'ivo' : row.actor, previousHash };
        const hash = hashEvent(event);
        db.update(events)
          .set({ ...event, hash })
          .where(sql`id = ${row.id}`)
          .run();
        previousHash = hash;
      }
    };
    expect(whenSpoilt(spoil)).toContain('is not signed with the key');
  });

  it('finds a chain that was made anew without any signature, by the heads beside it', () => {
    const spoil = () => {
      run('update event set signature = null')();
      run(`delete from event where id > 20`)();
    };
    expect(whenSpoilt(spoil)).toContain('are gone');
  });

  it('finds a head that was written down elsewhere, and misses one that never was', () => {
    const { hash } = findHead(db);
    expect(verifyAll(db, { expectedHead: hash.slice(0, 16) }).whole).toBe(true);
    expect(verifyAll(db, { expectedHead: 'ffffffffffffffff' }).problems[0]).toContain(
      'no event has',
    );
    expect(verifyAll(db, { expectedHead: 'ff' }).whole).toBe(false);
  });

  it('says when time went back, and finds times that run back without that', () => {
    const at = '2020-01-01T00:00:00.000Z';
    const back = () =>
      appendEvents(db, 'site/other', 0, [{ kind: 'noted' }], { actor: 'ada', at, policy: 'none' });
    expect(whenSpoilt(back)).not.toContain('is before that of');
    expect(whenSpoilt(() => forge({ at }))).toContain('and nothing says why');
  });

  it('finds a head beside it that was forged', () => {
    const heads = `${file}.heads`;
    const before = readFileSync(heads);
    const line = { events: 3, hash: 'a'.repeat(64), at: '2026', signature: 'AAAA' };
    appendFileSync(heads, `${JSON.stringify(line)}\n{"half`);
    expect(verifyAll(db).problems.join()).toContain('not signed with the key');
    writeFileSync(heads, before);
    expect(verifyAll(db).whole).toBe(true);
  });
});
