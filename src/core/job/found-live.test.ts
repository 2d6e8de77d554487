import {
  carryOut,
  deadRound,
  fieldSteps,
  ISSUE,
  PROVED,
  PROVING,
  refusalsOf,
  site,
  START,
  voltageProof,
} from '../../../tests/support/seal-change';
import { computeLamps, listHolding, type DossierState } from '.';

const holding = (state: DossierState) =>
  state ? listHolding(state, { site, now: START }).map(({ code }) => code) : [];
const lampStates = (state: DossierState) =>
  new Set(
    state &&
      computeLamps(state, site)
        .filter(({ kind }) => kind !== 'store')
        .map((lamp) => lamp.state),
  );
const STATION = 'local start station P-201';
describe('a reading that is not dead', () => {
  const live = () =>
    carryOut(
      [
        [
          'elif',
          voltageProof({
            round: deadRound({ readings: { ...deadRound().readings, 'L2-E': -5.1 } }),
          }),
        ],
      ],
      PROVING(),
    );

  it('is kept in the record, proves nothing, and holds everything up until a later one is dead', () => {
    const found = live();
    expect(found?.isolation.foundLive['voltage:P201-CBL']).toMatchObject({
      reading: 5.1,
      by: 'elif',
    });
    expect(found?.isolation.proved).toEqual({});
    expect(holding(found)).toContain('reading-not-dead');
    const dead = carryOut([['elif', voltageProof({})]], found);
    expect(dead?.isolation.foundLive).toEqual({});
    expect(holding(dead)).not.toContain('reading-not-dead');
  });

  it('lights every source again, with the reading in words', () => {
    expect(lampStates(PROVING())).toEqual(new Set(['shuttered']));
    expect(lampStates(live())).toEqual(new Set(['lit']));
    const state = live();
    expect(state && computeLamps(state, site)[0]?.why).toContain('5.1 V was read at P201-CBL');
  });

  it('is kept from a round that was broken off at it, and from one after the line was proved', () => {
    const broken = voltageProof({ round: deadRound({ readings: { 'L1-L2': 400 }, after_v: 0 }) });
    expect(refusalsOf(PROVING(), 'elif', broken)).toEqual([]);
    const later = carryOut([['elif', broken]], PROVED());
    expect(later?.isolation.proved).not.toHaveProperty('voltage:P201-CBL');
    expect(later?.isolation.foundLive).toMatchObject({ 'voltage:P201-CBL': { reading: 400 } });
    expect(lampStates(later)).toEqual(new Set(['lit']));
  });

  it('counts whatever the highest pair reads, not what is said beside it', () => {
    const hidden = voltageProof({
      reading: 0,
      round: deadRound({ readings: { ...deadRound().readings, 'L3-E': 231 } }),
    });
    const state = carryOut([['elif', hidden]], PROVING());
    expect(state?.isolation.foundLive).toMatchObject({ 'voltage:P201-CBL': { reading: 231 } });
  });

  it('keeps a permit from being issued', () => {
    expect(refusalsOf(live(), 'hana', ISSUE)).toContain('reading-not-dead');
  });
});

describe('a try-start that moves something', () => {
  const moved = () =>
    carryOut([['cora', { kind: 'try-start', station: STATION, moved: true }]], PROVED());

  it('is kept in the record and voids every proof taken before', () => {
    const state = moved();
    expect(Object.keys(PROVED()?.isolation.proved ?? {}).length).toBeGreaterThan(0);
    expect(state?.isolation.proved).toEqual({});
    expect(Object.keys(state?.isolation.foundMoving ?? {})).toEqual([STATION]);
    expect(holding(state)).toEqual(expect.arrayContaining(['it-moved', 'not-proved']));
    expect(lampStates(state)).toEqual(new Set(['lit']));
  });

  it('is cleared only by proving again and trying again', () => {
    const field = fieldSteps();
    const again = field.filter(([, one]) => one.kind === 'prove' || one.kind === 'wait-out-store');
    const state = carryOut(
      [...again, ['cora', { kind: 'try-start', station: STATION, moved: false }]],
      moved(),
    );
    expect(holding(state)).not.toContain('it-moved');
  });
});
