import { createServer, type Server } from 'node:http';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { closeDatabase, openDatabase, type Db } from '../db';
import { moveClock } from './clock';
import { loadDemo } from './demo';
import { readHeadSent, sendHeads } from './send-heads';
import { verifyAll } from './verify';

let folder: string;
let db: Db;
let server: Server;
let address: string;
let answer = 200;
const received: string[] = [];
beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'heads-'));
  db = openDatabase(join(folder, 'lantern.db'));
  await loadDemo(db);
  server = createServer((request, response) => {
    let text = '';
    request.on('data', (part: Buffer) => (text += part.toString()));
    request.on('end', () => {
      received.push(text);
      response.writeHead(answer).end();
    });
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  address = `http://127.0.0.1:${(server.address() as AddressInfo).port}/heads`;
});
afterAll(() => {
  server.close();
  closeDatabase(db);
  rmSync(folder, { recursive: true, force: true });
});

const file = () => join(folder, 'elsewhere', 'heads.jsonl');

describe('the head of the ledger, sent out at each change of shift', () => {
  it('goes once a shift to every place, and is what verify takes', async () => {
    expect(await sendHeads(db, [])).toBeUndefined();
    expect(await sendHeads(db, [file(), address])).toMatchObject({ ok: true });
    expect(await sendHeads(db, [file(), address])).toBeUndefined();
    moveClock(db, 12);
    expect(await sendHeads(db, [file(), address])).toMatchObject({ ok: true });
    const lines = readFileSync(file(), 'utf8').trim().split('\n');
    expect(lines).toHaveLength(2);
    expect(received.map((one) => one.trim())).toEqual(lines);
    expect(verifyAll(db, { headsFile: file() })).toMatchObject({ whole: true });
  });

  it('that was sent out convicts a ledger that was written anew since', () => {
    const [first = ''] = readFileSync(file(), 'utf8').split('\n');
    const forged = join(folder, 'forged.jsonl');
    const line = JSON.parse(first) as { hash: string; events: number };
    writeFileSync(forged, `${JSON.stringify({ ...line, events: line.events + 1 })}\n`);
    expect(verifyAll(db, { headsFile: forged }).problems.join()).toContain('not signed');
    db.$client.exec('savepoint gone');
    db.$client.exec('delete from event where id >= (select max(id) from event) - 1');
    expect(verifyAll(db, { headsFile: file() }).whole).toBe(false);
    db.$client.exec('rollback to gone; release gone');
  });

  it('that could not be sent is said and tried again after five minutes, not at once', async () => {
    moveClock(db, 12);
    answer = 500;
    expect(await sendHeads(db, [address])).toMatchObject({ ok: false });
    expect(readHeadSent(db)?.says).toContain('answers 500');
    expect(await sendHeads(db, [address])).toBeUndefined();
    answer = 200;
    moveClock(db, 0.1);
    expect(await sendHeads(db, [address])).toMatchObject({ ok: true });
    expect(await sendHeads(db, ['http://127.0.0.1:1/nobody'])).toBeUndefined();
  });
});
