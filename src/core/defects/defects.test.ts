import { site, START } from '../../../tests/support/seal-change';
import type { SiteFacts } from '../job';
import { buildGraph, type Plant } from '../plant';
import { DEFECT_RULES } from '../rules/defects';
import {
  applyDefects,
  decideDefect,
  DEFECT_KINDS,
  evolveDefects,
  findDevice,
  isSafetyCritical,
  listAreasOf,
  listDefectSigners,
  listFitting,
  listNamesOn,
  listStanding,
  NO_DEFECTS,
  sortDefects,
  type DefectCommand,
  type DefectKind,
  type DefectLine,
  type DefectRecord,
} from '.';

const hoursOn = (hours: number) => new Date(Date.parse(START) + hours * 3_600_000).toISOString();
const { graph } = site;
const deviceOf = (id: string) => {
  const device = findDevice(graph, id);
  if (!device) throw new Error(`no ${id}`);
  return device;
};

function give(
  record: DefectRecord,
  actor: string,
  command: DefectCommand,
  {
    hours = 0,
    signed = listDefectSigners(command, actor),
    at = site,
  }: { hours?: number; signed?: readonly string[]; at?: SiteFacts } = {},
): { codes: string[]; record: DefectRecord } {
  const now = hoursOn(hours);
  const decision = decideDefect(record, command, {
    actor,
    now,
    signed: new Set(signed),
    site: at,
    hasJob: (id) => id === 'J-0001',
    hasPicture: (digest) => digest === 'a'.repeat(64),
  });
  if (!decision.ok) return { codes: decision.refusals.map(({ code }) => code), record };
  return { codes: [], record: evolveDefects(record, decision.event, { by: actor, at: now }) };
}

const report = (more: Partial<Extract<DefectCommand, { kind: 'report-defect' }>> = {}) =>
  ({
    kind: 'report-defect',
    device: 'HV-2004',
    defect: 'passes',
    seen: 'warm behind it, and it hisses',
    ...more,
  }) satisfies DefectCommand;
const REPORTED = () => give(NO_DEFECTS, 'kit', report()).record;
const repair: DefectCommand = { kind: 'repair-defect', number: 1, done: 'new seat' };
const prove = (found: 'sound' | 'still', number = 1): DefectCommand => ({
  kind: 'prove-defect',
  number,
  found,
  how: 'held 2 bar for 10 min, bleed dry',
});
const guard = (hours: number): DefectCommand => ({
  kind: 'guard-defect',
  number: 1,
  standsIn: 'the pump stays off',
  until: hoursOn(hours),
});
const REPAIRED = () => give(REPORTED(), 'jun', repair).record;
const MENDED = () => give(REPAIRED(), 'cora', prove('sound')).record;

describe('what can be wrong with a device', () => {
  it.each<[string, readonly DefectKind[], boolean]>([
    ['HV-2004', ['passes', 'seized', 'no-lock-place', 'label'], false],
    ['CB-P201', ['blade-stayed', 'seized', 'no-lock-place', 'label'], false],
    ['DR-2001', ['plugged', 'label'], false],
    ['PG-2001', ['gauge-dead', 'label'], false],
    ['GS-CH', ['out-of-order', 'label'], true],
    ['P-201', ['label'], false],
    ['CK-2003', ['label'], false],
  ])('%s', (id, fits, isCritical) => {
    expect(listFitting(deviceOf(id))).toEqual(fits);
    expect(isSafetyCritical(deviceOf(id))).toBe(isCritical);
  });

  it('of relief valves, trip contacts and stop buttons makes them safety-critical', () => {
    for (const kind of ['relief-valve', 'interlock-contact', 'stop-button']) {
      const { id = '' } = graph.plant.links.find((one) => one.kind === kind) ?? {};
      expect([kind, isSafetyCritical(deviceOf(id))]).toEqual([kind, true]);
      expect(listFitting(deviceOf(id))).toContain('out-of-order');
    }
  });

  it('names no device that is not drawn, nor one that is only worked out', () => {
    expect(findDevice(graph, 'HV-9999')).toBeUndefined();
    for (const id of graph.actuates.keys()) expect(findDevice(graph, id)).toBeUndefined();
  });

  it('lies in the areas at both ends, and in those that a relief valve protects', () => {
    expect(listAreasOf(graph, deviceOf('HV-2001'))).toEqual(['A-DIG', 'A-PMP']);
    expect(listAreasOf(graph, deviceOf('DR-2001'))).toEqual(['A-PMP']);
  });
});

