import { readFileSync } from 'node:fs';
import { carryOut, site, USABLE } from '../../../tests/support/seal-change';
import { commandSchema, findWorkOrder, isCodeOf, readCode, writeCode, type Command } from '.';
import { findCode, findSubject, findTarget, refuseScan } from './scan';

const state = carryOut(USABLE);
const order = state && findWorkOrder(state, site);
if (!order) throw new Error('no work order');

describe('codes of tags', () => {
  it.each(['HV-2001', 'local start station P-201', 'A/B', 'motion:P201-PSH', 'J-0002/x', 'ß"\\'])(
    'reads %p back as it was written',
    (point) => {
      expect(readCode(writeCode('J-0001', point))).toEqual({ job: 'J-0001', point });
      expect(readCode(writeCode('J-123456', point))).toEqual({ job: 'J-123456', point });
    },
  );

  it.each([
    ['HV-2001', { point: 'HV-2001' }],
    ['  hv-2001 ', { point: 'hv-2001' }],
    ['j-0001/hv-2001', { job: 'J-0001', point: 'hv-2001' }],
    ['J-0001/A/B', { job: 'J-0001', point: 'A/B' }],
    ['J-0001/', { point: 'J-0001/' }],
    ['', { point: '' }],
  ])('%p', (code, read) => expect(readCode(code)).toEqual(read));

  it('opens every step of a job by its own code, and no step by the code of another point', () => {
    const subjects = order.steps.map(({ subject }) => subject).filter((subject) => subject !== '');
    for (const subject of subjects) {
      const target = findTarget(site.graph, order, subject);
      expect([subject, isCodeOf(writeCode('J-0001', subject), 'J-0001', target)]).toEqual([
        subject,
        true,
      ]);
      const others = order.plan.close.filter((one) => !target.codes.includes(one));
      expect(others.filter((one) => isCodeOf(one, 'J-0001', target))).toEqual([]);
    }
  });

  it('says where the right point is, and how far from the one that was scanned', () => {
    const target = findTarget(site.graph, order, 'HV-2001');
    const [refusal] = refuseScan('hv-2009', 'J-0001', target, findCode(site.graph, 'hv-2009'));
    expect(refusal).toMatchObject({
      code: 'wrong-point',
      facts: { scanned: 'HV-2009', subject: 'HV-2001' },
    });
    expect(refusal?.facts.where).toMatch(/^ball-valve|^gate-valve|^plug-valve|valve/);
    expect(refusal?.facts.where).toMatch(/about \d+ m from there$/);
  });

  it('never meets a code that the demonstration plant spells twice', () => {
    const plant = JSON.parse(readFileSync('demo/quillmere.plant.json', 'utf8')) as Record<
      string,
      { id: string }[]
    >;
    const ids = ['links', 'outlets', 'sections', 'gauges'].flatMap((table) =>
      (plant[table] ?? []).map(({ id }) => id.toLowerCase()),
    );
    expect(new Set(ids).size).toBe(ids.length);
  });
});

describe('steps that are done at a point', () => {
  /** Kinds of commands that are about a point by what their fields are called, as they are entered on a phone there. */
  const AT_POINT = ['link', 'outlet', 'store', 'proof', 'station', 'point', 'section'];
  /** Entered at a desk, or about a lock that somebody else left. */
  const AT_DESK = ['replace-lock', 'lift-for-test', 'clear-neighbour'];
  const kinds = commandSchema.options.flatMap(({ shape }) => {
    const fields = Object.keys(shape);
    const [kind] = shape.kind.values;
    const isNamed =
      findSubject(
        Object.fromEntries([['kind', kind], ...AT_POINT.map((one) => [one, 'X'])]) as Command,
      ) === 'X';
    return kind && isNamed && !AT_DESK.includes(kind) ? [{ kind, fields }] : [];
  });

  it.each(kinds)('$kind takes the code that was scanned there', ({ fields }) => {
    expect(fields).toContain('scanned');
  });

  it('are more than a few', () => expect(kinds.length).toBeGreaterThan(12));
});
