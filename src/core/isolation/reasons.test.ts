import { jobOn, planOf, smallPlant } from '../../../tests/support/small-plant';
import { explainPoints } from './reasons';

const explain = (plan: ReturnType<typeof planOf>) => {
  const { graph, requirement } = jobOn(smallPlant(), undefined, { SRC: 'double-bled' });
  return explainPoints(graph, requirement, plan);
};

describe('explainPoints', () => {
  it('says for each point which source, which grade and which rule it is there for', () => {
    const points = explain(planOf(['V1', 'V2', 'CB'], ['BL', 'DR']));
    expect(
      points.map(({ id, reasons }) => [id, reasons.map(({ code, subject }) => [code, subject])]),
    ).toEqual([
      ['V1', [['double-bled-not-met', 'SRC']]],
      ['V2', [['double-bled-not-met', 'SRC']]],
      ['CB', [['source-reaches-work', 'BUS']]],
      ['BL', [['double-bled-not-met', 'SRC']]],
      ['DR', [['work-not-bled', 'W']]],
    ]);
    const first = points[0]?.reasons.find(({ subject }) => subject === 'SRC');
    expect(first?.grade).toBe('double-bled');
    expect(first?.because?.join()).toContain('raised by hand');
  });

  it('gives no reason for a point that is not needed', () => {
    const points = explain(planOf(['V1', 'V2', 'CB', 'SB'], ['BL', 'DR']));
    expect(points.find(({ id }) => id === 'SB')?.reasons).toEqual([]);
  });
});
