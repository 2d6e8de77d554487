import { jobOn, planOf, smallPlant } from '../../../tests/support/small-plant';
import type { Scope } from '../plant';
import { DEFAULT_VALUES } from '../rules/values';
import { saySeen } from './beside';
import { listProofs } from './proofs';

type Change = Parameters<typeof smallPlant>[0];
const proofs = (change: Change, close: string[], open: string[], scope?: Scope) => {
  const { graph, requirement } = jobOn(smallPlant(change), scope);
  return listProofs(graph, requirement, planOf(close, open));
};

describe('listProofs', () => {
  it('asks for voltage on the cable and pressure at the work', () => {
    const found = proofs({}, ['V2', 'CB'], ['DR']);
    expect(found.map(({ id, gauges }) => [id, gauges])).toEqual([
      ['pressure:W', ['PG']],
      ['voltage:CBL', []],
    ]);
  });

  it('asks for the bleed between two barriers as well', () => {
    expect(proofs({}, ['V1', 'V2', 'CB'], ['BL', 'DR']).map(({ id }) => id)).toContain(
      'pressure:MID',
    );
  });

  it.each([
    [60, false],
    [60.5, true],
  ])('asks for temperature above 60 °C (%d °C)', (temperature_c, wanted) => {
    const ids = proofs({ sections: { W: { temperature_c } } }, ['V2', 'CB'], ['DR']).map(
      ({ id }) => id,
    );
    expect(ids.includes('temperature:W')).toBe(wanted);
  });

  it('speaks for all that is open to the gauge, and not for what is locked off', () => {
    const found = proofs({}, ['V2', 'CB'], ['DR']).find(({ kind }) => kind === 'pressure');
    expect(found?.covers).toEqual(['END', 'W']);
  });

  it('asks that what stays live beside conductors that are worked on is screened off', () => {
    const seesOf = (scope: Scope | undefined) =>
      proofs({}, ['V2', 'CB'], ['DR'], scope).find(({ kind }) => kind === 'voltage')?.sees;
    expect(seesOf({ work: [{ section: 'CBL', activity: 'touch' }], hours: 1 })).toEqual([
      'live-parts-screened',
    ]);
    expect(seesOf(undefined)).toEqual([]);
  });

  it('names what stays live beside, with its voltage where the drawing gives it', () => {
    const scope: Scope = { work: [{ section: 'CBL', activity: 'touch' }], hours: 1 };
    const beside = (voltage_v?: number) =>
      proofs({ sections: { BUS: { voltage_v } } }, ['V2', 'CB'], ['DR'], scope).find(
        ({ kind }) => kind === 'voltage',
      )?.beside;
    expect(beside(690)).toEqual({ sections: ['BUS'], volts: 690 });
    expect(beside()).toEqual({ sections: ['BUS'] });
  });

  it('asks for no fluid proof where only the cable is touched', () => {
    const scope: Scope = { work: [{ section: 'CBL', activity: 'touch' }], hours: 1 };
    expect(proofs({}, ['V2', 'CB'], [], scope).map(({ kind }) => kind)).toEqual(['voltage']);
  });

  it.each([
    ['a joint', { kind: 'joint' }, true],
    ['a hand valve that stands open', { kind: 'ball-valve' }, true],
    ['a hand valve that stands shut', { kind: 'ball-valve', normal: 'closed' }, false],
    ['a valve worked from afar', { kind: 'ball-valve', operated: 'remote' }, false],
    ['a blind that stands open', { kind: 'spectacle-blind' }, true],
    ['a check valve', { kind: 'check-valve' }, false],
    ['a control valve', { kind: 'control-valve' }, false],
    ['a relief valve', { kind: 'relief-valve' }, false],
    ['the wall of an exchanger', { kind: 'exchanger' }, false],
    ['a pump', { kind: 'pump' }, false],
  ])('lets one reading speak past %s, or not', (_label, link, isOne) => {
    const found = proofs({ links: { SB: link } }, ['V2', 'CB'], ['DR']).filter(
      ({ kind }) => kind === 'pressure',
    );
    expect(found[0]?.covers.includes('END') && found[0].covers.includes('W')).toBe(isOne);
  });
});

describe('what stays live beside the work', () => {
  const say = (volts: number | undefined, more = {}) =>
    saySeen(
      'live-parts-screened',
      { sections: ['BUS'], ...(volts === undefined ? {} : { volts }) },
      { ...DEFAULT_VALUES, ...more },
    );

  it.each<[string, number | undefined, object, string]>([
    ['with both distances', 690, {}, 'stay 3.05 m away, and within 0.31 m it is live work'],
    ['where nothing may be touched', 230, {}, 'stay 3.05 m away, and nobody touches it'],
    [
      'with what the site adds',
      690,
      { 'approach-extra-m': 1 },
      'stay 4.05 m away, and within 1.31 m',
    ],
    ['by one table', 690, { 'approach-table': 'en' }, 'stay 0.3 m away, and nobody touches it'],
    ['above the tables', 400_000, {}, 'no table gives a distance'],
    ['of unknown voltage', undefined, {}, 'nobody knows the distance'],
  ])('is said %s', (_, volts, more, words) => {
    expect(say(volts, more)).toContain(words);
    expect(say(volts, more)).toContain('(BUS) is screened off or out of reach');
  });

  it('is said plainly where nobody knows what it is', () => {
    expect(saySeen('live-parts-screened', undefined, DEFAULT_VALUES)).toBe(
      'what stays live beside it is screened off or out of reach',
    );
    expect(saySeen('no-flow', { sections: ['BUS'] }, DEFAULT_VALUES)).toBe('nothing flows');
  });
});
