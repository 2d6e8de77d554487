import { carryOut, site, START, USABLE } from '../../../tests/support/seal-change';
import { smallPlant } from '../../../tests/support/small-plant';
import { computeRequirement } from '../isolation';
import { DEFAULT_GRADE_POLICY } from '../isolation/policy';
import { buildGraph, STRENGTH_BY_KIND } from '../plant';
import { DEFAULT_VALUES, siteValuesSchema, type SiteValues } from '../rules/values';
import { policyOf, strengthsOf, trustedBy } from './grading';
import { compareRules } from './rules-effect';

const values = (more: Partial<SiteValues>): SiteValues => ({ ...DEFAULT_VALUES, ...more });

/** The grade of the header when W is opened. */
function gradeOf(more: Partial<SiteValues>, change: Parameters<typeof smallPlant>[0] = {}) {
  const scope = { work: [{ section: 'W', activity: 'open' as const }], hours: 8 };
  const graph = buildGraph(smallPlant(change));
  const { demands } = computeRequirement(graph, scope, {}, policyOf(values(more)));
  return demands.find(({ id }) => id === 'SRC');
}

describe('grades as rules of the site', () => {
  it('are those of the table where nothing was set', () => {
    const { version } = DEFAULT_GRADE_POLICY;
    expect({ ...policyOf(DEFAULT_VALUES), version }).toEqual(DEFAULT_GRADE_POLICY);
    expect(strengthsOf(DEFAULT_VALUES)).toEqual(STRENGTH_BY_KIND);
  });

  it('are one object for the same figures, so that nothing is worked out twice', () => {
    expect(policyOf(values({}))).toBe(policyOf(values({})));
    expect(policyOf(values({ 'high-pressure-bar': 5 }))).not.toBe(policyOf(DEFAULT_VALUES));
  });

  it.each<[string, Partial<SiteValues>, Parameters<typeof smallPlant>[0], string]>([
    ['any other fluid', { 'grade-fluid': 'double-bled' }, {}, 'double-bled'],
    ['high pressure begins lower', { 'high-pressure-bar': 1 }, {}, 'double-bled'],
    ['and asks for more', { 'high-pressure-bar': 1, 'grade-pressure': 'positive' }, {}, 'positive'],
    ['a poison', { 'grade-lethal': 'positive' }, { medium: { hazards: ['toxic'] } }, 'positive'],
    ['for a long job', { 'long-job-h': 8 }, { medium: { hazards: ['toxic'] } }, 'double-bled'],
    [
      'an acid',
      { 'grade-harmful': 'positive' },
      { medium: { hazards: ['corrosive'] } },
      'positive',
    ],
    ['hot', { 'hot-liquid-c': 40, 'grade-temperature': 'positive' }, { sections: { SRC: { temperature_c: 45 } } }, 'positive'], // prettier-ignore
  ])('%s', (...[, more, change, wanted]) => {
    expect(gradeOf(more, change)?.grade).toBe(wanted);
  });

  it('show a stricter score beside the table, and count it where the site wants the stricter', () => {
    const plain = gradeOf({}, { sections: { SRC: { pressure_bar: 9 }, W: { pressure_bar: 9 } } });
    expect(plain).toMatchObject({ grade: 'single-bled' });
    const poison = { medium: { hazards: ['toxic' as const] }, sections: { SRC: { pressure_bar: 60 }, W: { pressure_bar: 60 } } }; // prettier-ignore
    expect(gradeOf({}, poison)).toMatchObject({ grade: 'double-bled', score: { grade: 'positive' } }); // prettier-ignore
    const strict = gradeOf({ 'grade-school': 'stricter' }, poison);
    expect(strict?.grade).toBe('positive');
    expect(strict?.reasons.join()).toContain('by score');
  });

  it('never go below what the table allows, nor trust a kind more than usual', () => {
    const read = (more: object) => siteValuesSchema.safeParse({ ...DEFAULT_VALUES, ...more });
    expect(read({}).success).toBe(true);
    for (const more of [
      { 'grade-inside': 'double-bled' },
      { 'grade-lethal': 'single' },
      { 'grade-fluid': 'single' },
      { 'high-pressure-bar': 400 },
      { 'never-barriers': ['joint'] },
      { 'never-barriers': ['gate-valve', 'gate-valve'] },
      { 'not-positive': ['gate-valve'] },
      { 'grade-school': 'score' },
    ]) {
      expect({ more, success: read(more).success }).toEqual({ more, success: false });
    }
  });
});

describe('kinds that a site trusts less', () => {
  it('count for nothing, or for one', () => {
    const less = values({ 'never-barriers': ['butterfly-valve'], 'not-positive': ['spool'] });
    expect(strengthsOf(less)).toMatchObject({ 'butterfly-valve': 0, spool: 1, 'gate-valve': 1 });
    const graph = buildGraph(smallPlant());
    expect(trustedBy(graph, DEFAULT_VALUES)).toBe(graph);
    const without = values({ 'never-barriers': ['gate-valve'] });
    expect(trustedBy(graph, without).strength[graph.linkAt.get('V1') ?? -1]).toBe(0);
    expect(trustedBy(graph, without)).toBe(trustedBy(graph, without));
  });

  it('are told of job by job before they are saved: whose plan would no longer pass', () => {
    const dossier = carryOut(USABLE);
    if (!dossier) throw new Error('no job');
    const job = { id: 'J-1', dossier };
    const effect = compareRules([job], site, values({ 'never-barriers': ['gate-valve'] }), START);
    expect(effect[0]?.gains.map(({ code }) => code)).toContain('plan-stops');
    expect(compareRules([job], site, site.values, START)).toEqual([]);
  });
});