const ROWS: readonly [
  string,
  () => DefectRecord,
  string,
  DefectCommand,
  string[],
  Parameters<typeof give>[3]?,
][] = [
  ['anybody reports', () => NO_DEFECTS, 'kit', report(), []],
  ['nobody else than people of the site', () => NO_DEFECTS, 'zed', report(), ['person-unknown']],
  [
    'a device that is not drawn',
    () => NO_DEFECTS,
    'kit',
    report({ device: 'HV-9999' }),
    ['defect-device-unknown'],
  ],
  [
    'what such a device cannot have',
    () => NO_DEFECTS,
    'kit',
    report({ defect: 'plugged' }),
    ['defect-unfit'],
  ],
  ['the same twice', REPORTED, 'jun', report(), ['defect-known']],
  ['something else of the same device', REPORTED, 'jun', report({ defect: 'label' }), []],
  ['the same once it was mended', MENDED, 'jun', report(), []],
  [
    'a job that is not there',
    () => NO_DEFECTS,
    'kit',
    report({ job: 'J-9999' }),
    ['defect-job-unknown'],
  ],
  ['a picture that has arrived', () => NO_DEFECTS, 'kit', report({ photo: 'a'.repeat(64) }), []],
  [
    'a picture that has not',
    () => NO_DEFECTS,
    'kit',
    report({ photo: 'b'.repeat(64) }),
    ['defect-picture-missing'],
  ],
  [
    'expected to be mended before now',
    () => NO_DEFECTS,
    'kit',
    report({ until: hoursOn(0) }),
    ['defect-until-wrong'],
  ],
  ['expected in a year of 366 days', () => NO_DEFECTS, 'kit', report({ until: hoursOn(8784) }), []],
  [
    'expected after that',
    () => NO_DEFECTS,
    'kit',
    report({ until: hoursOn(8785) }),
    ['defect-until-wrong'],
  ],
  ['a repair of what nobody reported', () => NO_DEFECTS, 'jun', repair, ['defect-not-listed']],
  ['a repair', REPORTED, 'jun', repair, []],
  ['a repair by somebody without authority', REPORTED, 'kit', repair, ['role-missing']],
  ['a second repair before it was tried', REPAIRED, 'jun', repair, ['defect-not-open']],
  ['a trial before the repair', REPORTED, 'cora', prove('sound'), ['defect-not-repaired']],
  ['a trial after it', REPAIRED, 'cora', prove('sound'), []],
  [
    'a trial without a PIN',
    REPAIRED,
    'cora',
    prove('sound'),
    ['signature-missing'],
    { signed: [] },
  ],
  [
    'a trial by whoever did the repair',
    () => give(REPORTED(), 'cora', repair).record,
    'cora',
    prove('sound'),
    ['defect-own-proof'],
  ],
  ['a trial by somebody without authority', REPAIRED, 'kit', prove('sound'), ['role-missing']],
  ['a trial of what is mended', MENDED, 'cora', prove('sound'), ['defect-mended']],
  ['a guard', REPORTED, 'hana', guard(1), []],
  ['a guard by somebody without authority', REPORTED, 'cora', guard(1), ['role-missing']],
  ['a guard without a PIN', REPORTED, 'hana', guard(1), ['signature-missing'], { signed: [] }],
  ['a guard for no time', REPORTED, 'hana', guard(0), ['defect-until-wrong']],
  ['a guard for the longest time', REPORTED, 'hana', guard(168), []],
  ['a guard for longer', REPORTED, 'hana', guard(168.1), ['defect-until-wrong']],
];

describe('a command about a defect', () => {
  it.each([...ROWS])('%s', (...row) => {
    const [, record, actor, command, codes, more] = row;
    expect(give(record(), actor, command, more).codes).toEqual(codes);
  });

  it('that was tried and is still so stays open, and keeps what was tried', () => {
    const { record } = give(REPAIRED(), 'cora', prove('still'));
    expect(record[0]).toMatchObject({ kind: 'open', failed: [{ by: 'cora' }] });
    expect(listStanding(record)).toHaveLength(1);
    expect(give(record, 'cora', prove('sound')).codes).toEqual(['defect-not-repaired']);
  });

  it('counts until it is proved to be mended, not only repaired', () => {
    expect([REPORTED(), REPAIRED(), MENDED()].map((one) => listStanding(one).length)).toEqual([
      1, 1, 0,
    ]);
  });

  it('about what the drawing has no longer is still mended and proved', () => {
    const without: Plant = {
      ...graph.plant,
      links: graph.plant.links.filter(({ id }) => id !== 'HV-2004'),
    };
    const at = { ...site, graph: buildGraph(without) };
    expect(
      give(give(REPORTED(), 'jun', repair, { at }).record, 'cora', prove('sound'), { at }).codes,
    ).toEqual([]);
  });

  it('has a row for each rule, here or with the jobs that it holds up', () => {
    const ofJobs = [
      'defect-since-plan',
      'defect-breaks-plan',
      'after-defect',
      'label-defect',
      'dead-gauge-proof',
      'critical-unguarded',
      'critical-guard-over',
    ];
    const here = new Set(ROWS.flatMap(([, , , , codes]) => codes));
    const missing = Object.keys(DEFECT_RULES).filter((code) => !here.has(code));
    expect(missing.sort()).toEqual([...ofJobs].sort());
  });
});

