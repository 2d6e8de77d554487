import { deadRound } from '../../../tests/support/seal-change';
import { ARRANGEMENT_NAMES, judgeRound, listPairs, SHOWS_LIVE_V } from './electrical-round';
import { countTestPairs } from './limits';

describe('listPairs', () => {
  it('names every pair of conductors and earth once: n(n - 1)/2', () => {
    expect(listPairs('single-phase')).toEqual(['L-N', 'L-E', 'N-E']);
    expect(listPairs('three-wire')).toEqual(['L1-L2', 'L1-L3', 'L1-E', 'L2-L3', 'L2-E', 'L3-E']);
    for (const arrangement of ARRANGEMENT_NAMES) {
      const pairs = listPairs(arrangement);
      const ends = new Set(pairs.flatMap((pair) => pair.split('-')));
      expect([arrangement, new Set(pairs).size]).toEqual([arrangement, countTestPairs(ends.size)]);
    }
    expect(listPairs('four-wire')).toHaveLength(10);
  });
});

describe('judgeRound', () => {
  it('finds a line dead when every pair is, and the tester shows its source before and after', () => {
    expect(judgeRound(deadRound())).toMatchObject({
      missing: [],
      foreign: [],
      unproved: [],
      isDead: true,
    });
  });

  it('finds the blade that stayed in, whichever way round it reads', () => {
    for (const pair of listPairs('three-wire')) {
      for (const volts of [231, -231, 5.1]) {
        const readings = { ...deadRound().readings, [pair]: volts };
        const verdict = judgeRound(deadRound({ readings }));
        expect(verdict.isDead).toBe(false);
        expect(verdict.worst).toEqual({ pair, volts: Math.abs(volts) });
      }
    }
  });

  it('names every pair that was skipped, and those that the line does not have', () => {
    const rest = Object.fromEntries(
      Object.entries(deadRound().readings).filter(([pair]) => pair !== 'L1-L3'),
    );
    const verdict = judgeRound(deadRound({ readings: { ...rest, 'L1-N': 0 } }));
    expect(verdict.missing).toEqual(['L1-L3']);
    expect(verdict.foreign).toEqual(['L1-N']);
    expect(judgeRound(deadRound({ readings: {} }))).toMatchObject({
      missing: listPairs('three-wire'),
      isDead: false,
    });
  });

  it('says when the tester failed on its source', () => {
    const failed = judgeRound(deadRound({ before_v: SHOWS_LIVE_V, after_v: 0 }));
    expect(failed.unproved).toEqual([{ when: 'after', read: 0 }]);
    expect(judgeRound(deadRound({ before_v: -690 })).unproved).toEqual([]);
  });
});
