import { planRestore, planSequence } from './sequence';
import type { Plant } from '../plant';
import { jobOn, smallPlant } from '../../../tests/support/small-plant';

/** The order in which the points of a plan are moved on the small line, with a shut bypass BP and a breaker pair, under some interlocks. */
function orderOf(
  interlocks: NonNullable<Plant['interlocks']>,
  plan: { close: string[]; open?: string[]; stand?: string[] },
) {
  const plant = smallPlant();
  plant.links.push({ id: 'BP', kind: 'gate-valve', between: ['SRC', 'MID'], normal: 'closed' });
  plant.links.push({ id: 'CB2', kind: 'circuit-breaker', between: ['BUS', 'CBL'] });
  const { graph, requirement } = jobOn({ ...plant, interlocks });
  const whole = { open: [], restrain: [], ...plan };
  const steps = planSequence(graph, requirement, whole);
  const points = new Set([...whole.close, ...whole.open, ...(whole.stand ?? [])]);
  const moves = steps.filter(({ subject }) => points.has(subject));
  return {
    moved: moves.map(({ subject }) => subject),
    words: Object.fromEntries(moves.map(({ subject, words }) => [subject, words])),
    restored: planRestore(steps).map(({ subject }) => subject).filter((one) => points.has(one)), // prettier-ignore
  };
}

const bar = (open: string[], closed: string[], id = 'KI') => ({ id, open, closed });

describe('the order that interlocks ask for', () => {
  it.each<[string, ReturnType<typeof bar>[], Parameters<typeof orderOf>[1], [string, string]]>([
    [
      'a twin is brought in before the other is shut',
      [bar([], ['V1', 'BP'])],
      { close: ['V1'], stand: ['BP'] },
      ['BP', 'V1'],
    ],
    [
      'a bypass is opened only when the main valve is shut',
      [bar(['V1', 'BP'], [])],
      { close: ['V1'], stand: ['BP'] },
      ['V1', 'BP'],
    ],
    [
      'one breaker is opened only after the other',
      [bar(['CB2'], ['CB'])],
      { close: ['CB', 'CB2'] },
      ['CB2', 'CB'],
    ],
    ['and the other way round', [bar(['CB'], ['CB2'])], { close: ['CB', 'CB2'] }, ['CB', 'CB2']],
    [
      'a breaker after a valve, though drives come first',
      [bar(['V1'], ['CB'])],
      { close: ['CB', 'V1'] },
      ['V1', 'CB'],
    ],
    [
      'a valve nearer the work before the one at the supply',
      [bar(['V2'], ['V1'])],
      { close: ['V1', 'V2'] },
      ['V2', 'V1'],
    ],
    [
      'two bars one after the other',
      [bar(['V2'], ['V1'], 'K1'), bar(['V1'], ['CB'], 'K2')],
      { close: ['V1', 'V2', 'CB'] },
      ['V2', 'CB'],
    ],
  ])('%s', (_label, bars, plan, [first, then]) => {
    const { moved, restored } = orderOf(bars, plan);
    expect(moved.indexOf(first)).toBeLessThan(moved.indexOf(then));
    expect(restored.indexOf(then)).toBeLessThan(restored.indexOf(first));
  });

  it('leaves an order alone that no interlock minds', () => {
    const plan = { close: ['V1', 'V2', 'CB'], open: ['DR'] };
    const free = orderOf([], plan);
    expect(orderOf([bar(['V1'], ['BP']), bar(['V2', 'DR'], [], 'K2')], plan)).toEqual(free);
  });

  it('says at the step what it waits for', () => {
    const { words } = orderOf([bar(['V1'], ['CB'])], { close: ['CB', 'V1'] });
    expect(words.CB).toContain('only after V1: the interlock KI asks for it');
  });

  it('says so where the work asks for the other order', () => {
    const { moved, words } = orderOf([bar(['SB', 'DR'], [])], { close: ['SB'], open: ['DR'] });
    expect(moved).toEqual(['DR', 'SB']);
    expect(words.DR).toContain('the interlock KI asks for SB first');
  });
});
