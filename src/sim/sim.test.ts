import {
  carryOut,
  fieldSteps,
  fieldStepsOf,
  PROVING,
  refusalsOf,
  site,
  START,
  STOPPED,
  WALKED,
} from '../../tests/support/seal-change';
import { walkedDown } from '../../tests/support/any-job';
import { findWorkOrder, type Command, type DossierState } from '../core/job';
import { judgeRound, type ProofDemand } from '../core/proving';
import { lookAt, openCabinet, readPositions, readProof, takeFirst, tryStart, type Fault } from '.';

const TESTING = { arrangement: 'three-wire', instrument: 'VT-11', source_v: 690 } as const;
const after = (seconds: number) => Date.parse(START) + seconds * 1000;

function look(state: DossierState, faults: readonly Fault[] = [], seconds = 0) {
  if (!state) throw new Error('no job');
  return lookAt(site.graph, readPositions([state.isolation]), faults, after(seconds));
}
function proofOf(state: DossierState, id: string): ProofDemand {
  const proof = state && findWorkOrder(state, site)?.proofs.find((one) => one.id === id);
  if (!proof) throw new Error(`no proof ${id}`);
  return proof;
}
const read = (state: DossierState, id: string, faults: readonly Fault[] = [], seconds = 0) =>
  readProof(look(state, faults, seconds), proofOf(state, id), TESTING);

describe('the stand-in plant', () => {
  const CABLE = 'voltage:P201-CBL';
  const CASING = 'pressure:P201-CAS';

  it('shows 400 V between phases and 231 V to earth before anything is switched off', () => {
    const { readings = {} } = read(WALKED(), CABLE).round ?? {};
    expect(readings).toEqual({
      'L1-L2': 400,
      'L1-L3': 400,
      'L1-E': 230.9,
      'L2-L3': 400,
      'L2-E': 230.9,
      'L3-E': 230.9,
    });
  });

  it('is dead on every pair once everything is locked, and that round passes', () => {
    const { round } = read(PROVING(), CABLE);
    expect(round && judgeRound(round)).toMatchObject({ isDead: true, missing: [], unproved: [] });
  });

  it('keeps one phase in where a blade stuck: only the pairs with it show it', () => {
    const stuck: Fault = { kind: 'stuck-blade', item: 'CB-P201', conductor: 'L2' };
    const { round } = read(PROVING(), CABLE, [stuck]);
    expect(round?.readings).toEqual({
      'L1-L2': 230.9,
      'L1-L3': 0,
      'L1-E': 0,
      'L2-L3': 230.9,
      'L2-E': 230.9,
      'L3-E': 0,
    });
    expect(round && judgeRound(round).isDead).toBe(false);
  });

  it('is not proved dead by a tester with an empty battery, although it reads nothing', () => {
    const { round } = read(PROVING(), CABLE, [{ kind: 'dead-tester', item: 'VT-11' }]);
    const prove: Command = {
      kind: 'prove',
      proof: CABLE,
      reading: 0,
      unit: 'V',
      instrument: 'VT-11',
      round: round as never,
    };
    expect(refusalsOf(PROVING(), 'elif', prove)).toEqual([
      'tester-not-proved',
      'tester-not-proved',
    ]);
  });

  it('stays under pressure until it is drained, and then shows nothing', () => {
    const locked = carryOut(
      fieldSteps().filter(([, { kind }]) => kind === 'lock-point'),
      STOPPED(),
    );
    expect(read(locked, CASING)).toMatchObject({ reading: 2, seen: ['no-flow'] });
    expect(read(PROVING(), CASING)).toEqual({
      reading: 0,
      seen: ['bleed-clear', 'no-flow', 'no-level'],
    });
  });

  it('shows a plugged drain by its pressure, and that nothing ever came out', () => {
    // The bleed behind the check valve lets the casing down as well: a check valve opens that way.
    const plugged = ['DR-2002', 'BL-2003'].map((item): Fault => ({ kind: 'plugged', item }));
    const found = read(PROVING(), CASING, plugged);
    expect(found.reading).toBe(2);
    expect(found.seen).not.toContain('bleed-clear');
  });

  it('shows a passing valve by what runs from the bleed behind it, and the next valve still holds', () => {
    const passing: Fault = { kind: 'passing', item: 'HV-2001' };
    const between = read(PROVING(), 'pressure:P201-SUC', [passing]);
    expect(between.reading).toBeGreaterThan(0);
    expect(between.seen).not.toContain('no-flow');
    expect(read(PROVING(), CASING, [passing]).reading).toBe(0);
    const both = read(PROVING(), CASING, [passing, { ...passing, item: 'HV-2002' }]);
    expect(both.reading).toBeGreaterThan(0);
  });

  it('runs down by the friction of its rotor: 0.9 kg m² at 152 rad/s against 2.4 N m is still after 57 s', () => {
    const stopped = carryOut(fieldSteps().slice(0, 2), WALKED(), START, 0);
    const speedAt = (seconds: number) => read(stopped, 'motion:P201-PSH', [], seconds).reading;
    expect([speedAt(0), speedAt(28.5), speedAt(56.9) > 0, speedAt(57)]).toEqual([
      1451,
      726,
      true,
      0,
    ]);
  });

  it('starts from its station until it is switched off, and hums on two phases', () => {
    const station = 'local start station P-201';
    const stuck = (conductor: 'L1' | 'L2'): Fault => ({
      kind: 'stuck-blade',
      item: 'CB-P201',
      conductor,
    });
    expect(tryStart(look(WALKED()), station)).toBe(true);
    expect(tryStart(look(PROVING()), station)).toBe(false);
    expect(tryStart(look(PROVING(), [stuck('L1')]), station)).toBe(false);
    expect(tryStart(look(PROVING(), [stuck('L1'), stuck('L2')]), station)).toBe(true);
  });

  it('lets gas down along the curve of the let-down formulas, to what they stop at when they say so', () => {
    const walked = walkedDown([{ section: 'CF-1', activity: 'open' }]);
    const steps = fieldStepsOf(walked);
    const first = steps.findIndex(([, { kind }]) => kind === 'wait-out-store' || kind === 'prove');
    const vented = carryOut(steps.slice(0, first), walked, START, 0);
    const vents =
      walked && findWorkOrder(walked, site)?.steps.find(({ subject }) => subject === 'VT-CF1');
    const wait = vents?.wait_s ?? 0;
    expect(vents?.phase).toBe('let-down');
    const barAt = (seconds: number) => read(vented, 'pressure:CF-1', [], seconds).reading;
    expect(barAt(0)).toBe(0.03);
    expect(barAt(wait / 4)).toBeGreaterThan(barAt(wait / 2));
    expect(barAt(wait / 2)).toBeGreaterThan(0.003);
    expect(barAt(wait * 1.2)).toBeLessThanOrEqual(0.003);
  });
});

describe('the stand-in key cabinet', () => {
  it('gives the first lock that is there, of the kind that is asked for', () => {
    const slots = openCabinet(site.locks.values(), 'point', (lock) => lock === 'E-01', [
      { kind: 'key-gone', item: 'E-02' },
    ]);
    expect(slots.slice(0, 3)).toEqual([
      { lock: 'E-01', holds: 'nothing: it hangs' },
      { lock: 'E-02', holds: 'nothing: key gone' },
      { lock: 'E-03', holds: 'lock-and-key' },
    ]);
    expect([takeFirst(slots, 'E'), takeFirst(slots, 'P')]).toEqual(['E-03', 'P-01']);
    expect(takeFirst(slots, 'Z')).toBeUndefined();
  });
});
