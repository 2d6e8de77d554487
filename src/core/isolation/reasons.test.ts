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

  it('says of each point what it holds back, which of two it is, and which bleed stands between', () => {
    const words = Object.fromEntries(
      explain(planOf(['V1', 'V2', 'CB'], ['BL', 'DR'])).map((point) => [point.id, point.words]),
    );
    expect(words).toEqual({
      V1: 'holds back water (SRC): first of two, before V2 and with BL open between (double-bled)',
      V2: 'holds back water (SRC): second of two, after V1 and with BL open between (double-bled)',
      CB: 'holds back the motor M: the only barrier (single)',
      BL: 'stands open between V1 and V2, for water (SRC)',
      DR: 'lets W down before it is opened',
    });
  });

  it('gives no reason for a point that is not needed', () => {
    const points = explain(planOf(['V1', 'V2', 'CB', 'SB'], ['BL', 'DR']));
    expect(points.find(({ id }) => id === 'SB')).toMatchObject({ reasons: [], words: '' });
  });
});
