import type { Command, DossierState, SiteFacts } from '../../../src/core/job';
import type { KitRow, PressureRow } from '../../../src/core/kit/kit';
import {
  APPROVED,
  carryOut,
  ISSUE,
  ISSUED_WITH,
  LIVE,
  PROVING,
  restoreSteps,
  HANDED_BACK,
  site,
  voltageProof,
  type RefusalRow,
} from '../seal-change';

const UNTIL = '2028-06-30T00:00:00.000Z';
const withKit = (...kit: KitRow[]): { site: SiteFacts } => ({
  site: { ...site, kit: [...(site.kit ?? []), ...kit] },
});
const withPressure = (...pressure: PressureRow[]): { site: SiteFacts } => ({
  site: { ...site, pressure: [...(site.pressure ?? []), ...pressure] },
});
const GLOVES: KitRow = { id: 'GL-1', name: 'Gloves', kind: 'gloves', rated_v: 1000, testedUntil: UNTIL }; // prettier-ignore
const TIPS: SiteFacts = {
  ...site,
  instruments: new Map(
    [...site.instruments].map(([id, one]) => [
      id,
      id === 'VT-14' ? { ...one, tip_mm: 2, guarded: true, fused: true } : one,
    ]),
  ),
};
const probes = (tip_mm: number, more: object = {}): { site: SiteFacts } => {
  const tester = site.instruments.get('VT-11');
  if (!tester) throw new Error('no tester');
  const fitted = { ...tester, tip_mm, guarded: true, fused: true, ...more };
  return { site: { ...site, instruments: new Map([...site.instruments, ['VT-11', fitted]]) } };
};
const check = (kit: string[], air = true): Command => ({
  kind: 'check-kit',
  kit,
  air,
  seen: 'sound',
});
const joints = (all: number, lashed: number): Command => ({
  kind: 'count-joints',
  joints: all,
  lashed,
  fixed: 'the rail',
});
const PROOF = voltageProof({});
const mark = (by = 'elif', at = '2026-11-24T07:00:00.000Z') => ({ by, at, seen: 'sound' });
/** The same job, with kit that was looked at. */
const looked = (
  state: DossierState,
  kitChecks: Record<string, ReturnType<typeof mark>>,
): DossierState => state && { ...state, kitChecks };
const HOSE = () => looked(APPROVED(), { 'PE-HO2': mark('jun') });
const LIFT = () => ISSUED_WITH('lift');
const SIGN_ON: Command = { kind: 'sign-on', person: 'kit', lock: 'W-02' };
/** A vessel on the drawing, whose inspection is over. */
const at = (place: string): PressureRow => ({
  id: 'PE-9',
  name: 'Relief',
  of: 'relief-valve',
  at: place,
  inspectedAt: '2024-01-01T00:00:00.000Z',
});
const STARTING = () => {
  const freed = carryOut(HANDED_BACK, LIVE());
  const steps = restoreSteps(freed);
  const start = steps.findIndex(([, { kind }]) => kind === 'see-start');
  return { state: carryOut(steps.slice(0, start), freed), start: steps[start]?.[1] as Command };
};

