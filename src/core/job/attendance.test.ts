import {
  carryOut,
  fieldSteps,
  ISSUED,
  PROVING,
  refusalsOf,
  site,
  USABLE,
  type Step,
} from '../../../tests/support/seal-change';
import { standAt } from './attendance';
import { listHolding } from './stage';
import { computeLamps } from './lamps';
import type { DossierState } from './state';
import { viewDossier } from './view';

/** The isolation was last attended at 07:00. */
const at = (time: string) => `2026-11-24T${time}:00.000Z`;
const ON: Step = ['hana', { kind: 'sign-on', person: 'kit', lock: 'W-02' }];
const OFF: Step = ['kit', { kind: 'sign-off', person: 'kit', lock: 'W-02' }];

const holding = (state: DossierState, now: string) =>
  state ? listHolding(standAt(state, now), { site, now }).map(({ code }) => code) : [];
const lamps = (state: DossierState, now: string) =>
  new Set(state && computeLamps(standAt(state, now), site).map((lamp) => lamp.state));
const PROOFS = () =>
  fieldSteps().filter(([, { kind }]) => kind === 'prove' || kind === 'try-start');

describe('an isolation that is left alone', () => {
  it('counts for an hour, and then no longer', () => {
    const state = carryOut(ISSUED());
    expect(refusalsOf(state, ...ON, { now: at('08:00') })).toEqual([]);
    expect(lamps(state, at('08:00'))).toEqual(new Set(['dark']));
    expect(refusalsOf(state, ...ON, { now: at('08:01') })).toEqual([
      'left-unattended',
      'not-proved',
      'not-tried',
    ]);
    expect(lamps(state, at('08:01'))).toEqual(new Set(['lit', 'shuttered']));
    const view = state && viewDossier(state, site, at('08:01'));
    expect(state && viewDossier(state, site, at('07:30')).proofsEnd).toBe(at('08:00'));
    expect(view?.holding[0]?.says).toContain('since 2026-11-24 07:00 UTC for more than 60 min');
    expect(view?.steps.filter(({ done }) => !done).map(({ phase }) => phase)).toEqual(
      PROOFS().map(([, { kind }]) => (kind === 'prove' ? 'prove' : 'try-start')),
    );
  });

  it('is attended as long as anyone is signed on, and for an hour after the last is off', () => {
    const on = carryOut([...ISSUED(), ON]);
    expect(lamps(on, at('11:00'))).toEqual(new Set(['dark']));
    expect(on && viewDossier(on, site, at('11:00')).proofsEnd).toBeUndefined();
    const off = carryOut([OFF], on, at('11:00'));
    expect(refusalsOf(off, ...ON, { now: at('12:00') })).toEqual([]);
    expect(refusalsOf(off, ...ON, { now: at('12:01') })).toContain('left-unattended');
  });

  it('holds again once every proof has been taken again, and not before', () => {
    const state = carryOut(ISSUED());
    const proofs = PROOFS();
    const some = carryOut(proofs.slice(0, -1), state, at('09:00'));
    expect(refusalsOf(some, ...ON, { now: at('09:05') })).toEqual(
      expect.arrayContaining(['left-unattended']),
    );
    const all = carryOut(proofs, state, at('09:00'));
    expect(lamps(all, at('09:05'))).toEqual(new Set(['dark']));
    expect(refusalsOf(all, ...ON, { now: at('09:05') })).toEqual([]);
  });

  it('keeps what was found out in a gap: a step after it does not bring old proofs back', () => {
    const proving = carryOut([...USABLE, ...fieldSteps().slice(0, -1)]);
    expect(proving && Object.keys(proving.isolation.proved).length).toBeGreaterThan(0);
    const boxed = carryOut(fieldSteps().slice(-1), proving, at('09:00'));
    expect(boxed?.isolation.proved).toEqual({});
    expect(holding(boxed, at('09:01'))).toContain('left-unattended');
  });

  it('has nothing to lose before anything was proved, and keeps its locks', () => {
    const locked = PROVING();
    expect(locked && standAt(locked, at('23:00'))).toBe(locked);
    const state = carryOut(ISSUED());
    const left = state && standAt(state, at('23:00'));
    expect(left?.isolation.locked).toEqual(state?.isolation.locked);
    expect(left?.isolation.box).toEqual(state?.isolation.box);
  });
});
