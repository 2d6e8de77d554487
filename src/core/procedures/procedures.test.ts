import {
  carryOut,
  DRAFT,
  LIVE,
  PLAN,
  RAISE,
  refusalsOf,
  renamedSite,
  site,
  START,
  WALKED,
} from '../../../tests/support/seal-change';
import type { Dossier, DossierState, SiteFacts } from '../job';
import { buildGraph, type Plant } from '../plant';
import { PROCEDURE_RULES } from '../rules/procedures';
import {
  checkProcedure,
  decideProcedure,
  evolveProcedures,
  findInspectionEnd,
  isHolding,
  listProcedureSigners,
  newestOf,
  NO_PROCEDURES,
  type ProcedureCommand,
  type ProcedureRecord,
} from '.';

const daysOn = (days: number) => new Date(Date.parse(START) + days * 86_400_000).toISOString();
const there = (state: DossierState): Dossier => {
  if (!state) throw new Error('no job');
  return state;
};
const plantWith = (change: (plant: Plant) => Plant): SiteFacts => ({
  ...site,
  plantVersion: 2,
  graph: buildGraph(change(site.graph.plant)),
});

function give(
  record: ProcedureRecord,
  actor: string,
  command: ProcedureCommand,
  more: { at?: SiteFacts; signed?: readonly string[]; state?: DossierState; now?: string } = {},
): { codes: string[]; record: ProcedureRecord } {
  const {
    at = site,
    signed = listProcedureSigners(command, actor),
    state = LIVE(),
    now = START,
  } = more;
  const decision = decideProcedure(record, command, {
    actor,
    now,
    signed: new Set(signed),
    site: at,
    findJob: (id) => (id === 'J-0001' ? { dossier: there(state), site } : undefined),
    findDrawing: () => site.graph,
    listUsers: () => ['finn', 'elif'],
  });
  if (!decision.ok) return { codes: decision.refusals.map(({ code }) => code), record };
  return { codes: [], record: evolveProcedures(record, decision.event, { by: actor, at: now }) };
}

const write = (more: object = {}): ProcedureCommand => ({
  kind: 'write-procedure',
  job: 'J-0001',
  task: 'Seal change',
  note: '',
  ...more,
});
const inspect = (more: object = {}): ProcedureCommand => ({
  kind: 'inspect-procedure',
  procedure: 1,
  users: ['finn'],
  found: 'followed',
  seen: 'every step in order',
  putRight: '',
  ...more,
});
const renew: ProcedureCommand = { kind: 'renew-procedure', procedure: 1, note: 'looked at' };
const withdraw: ProcedureCommand = { kind: 'withdraw-procedure', procedure: 1, why: 'pump gone' };
const WRITTEN = () => give(NO_PROCEDURES, 'ada', write()).record;
const WITHDRAWN = () => give(WRITTEN(), 'ada', withdraw).record;
const OTHER = () =>
  WRITTEN().map((one) => ({
    ...one,
    versions: one.versions.map((version) => ({
      ...version,
      text: { ...version.text, equipment: 'P-202' },
    })) as never,
  }));
const newer = plantWith((plant) => ({ ...plant, name: 'drawn again' }));
const without = plantWith((plant) => ({
  ...plant,
  links: plant.links.filter(({ id }) => id !== 'HV-2004'),
}));

