import { copyFileSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { closeDatabase, openDatabase } from '../db';
import { loadDemo } from '../server/demo';
import { listPersonPast, setOwnPin } from '../server/people';
import { buildProgram } from './program';

let folder: string;
let file: string;
beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'lantern-site-'));
  file = join(folder, 'lantern.db');
  const db = openDatabase(file);
  await loadDemo(db);
  closeDatabase(db);
});
afterEach(() => rmSync(folder, { recursive: true }));

async function run(...args: string[]) {
  let out = '';
  const program = buildProgram(
    (text) => (out += text),
    (text) => (out += text),
  );
  const code = await program(['node', 'lantern', ...args]);
  return { code, out };
}

describe('a site at the command line', () => {
  it('gives somebody a code that nobody there can give, and the ledger says where', async () => {
    const made = await run('pin-code', 'uma', file, '--json');
    expect(made.code).toBe(0);
    const { code } = JSON.parse(made.out) as { code: string };
    const db = openDatabase(file);
    const source = { kind: 'address', name: 'here' } as const;
    expect(await setOwnPin(db, { person: 'uma', code, pin: '731904' }, source)).toMatchObject({
      ok: true,
    });
    expect(listPersonPast(db, 'uma')[1]?.words).toContain('made by the machine of the server');
    closeDatabase(db);
    const nobody = await run('pin-code', 'nobody', file);
    expect([nobody.code, nobody.out]).toEqual([2, expect.stringContaining('nobody')]);
  });

  it('is moved to another machine by two commands and its key', async () => {
    const to = join(folder, 'moved');
    const out = await run('export', 'site', to, file);
    expect([out.code, out.out]).toEqual([0, expect.stringContaining('PINs are not in it')]);
    const target = join(folder, 'new.db');
    const early = await run('import', 'site', to, target);
    expect([early.code, early.out]).toEqual([1, expect.stringContaining('NOT IMPORTED')]);
    copyFileSync(`${file}.key`, `${target}.key`);
    const taken = await run('import', 'site', to, target);
    expect([taken.code, taken.out]).toEqual([0, expect.stringContaining('verified')]);
    expect((await run('pin-code', 'uma', target)).code).toBe(0);
    // A plant is still exported under its own name.
    const plant = await run('export', join(to, 'plant.json'), join(folder, 'plant.graphml'));
    expect(plant.code).toBe(0);
  }, 60_000);

  it('has a restore rehearsed', async () => {
    const none = await run('rehearse', file);
    expect([none.code, none.out]).toEqual([1, expect.stringContaining('there is no backup')]);
    const copy = join(folder, 'copy.db');
    await run('backup', copy, file);
    const done = await run('rehearse', file, copy);
    expect([done.code, done.out]).toEqual([0, expect.stringContaining('can be restored')]);
  });

  it('is looked over by the doctor, who says what to do', async () => {
    const { code, out } = await run('doctor', file);
    expect(code).toBe(1);
    expect(out).toMatch(/^well {4}Node\.js/m);
    expect(out).toMatch(/^NOT WELL Backups: there is none/m);
    const whole = await run('doctor', file, '--whole', '--json');
    expect(whole.out).toContain('whole: ');
  });
});