/** Steps about kit and pressure equipment that are refused, with the codes. */
export const KIT_ROWS: RefusalRow[] = [
  ['kit looked at', LIVE, 'kit', check(['HA-1']), []],
  ['kit that nobody registered', LIVE, 'kit', check(['HA-9']), ['kit-unknown']],
  ['kit out of date', LIVE, 'kit', check(['HA-2']), ['kit-out-of-date']],
  ['kit out of use', LIVE, 'kit', check(['RA-5']), ['kit-unsafe']],
  ['kit without a date', LIVE, 'kit', check(['SL-9']), ['kit-undated'], withKit({ id: 'SL-9', name: 'Sling', kind: 'sling' })],
  ['gloves that were not blown up', LIVE, 'elif', check(['GL-1'], false), ['kit-no-air-test'], withKit(GLOVES)],
  ['gloves that were', LIVE, 'elif', check(['GL-1']), [], withKit(GLOVES)],
  ['a hose that is unsafe, overdue and untested', LIVE, 'kit', check(['PE-HO3']), ['pressure-unsafe', 'pressure-inspect']],
  ['taken out of use', LIVE, 'kit', { kind: 'fail-kit', kit: 'HA-1', seen: 'frayed' }, []],
  ['taken out of use, and never registered', LIVE, 'kit', { kind: 'fail-kit', kit: 'HA-9', seen: 'frayed' }, ['kit-unknown']],
  ['proved where no gloves are registered', PROVING, 'elif', PROOF, []],
  ['proved with gloves that nobody looked at', PROVING, 'elif', PROOF, ['kit-missing'], withKit(GLOVES)],
  ['proved with gloves that somebody else looked at', () => looked(PROVING(), { 'GL-1': mark('hana') }), 'elif', PROOF, ['kit-missing'], withKit(GLOVES)],
  ['proved with gloves rated for less', () => looked(PROVING(), { 'GL-1': mark() }), 'elif', PROOF, ['kit-underrated'], withKit({ ...GLOVES, rated_v: 300 })],
  ['proved with one pair rated for less, and one for enough', () => looked(PROVING(), { 'GL-1': mark(), 'GL-2': mark() }), 'elif', PROOF, [], withKit({ ...GLOVES, rated_v: 300 }, { ...GLOVES, id: 'GL-2' })],
  ['proved with gloves that went out of use since', () => looked(PROVING(), { 'GL-1': mark() }), 'elif', PROOF, ['kit-unsafe'], withKit({ ...GLOVES, unsafe: 'a hole' })],
  ['proved with gloves', () => looked(PROVING(), { 'GL-1': mark() }), 'elif', PROOF, [], withKit(GLOVES)],
  ['proved with a tester whose tip nobody measured', PROVING, 'elif', PROOF, ['tester-probes'], { site: TIPS }],
  ['proved with a tip at the limit', PROVING, 'elif', PROOF, [], probes(4)],
  ['proved with a tip above it', PROVING, 'elif', PROOF, ['tester-probes'], probes(4.1)],
  ['proved with probes that have no guard', PROVING, 'elif', PROOF, ['tester-probes'], probes(2, { guarded: false })],
  ['proved with leads that are not fused', PROVING, 'elif', PROOF, ['tester-probes'], probes(2, { fused: undefined })],
  ['signed on under a sling that somebody looked at', LIFT, 'hana', SIGN_ON, []],
  ['signed on under one that nobody looked at', () => looked(LIFT(), {}), 'hana', SIGN_ON, ['kit-missing']],
  ['signed on under one looked at too long ago', () => looked(LIFT(), { 'SL-1': mark('jun', '2026-11-23T18:59:59.000Z') }), 'hana', SIGN_ON, ['kit-missing']],
  ['signed on under one looked at just in time', () => looked(LIFT(), { 'SL-1': mark('jun', '2026-11-23T19:00:00.000Z') }), 'hana', SIGN_ON, []],
  ['issued with a hose whose joints nobody counted', HOSE, 'hana', ISSUE, ['joints-uncounted']],
  ['issued once they are counted', () => carryOut([['jun', joints(3, 3)]], HOSE()), 'hana', ISSUE, []],
  ['a joint that is not lashed', HOSE, 'jun', joints(3, 2), ['joint-unlashed']],
  ['no joint at all', HOSE, 'jun', joints(0, 0), []],
  ['joints counted by a worker', HOSE, 'kit', joints(3, 3), ['role-missing']],
  ['issued with a point whose inspection is over', APPROVED, 'hana', ISSUE, ['pressure-inspect'], withPressure(at('DR-2004'))],
  ['issued where what is overdue is at the work itself', APPROVED, 'hana', ISSUE, [], withPressure(at('P-201'))],
  ['started where what is overdue is at the work itself', () => STARTING().state, 'cora', STARTING().start, ['pressure-inspect'], withPressure(at('P-201'))],
  ['started where nothing is', () => STARTING().state, 'cora', STARTING().start, []],
  ['a vessel altered, untested and without its paper', LIVE, 'kit', check(['PE-8']), ['pressure-altered', 'pressure-certificate'], withPressure({ id: 'PE-8', name: 'Vessel', of: 'vessel', portable: true, inspectedAt: '2026-11-01T00:00:00.000Z', alteredAt: '2026-11-02T00:00:00.000Z' })],
  ['a vessel whose test is over', LIVE, 'kit', check(['PE-8']), ['pressure-test-due'], withPressure({ id: 'PE-8', name: 'Vessel', of: 'vessel', portable: true, certificate: 'C-1', inspectedAt: '2026-11-01T00:00:00.000Z', testedAt: '2023-11-01T00:00:00.000Z' })],
]; // prettier-ignore