const ROWS: readonly [
  string,
  () => ProcedureRecord,
  string,
  ProcedureCommand,
  string[],
  Parameters<typeof give>[3]?,
][] = [
  ['is written down from a job under permit', () => NO_PROCEDURES, 'ada', write(), []],
  ['not by anybody', () => NO_PROCEDURES, 'kit', write(), ['role-missing']],
  ['not without a PIN', () => NO_PROCEDURES, 'ada', write(), ['signature-missing'], { signed: [] }],
  [
    'not from a job that is not there',
    () => NO_PROCEDURES,
    'ada',
    write({ job: 'J-9999' }),
    ['procedure-job-unknown'],
  ],
  [
    'not from a plan that was never carried out',
    () => NO_PROCEDURES,
    'ada',
    write(),
    ['procedure-not-carried-out'],
    { state: WALKED() },
  ],
  ['as the next version', WRITTEN, 'ada', write({ procedure: 1 }), []],
  [
    'not as the next version of none',
    WRITTEN,
    'ada',
    write({ procedure: 2 }),
    ['procedure-unknown'],
  ],
  [
    'not as the next version of one that was withdrawn',
    WITHDRAWN,
    'ada',
    write({ procedure: 1 }),
    ['procedure-withdrawn'],
  ],
  [
    'not as the next version of another machine',
    OTHER,
    'ada',
    write({ procedure: 1 }),
    ['procedure-other-machine'],
  ],
  ['is inspected by somebody authorised who does not use it', WRITTEN, 'hana', inspect(), []],
  [
    'not by one of those that it is gone through with',
    WRITTEN,
    'hana',
    inspect({ users: ['hana', 'finn'] }),
    ['inspector-uses-it'],
  ],
  ['not by somebody who has worked by it', WRITTEN, 'elif', inspect(), ['inspector-uses-it']],
  ['not by somebody without authority', WRITTEN, 'kit', inspect(), ['role-missing']],
  [
    'not with people who are not there',
    WRITTEN,
    'hana',
    inspect({ users: ['zed'] }),
    ['person-unknown'],
  ],
  [
    'not with a difference that nothing was done about',
    WRITTEN,
    'hana',
    inspect({ found: 'differs' }),
    ['inspection-not-put-right'],
  ],
  [
    'with a difference that was put right',
    WRITTEN,
    'hana',
    inspect({ found: 'differs', putRight: 'crew told' }),
    [],
  ],
  [
    'not of one that is not there',
    WRITTEN,
    'hana',
    inspect({ procedure: 2 }),
    ['procedure-unknown'],
  ],
  ['not of one that was withdrawn', WITHDRAWN, 'hana', inspect(), ['procedure-withdrawn']],
  ['is renewed on a newer drawing on which it holds', WRITTEN, 'ada', renew, [], { at: newer }],
  ['not on the one that it stands on', WRITTEN, 'ada', renew, ['procedure-current']],
  ['not where it no longer holds', WRITTEN, 'ada', renew, ['procedure-fails'], { at: without }],
  ['not by anybody', WRITTEN, 'hana', renew, ['role-missing'], { at: newer }],
  ['is withdrawn', WRITTEN, 'ada', withdraw, []],
  ['not twice', WITHDRAWN, 'ada', withdraw, ['procedure-withdrawn']],
  ['not by anybody', WRITTEN, 'hana', withdraw, ['role-missing']],
];

describe('a command about a procedure', () => {
  it.each([...ROWS])('%s', (...row) => {
    const [, record, actor, command, codes, more] = row;
    expect(give(record(), actor, command, more).codes).toEqual(codes);
  });

  it('keeps the points, the order, the proofs and the way back of what was carried out', () => {
    const [one] = WRITTEN();
    if (!one) throw new Error('nothing written');
    const { text, version } = newestOf(one);
    expect(version).toBe(1);
    expect([...text.plan.close].sort()).toEqual([...PLAN.close].sort());
    expect(text.steps.length).toBeGreaterThan(PLAN.close.length + PLAN.open.length);
    expect(text.proofs.map(({ section }) => section)).toContain('P201-CAS');
    expect(text.restore.map(({ subject }) => subject)).toEqual(expect.arrayContaining(PLAN.close));
    expect(text.tags.map(({ point }) => point)).toEqual(expect.arrayContaining(PLAN.close));
    expect(text.scope.work).toEqual(RAISE.work);
  });

  it('keeps earlier versions as they were', () => {
    const { record } = give(WRITTEN(), 'ada', renew, { at: newer });
    expect(record[0]?.versions.map(({ text }) => text.plantVersion)).toEqual([1, 2]);
  });
});

