import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { smallPlant } from '../../tests/support/small-plant';
import { CALCULATIONS, listStartInputs, sayAnswer } from '../core/bench';
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
  const program = buildProgram(
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

  it('explains each point and what one failure more would mean', async () => {
    const { code, json, out } = await run('explain', plant, scope, good, '--json');
    expect(code).toBe(0);
    expect(json().points).toContainEqual(
      expect.objectContaining({
        part: 'close',
        id: 'V2',
        reasons: [expect.objectContaining({ code: 'source-reaches-work', subject: 'SRC' })],
      }),
    );
    expect(out).toContain('"link": "V2"');
    const text = await run('explain', plant, scope, good);
    expect(text.out).toContain('SRC reaches the work');
    expect(text.out).toContain('noticed by: flow at DR, a rise on PG');
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

  it('exports to each format, reads its own sheets, and tells what differs', async () => {
    const [zip, graphml, json] = ['p.zip', 'p.graphml', 'p.json'].map((name) => join(folder, name));
    for (const target of [zip, graphml]) {
      expect((await run('export', plant, target ?? '')).code).toBe(0);
    }
    expect((await run('export', zip ?? '', json ?? '', '--json')).json()).toMatchObject({
      written: json,
    });
    expect(await run('compare', plant, json ?? '')).toMatchObject({
      code: 0,
      out: 'no difference\n',
    });
    const other = file('other.json', { ...smallPlant(), name: 'other', outlets: [] });
    const differs = await run('compare', plant, other);
    expect(differs.code).toBe(1);
    expect(differs.out).toContain('outlet DR removed');
  });

  it('works out stored energy and calculations', async () => {
    const stored = await run('stored', 'demo/quillmere.plant.json');
    expect(stored.code).toBe(0);
    expect(stored.out).toContain('ST-CAP1 (capacitor in CAP-1)\n    Time to 50 V: t50 = 3.639 min');
    const fall = ['compute', 'raised-mass', 'mass=0.1t', 'height=10 m'];
    expect((await run(...fall, '--json')).json()).toMatchObject({
      figures: [expect.objectContaining({ symbol: 'E', value: 9806.65 }), expect.anything()],
    });
    expect((await run('compute', 'raised-mass')).out).toContain('mass (Mass) in kg');
  });

  it.each(CALCULATIONS.map((one) => [one.id, one] as const))(
    'answers as the Bench does: %s',
    async (id, calculation) => {
      const inputs = listStartInputs(calculation.fields);
      const asked = Object.entries(inputs).map(([name, typed]) => {
        if (typeof typed !== 'object') return `${name}=${typed ?? ''}`;
        const field = calculation.fields[name];
        const counted =
          field?.kind === 'number' && field.quantity === 'gauge-pressure'
            ? 'g'
            : field?.kind === 'number' && field.quantity === 'absolute-pressure'
              ? 'a'
              : '';
        return `${name}=${typed.value} ${typed.unit}${counted}`;
      });
      const result = calculation.run(inputs);
      const answer = result.ok ? sayAnswer(calculation, result.figures) : '';
      const said = await run('compute', id, ...asked, '--json');
      expect(said.json()).toMatchObject({
        answer,
        figures: JSON.parse(JSON.stringify(result.ok && result.figures)) as object,
      });
      expect((await run('compute', id, ...asked)).out.startsWith(answer)).toBe(true);
    },
  );

  it.each([
    ['no such zip', ['export', join(folder, 'none.zip'), join(folder, 'x.json')], 'no such file'],
    [
      'no zip',
      ['export', file('fake.zip', 'rubbish'), join(folder, 'x.json')],
      'is not a zip file',
    ],
    ['an unknown format', ['export', plant, join(folder, 'x.exe')], 'must end in .json'],
    ['nowhere to write', ['export', plant, join(folder, 'no', 'x.json')], 'cannot be written'],
    ['no such calculation', ['compute', 'guess'], 'is no calculation: let-down'],
    ['a field without a figure', ['compute', 'spring', 'stiffness'], 'must be field=figure'],
    ['a figure out of range', ['compute', 'spring', 'stiffness=-1N/m', 'travel=1m'], 'above 0 N/m'],
    [
      'a unit that is none',
      ['compute', 'spring', 'stiffness=1lb', 'travel=1m'],
      'must be in one of',
    ],
    ['no unit', ['compute', 'spring', 'stiffness=1', 'travel=1m'], 'must have its unit'],
    ['a pressure of neither kind', ['compute', 'head', 'drive=4bar'], 'gauge or absolute'],
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
    ['none to rebuild', ['ledger', 'rebuild', join(folder, 'none.db')], 'start the application'],
    ['no such command', ['explode'], 'unknown command'],
    ['too few files', ['trace', plant], 'missing required argument'],
  ])('bad input: %s', async (_label, args, says) => {
    const { code, out, err } = await run(...args);
    expect([code, out]).toEqual([2, '']);
    expect(err).toContain(says);
    expect(err).not.toContain('at Object');
  });
});

describe('what a site has set and accepted, at the command line', () => {
  let written = 0;
  const rules = (values: unknown) => ['--rules', file(`rules-${++written}.json`, values)];
  const gradeOf = async (...more: string[]) => {
    const { json } = await run('trace', plant, scope, '--json', ...more);
    return (json().sources as { id: string; grade: string }[]).find(({ id }) => id === 'SRC')
      ?.grade;
  };
  /** A boiler whose one relief valve is cut off when the line to it is shut. */
  const relieved = file('relieved.json', {
    ...smallPlant(),
    sections: [...smallPlant().sections, { id: 'RV', name: 'relief', medium: 'WATER', area: 'A', pressure_bar: 0 }], // prettier-ignore
    links: [...smallPlant().links, { id: 'PSV', kind: 'relief-valve', between: ['MID', 'RV'], protects: ['SRC'] }], // prettier-ignore
  });
  const shut = file('shut.json', { close: ['V1', 'V2', 'CB'], open: ['DR'], restrain: [] });

  it('grades by the rules of the site, what it leaves unsaid as it comes', async () => {
    expect(await gradeOf()).toBe('single-bled');
    expect(await gradeOf(...rules({ 'high-pressure-bar': 1.5 }))).toBe('double-bled');
    expect(await gradeOf(...rules({}))).toBe('single-bled');
  });

  it('believes no barrier that the site does not', async () => {
    const set = rules({ 'never-barriers': ['gate-valve'] });
    expect((await run('check', plant, scope, good)).code).toBe(0);
    const checked = await run('check', plant, scope, good, ...set);
    expect([checked.code, checked.out.includes('source-reaches-work')]).toEqual([1, true]);
  });

  it('takes a lost relief for accepted when it is named, and only then', async () => {
    const lost = await run('check', relieved, scope, shut, '--json');
    const accepted = await run('check', relieved, scope, shut, '--json', '--accept-relief', 'PSV');
    expect([lost.code, accepted.code]).toEqual([1, 0]);
    expect(JSON.stringify(accepted.json())).toContain('relief-accepted');
  });

  it.each([
    ['a rule that is none', rules({ luck: 1 }), 'luck'],
    ['a figure out of its range', rules({ 'high-pressure-bar': 999 }), 'high-pressure-bar must be at most'], // prettier-ignore
    ['rules that are a list', rules([]), 'must be an object of values by their code'],
    ['no file of rules', ['--rules', join(folder, 'none.json')], 'no such file'],
    ['a relief valve that is none', ['--accept-relief', 'V1'], '"V1" is no relief valve'],
  ])('bad input: %s', async (_label, more, says) => {
    const { code, out, err } = await run('trace', plant, scope, ...more);
    expect([code, out]).toEqual([2, '']);
    expect(err).toContain(says);
  });
});

describe('what takes long', () => {
  it('says after a second what it is at, on standard error, and nothing before', async () => {
    expect((await run('plan', plant, scope, '--json')).err).toBe('');
    let now = 0;
    const clock = jest.spyOn(performance, 'now').mockImplementation(() => (now += 600));
    const { err, json } = await run('plan', plant, scope, '--json');
    clock.mockRestore();
    expect(err).toContain('…');
    expect(json().answers).toBeDefined();
  });
});

describe('a plant file at the command line', () => {
  const zip = join(folder, 'plant.zip');
  const renamed = join(folder, 'plant.dat');

  it('is read as sheets wherever it may be read as JSON, whatever it is called', async () => {
    expect((await run('export', plant, zip)).code).toBe(0);
    writeFileSync(renamed, readFileSync(zip));
    const asked = ['trace', 'plan', 'check', 'explain', 'sequence'] as const;
    for (const command of asked) {
      const further = ['trace', 'plan'].includes(command) ? [] : [good];
      const [json, sheets] = [
        await run(command, plant, scope, ...further, '--json'),
        await run(command, renamed, scope, ...further, '--json'),
      ];
      expect({ command, answer: sheets.json() }).toEqual({ command, answer: json.json() });
    }
    expect((await run('compare', plant, renamed)).out).toBe('no difference\n');
  });

  it('says what is wrong in a sheet, and where', async () => {
    writeFileSync(renamed, 'PK\u0003\u0004 no zip');
    const { code, err } = await run('trace', renamed, scope);
    expect(code).toBe(2);
    expect(err).toContain(renamed);
  });

  it('is looked over for what it leaves to doubt', async () => {
    const { code, out, json } = await run('plant', 'lint', plant, '--json');
    expect(code).toBe(1);
    expect(out).toContain('no-start-station');
    expect(json().cautions).toContainEqual({
      code: 'no-start-station',
      subject: 'M',
      words: 'M: add it to an equipment with its start stations',
    });
    expect((await run('plant', 'lint', plant)).out).toContain('nothing to try after locking (1)');
    expect((await run('plant', 'lint', join(folder, 'none.json'))).code).toBe(2);
  });
});
