import { jobOn, smallPlant } from '../../../../tests/support/small-plant';
import type { Grade, Scope } from '../../plant';
import { planIsolation, type PlanningResult } from './plan';

type Change = Parameters<typeof smallPlant>[0];

function planFor(
  change: Change,
  grades: Record<string, Grade> = {},
  scope?: Scope,
): PlanningResult {
  const { graph, requirement } = jobOn(smallPlant(change), scope, grades);
  return planIsolation(graph, requirement);
}

const measuresOf = (result: PlanningResult) =>
  result.answers.effort.extra_measures.map((measure) =>
    measure.kind === 'grade-lowered'
      ? [measure.subject, measure.from, measure.to]
      : [measure.kind, measure.subject],
  );

describe('when the grade cannot be had', () => {
  it('lowers positive to double-bled, one step, and names the source', () => {
    const result = planFor({}, { SRC: 'positive' });
    expect([result.feasible, result.unmet]).toEqual([false, ['SRC']]);
    expect(measuresOf(result)).toEqual([['SRC', 'positive', 'double-bled']]);
    expect(result.answers.effort.close).toEqual(['CB', 'V1', 'V2']);
    expect(result.answers.effort.open).toEqual(['BL', 'DR']);
  });

  it('lowers further when the bleed between is missing', () => {
    const noBleed = { outlets: { BL: { section: 'SRC' } } };
    const result = planFor(noBleed, { SRC: 'positive' });
    expect(measuresOf(result)).toEqual([['SRC', 'positive', 'double']]);
  });

  it('lowers to one barrier when a valve passes', () => {
    const passing = { links: { V1: { passing: true } } };
    const result = planFor(passing, { SRC: 'double' });
    expect(measuresOf(result)).toEqual([['SRC', 'double', 'single-bled']]);
    expect(result.answers.effort.passes).toBe(false);
  });

  it('offers the plan for the rest where nothing holds a source back, marked as partial, and says what would help', () => {
    const joined = { links: { V1: { passing: true }, V2: { kind: 'joint' } } };
    const result = planFor(joined);
    expect(result.unmet).toContain('SRC');
    expect(measuresOf(result)).toContainEqual(['no-plan', 'SRC']);
    for (const answer of Object.values(result.answers)) {
      expect([answer.close, answer.open, answer.partial, answer.passes]).toEqual([
        ['CB'],
        ['BL'],
        true,
        false,
      ]);
    }
  });

  it('names the electrical source when no earth can be placed', () => {
    const high = { sections: { CBL: { voltage_v: 11000 } }, outlets: { EA: { section: 'BUS' } } };
    const scope: Scope = { work: [{ section: 'CBL', activity: 'touch' }], hours: 1 };
    const result = planFor(high, {}, scope);
    expect([result.feasible, result.unmet]).toEqual([false, ['BUS']]);
    expect(measuresOf(result)).toEqual([['earth-not-placed', 'CBL']]);
  });

  it('names a store that its release cannot reach', () => {
    const cutOff = {
      sections: { W: { stores: [{ id: 'ST', kind: 'gas', release: 'EX' }] } },
      outlets: { EA: { id: 'EX', section: 'SRC', kind: 'vent', leads_to: 'safe' } },
    };
    const result = planFor(cutOff);
    expect(result.feasible).toBe(false);
    expect(measuresOf(result)).toEqual([['store-not-released', 'ST']]);
  });
});

describe('stages', () => {
  const spool = { links: { V2: { kind: 'spool' } } };
  const enter: Scope = { work: [{ section: 'W', activity: 'enter' }], hours: 8 };

  it('has none where nothing is fitted into an opened line', () => {
    const result = planFor({});
    expect(result.answers.effort.stages).toEqual([]);
  });

  it('fits a spool under a valved isolation of the work and both its ends', () => {
    const result = planFor(spool, {}, enter);
    const [valved, final] = result.answers.effort.stages;
    expect([valved?.name, valved?.fits, valved?.passes]).toEqual(['valved', ['V2'], true]);
    expect(valved?.close).toContain('V1');
    expect(valved?.close).not.toContain('V2');
    expect([final?.name, final?.passes]).toEqual(['final', true]);
  });

  it('needs none for a blind that already stands closed, nor for a withdrawn breaker', () => {
    const swung = { links: { V2: { kind: 'spectacle-blind', normal: 'closed' } } };
    expect(planFor(swung, {}, enter).answers.effort.stages).toEqual([]);
    const drawn = {
      links: {
        V2: { kind: 'spectacle-blind', normal: 'closed' },
        CB: { kind: 'withdrawn-breaker' },
      },
    };
    expect(planFor(drawn, {}, enter).answers.effort.stages).toEqual([]);
  });

  it('says what is short when the valved isolation cannot be had', () => {
    const result = planFor(
      { links: { V2: { kind: 'spool' }, V1: { lockable: false } } },
      {},
      enter,
    );
    expect(result.feasible).toBe(true);
    const valved = result.answers.effort.stages[0];
    expect(valved?.passes).toBe(false);
    expect(valved?.extra_measures.map(({ kind, subject }) => [kind, subject])).toContainEqual([
      'no-plan',
      'SRC',
    ]);
  });
});