describe('a procedure on the plant of today', () => {
  const text = () => newestOf(WRITTEN()[0] as never).text;

  it('holds where nothing has changed', () => {
    const check = checkProcedure(text(), site, site.graph);
    expect(isHolding(check)).toBe(true);
    expect(check.changes).toEqual([]);
  });

  it('says what has changed near it, and that a point is gone', () => {
    const check = checkProcedure(text(), without, site.graph);
    expect(check.gone).toEqual(['HV-2004']);
    expect(check.changes[0]?.touches).toBe(true);
    expect(isHolding(check)).toBe(false);
  });

  it('no longer holds while a valve of it passes', () => {
    const worn = plantWith((plant) => ({
      ...plant,
      links: plant.links.map((one) => (one.id === 'HV-2004' ? { ...one, passing: true } : one)),
    }));
    const check = checkProcedure(text(), worn, site.graph);
    expect(check.gone).toEqual([]);
    expect(check.stops.length).toBeGreaterThan(0);
  });

  it('follows what only has another id now', () => {
    const { newest } = renamedSite;
    if (!newest) throw new Error('no newer drawing');
    const at = { ...site, graph: newest.graph, plantVersion: newest.version };
    expect(checkProcedure(text(), at, site.graph).gone).toEqual([]);
  });
});

const TAKEN: readonly [string, object, object, string, string[]][] = [
  ['as it is', { procedure: 1 }, {}, START, []],
  ['on the last day before its inspection', { procedure: 1 }, {}, daysOn(365), []],
  ['after that', { procedure: 1 }, {}, daysOn(365.01), ['procedure-overdue']],
  ['that is not there', { procedure: 2 }, {}, START, ['procedure-unknown']],
  [
    'that was withdrawn',
    { procedure: 1 },
    { withdrawn: 'pump gone' },
    START,
    ['procedure-withdrawn'],
  ],
  [
    'of another machine',
    { procedure: 1 },
    { equipment: 'P-202' },
    START,
    ['procedure-other-machine'],
  ],
  ['none at all', {}, {}, daysOn(400), []],
];

describe('a procedure that a job takes over', () => {
  const known = { number: 1, version: 1, equipment: 'P-201', due: daysOn(365) };
  const raised = () => carryOut([['ada', RAISE]]);
  const codes = (more: object, one: object = {}, now = START) =>
    refusalsOf(
      raised(),
      'ada',
      { ...DRAFT, ...more },
      {
        now,
        site: { ...site, procedures: [{ ...known, ...one }] },
      },
    );

  it.each([...TAKEN])('%s', (_label, more, one, now, expected) => {
    expect(codes(more, one, now)).toEqual(expected);
  });
});

describe('the yearly inspection (29 CFR 1910.147(c)(6)(i): at least annually)', () => {
  it('is due a year after it was written, and a year after it was inspected last', () => {
    const [one] = WRITTEN();
    if (!one) throw new Error('nothing written');
    expect(findInspectionEnd(one, 365)).toBe(daysOn(365));
    const { record } = give(WRITTEN(), 'hana', inspect(), { now: daysOn(100) });
    expect(findInspectionEnd(record[0] as never, 365)).toBe(daysOn(465));
    // A new version is no inspection.
    const again = give(WRITTEN(), 'ada', write({ procedure: 1 }), { now: daysOn(200) }).record;
    expect(findInspectionEnd(again[0] as never, 365)).toBe(daysOn(365));
  });
});

it('every rule about procedures has a row here', () => {
  const here = new Set([
    ...ROWS.flatMap(([, , , , codes]) => codes),
    ...TAKEN.flatMap(([, , , , codes]) => codes),
  ]);
  expect(Object.keys(PROCEDURE_RULES).filter((code) => !here.has(code))).toEqual([]);
});