describe('a drawing while defects stand', () => {
  const at = START;
  const under = (...told: [string, DefectKind][]) =>
    applyDefects(
      graph,
      told.map(([device, defect], n) => ({ number: n + 1, device, defect, at })),
      graph.plant,
      undefined,
    );
  const strengthOf = (on: typeof graph, id: string) => on.strength[on.linkAt.get(id) ?? -1];

  it.each<[DefectKind, string]>([
    ['passes', 'HV-2004'],
    ['seized', 'HV-2004'],
    ['no-lock-place', 'HV-2004'],
    ['blade-stayed', 'CB-P201'],
  ])('that is said to have a device that %s counts it for nothing', (defect, id) => {
    expect(strengthOf(graph, id)).toBeGreaterThan(0);
    expect(strengthOf(under([id, defect]), id)).toBe(0);
  });

  it('is the same drawing where nothing is wrong but labels', () => {
    expect(under()).toBe(graph);
    expect(under(['HV-2004', 'label'])).toBe(graph);
  });

  it('has no gauge that is dead, and relies on no stuck valve and no blocked drain', () => {
    const on = under(['PG-2001', 'gauge-dead'], ['HV-2002', 'seized'], ['DR-2001', 'plugged']);
    expect(on.plant.gauges.some(({ id }) => id === 'PG-2001')).toBe(false);
    expect(on.surelyOpen[on.linkAt.get('HV-2002') ?? -1]).toBe(0);
    expect(on.outlets[on.outletAt.get('DR-2001') ?? -1]?.plugged).toBe(true);
    // Nothing of the drawing itself was touched.
    expect(graph.plant.gauges.some(({ id }) => id === 'PG-2001')).toBe(true);
  });

  it('is worked out once for the same defects', () => {
    expect(under(['HV-2004', 'passes'])).toBe(under(['HV-2004', 'passes']));
  });

  it('finds a device that was renamed since, from either side', () => {
    const renamed: Plant = {
      ...graph.plant,
      links: graph.plant.links.map((one) => (one.id === 'HV-2004' ? { ...one, id: 'XV-4' } : one)),
      renamed: [{ id: 'HV-2004', now: 'XV-4' }],
    };
    expect(listNamesOn(graph, 'XV-4', renamed)).toContain('HV-2004');
    expect(listNamesOn(buildGraph(renamed), 'HV-2004', renamed)).toContain('XV-4');
    const told = [{ number: 1, device: 'HV-2004', defect: 'passes' as const, at }];
    const now = applyDefects(buildGraph(renamed), told, renamed, undefined);
    expect(strengthOf(now, 'XV-4')).toBe(0);
  });

  it('takes every kind there is', () => {
    for (const kind of DEFECT_KINDS)
      expect(under(['HV-2004', kind]).links).toHaveLength(graph.links.length);
  });
});

describe('the order of defects', () => {
  it('is safety-critical first, then what holds a job up, then what a plan names, then the oldest', () => {
    const line = (number: number, more: Partial<DefectLine>): DefectLine =>
      ({ defect: { number }, jobs: [], isCritical: false, ...more }) as unknown as DefectLine;
    const job = (isHeld: boolean) => ({ job: 'J-0001', title: 'x', isHeld });
    const sorted = sortDefects([
      line(1, {}),
      line(2, { jobs: [job(false)] }),
      line(3, {}),
      line(4, { jobs: [job(false), job(true)] }),
      line(5, { isCritical: true }),
    ]);
    expect(sorted.map(({ defect }) => defect.number)).toEqual([5, 4, 2, 1, 3]);
  });
});
