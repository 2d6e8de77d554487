import { carryOut, site, START, WALKED, type Step } from '../../../tests/support/seal-change';
import { listNextUp } from '../watch';
import { describeSheets, findStage, viewRunUp, type Command, type Dossier } from '.';

const at = (minutes: number) => new Date(Date.parse(START) + minutes * 60_000).toISOString();
const plan = (step: string, minutes: number, after: string[] = []): Step => [
  'cora',
  { kind: 'plan-run-up', step, what: `step ${step}`, of: 'plant', who: 'dov', minutes, after },
];
const HOUR: Command = { kind: 'schedule-job', from: at(180), until: at(480), operator: 'cora' };
const there = (steps: readonly Step[], now?: string): Dossier => {
  const state = carryOut(steps, WALKED(), now);
  if (!state) throw new Error('no job');
  return state;
};
const PLANNED: Step[] = [['ada', HOUR], plan('B1', 60), plan('B2', 30, ['B1'])];
const done = (step: string): Step[] => [
  ['dov', { kind: 'begin-run-up', step }],
  ['dov', { kind: 'finish-run-up', step, seen: 'empty' }],
];
const next = (dossier: Dossier, now: string) =>
  listNextUp('J-0001', dossier, findStage(dossier, site), site, now)
    .filter(({ what }) => what.includes('stop'))
    .map(({ what, who, at: when }) => [what, who, when]);

describe('the hour of a stop', () => {
  it('costs what the outage of the plan costs, for as long as it slips', () => {
    const dossier = there(PLANNED);
    const view = (minutes: number) => viewRunUp(dossier, site, at(minutes));
    const outage = view(0)?.outage ?? 0;
    expect(outage).toBeGreaterThan(0);
    expect([view(90)?.slip_min, view(90)?.lateCost]).toEqual([0, 0]);
    expect([view(120)?.slip_min, view(120)?.lateCost]).toEqual([30, Math.round(outage / 2)]);
  });

  it('has no times before it is agreed, or with nothing to do', () => {
    expect(viewRunUp(there([]), site, START)).toBeUndefined();
    expect(viewRunUp(there([['ada', HOUR]]), site, START)).toBeUndefined();
  });

  it('is not counted on once it was called', () => {
    const called: Step = ['cora', { kind: 'call-window', call: 'ready', whom: 'ada', said: 'yours' }]; // prettier-ignore
    const dossier = there([...PLANNED, ...done('B1'), ...done('B2'), called]);
    expect(viewRunUp(dossier, site, at(900))).toMatchObject({ slip_min: 0, isCalled: true });
    expect(next(dossier, at(900))).toEqual([]);
  });

  it('tells whoever is next by when they begin, and what slips', () => {
    const dossier = there(PLANNED);
    const dov = site.people.get('dov')?.name;
    expect(next(dossier, at(0))).toEqual([['before the stop: begin step B1', dov, at(90)]]);
    expect(next(dossier, at(120))).toEqual([
      ['before the stop: begin step B1; the stop slips 30 min', dov, at(90)],
    ]);
    const begun = there([...PLANNED, ...done('B1')]);
    expect(next(begun, at(0))).toEqual([['before the stop: begin step B2', dov, at(150)]]);
    const ready = there([...PLANNED, ...done('B1'), ...done('B2')]);
    expect(next(ready, at(0))).toEqual([
      ['call that the plant is ready to be stopped', 'area operator', at(180)],
    ]);
  });

  it('is on paper with every step, who does it and the calls', () => {
    const sheets = describeSheets(there(PLANNED), { site, job: 'J-0001', now: START, copy: undefined }); // prettier-ignore
    const sheet = sheets.find(({ title }) => title === 'Before the stop');
    expect(sheet?.banner).toBe('Stop at 2026-11-24 10:00 UTC');
    expect(JSON.stringify(sheet)).toContain('step B2');
    expect(describeSheets(there([]), { site, job: 'J-0001', now: START, copy: undefined }).some(({ title }) => title === 'Before the stop')).toBe(false); // prettier-ignore
  });

  it('is given over anew for another scope', () => {
    const called: Step = ['cora', { kind: 'call-window', call: 'ready', whom: 'ada', said: 'yours' }]; // prettier-ignore
    const scope: Step = ['ada', { kind: 'change-scope', work: [{ section: 'P201-NOZ', activity: 'open' }], hours: 2, reason: 'worn' }]; // prettier-ignore
    const dossier = there([...PLANNED, ...done('B1'), ...done('B2'), called, scope]);
    expect(dossier.calls).toEqual({});
    expect(dossier.runUp).toHaveLength(2);
  });
});
