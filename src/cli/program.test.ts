import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { smallPlant } from '../../tests/support/small-plant';
import { buildProgram } from './program';

const folder = mkdtempSync(join(tmpdir(), 'lantern-'));
const file = (name: string, document: unknown): string => {
  const path = join(folder, name);
  writeFileSync(path, typeof document === 'string' ? document : JSON.stringify(document));
  return path;
};
const plant = file('plant.json', smallPlant());
const scope = file('scope.json', { work: [{ section: 'W', activity: 'open' }], hours: 8 });
const good = file('good.json', { close: ['V2', 'CB'], open: ['DR'], restrain: [] });
const bad = file('bad.json', { close: ['V2'], open: ['DR'] });

async function run(...args: string[]) {
  let out = '';
  let err = '';
  const program = await buildProgram(
    (text) => (out += text),
    (text) => (err += text),
  );
  const code = await program(['node', 'lantern', ...args]);
  return { code, out, err, json: () => JSON.parse(out) as Record<string, unknown> };
}

describe('the command line', () => {
  it('traces', async () => {
    const { code, json } = await run('trace', plant, scope, '--json');
    expect(code).toBe(0);
    expect(json().sources).toEqual([
      expect.objectContaining({
        id: 'BUS',
        medium: 'POWER',
        energy: 'electrical',
        grade: 'single',
        route: ['CB', 'M'],
      }),
      expect.objectContaining({
        id: 'SRC',
        medium: 'WATER',
        energy: 'process',
        grade: 'single-bled',
        route: ['V1', 'V2'],
      }),
    ]);
  });

  it('plans, with and without grades, and says when no plan reaches them', async () => {
    const { code, json } = await run('plan', plant, scope, '--json');
    expect(code).toBe(0);
    expect(json()).toMatchObject({
      feasible: true,
      unmet: [],
      grades: { BUS: 'single', SRC: 'single-bled' },
    });
    expect(json().answers).toMatchObject({
      effort: {
        cost: { effort: 25, outage: 0, points: 3 },
        passes: true,
        optimal: true,
        gap: 0,
      },
    });
    const higher = await run(
      'plan',
      plant,
      scope,
      file('grades.json', { SRC: 'positive' }),
      '--json',
    );
    expect(higher.code).toBe(1);
    expect(higher.json()).toMatchObject({ feasible: false, unmet: ['SRC'] });
    expect(higher.json().answers).toMatchObject({
      effort: {
        passes: false,
        extra_measures: [
          { kind: 'grade-lowered', subject: 'SRC', from: 'positive', to: 'double-bled' },
        ],
      },
    });
  });

  it('checks and orders', async () => {
    expect((await run('check', plant, scope, good)).code).toBe(0);
    const stopped = await run('check', plant, scope, bad, '--json');
    expect(stopped.code).toBe(1);
    expect(stopped.json()).toMatchObject({
      passes: false,
      findings: expect.arrayContaining([
        expect.objectContaining({ code: 'source-reaches-work', subject: 'BUS' }),
      ]) as unknown,
    });
    expect((await run('sequence', plant, scope, good)).out).toContain('lock and tag');
  });

  it.each([
    ['no such file', ['trace', join(folder, 'none.json'), scope], 'no such file'],
    ['a folder', ['trace', folder, scope], 'not a readable file'],
    ['rubbish', ['trace', file('rubbish.json', 'not json'), scope], 'is not JSON'],
    [
      'a bad scope',
      ['plan', plant, file('s.json', { work: [{ section: 'X', activity: 'open' }], hours: 1 })],
      'work[0].section',
    ],
    ['a bad plan', ['check', plant, scope, file('p.json', { close: 1 })], 'close must be array'],
    ['no ledger', ['ledger', 'verify', join(folder, 'none.db')], 'start the application first'],
    ['no such command', ['explode'], 'unknown command'],
    ['too few files', ['trace', plant], 'missing required argument'],
  ])('bad input: %s', async (_label, args, says) => {
    const { code, out, err } = await run(...args);
    expect([code, out]).toEqual([2, '']);
    expect(err).toContain(says);
    expect(err).not.toContain('at Object');
  });
});
