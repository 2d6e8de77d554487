import { buildGraph } from '../plant';
import { LIVE, site, WALKED } from '../../../tests/support/seal-change';
import { believe } from '../believed';
import type { Change } from '../changes/record';
import { gateChanges, gateDefects, listHolding, type Dossier, type DossierState } from '.';
import { viewJobChanges } from './changes';
import { findRequirement, type SiteFacts } from './site';

const LATER = '2026-11-24T12:00:00.000Z';
const mark = { by: 'kit', at: LATER };
const assessed = { by: 'cora', at: LATER, hazards: 'x', measures: 'y' };
const ALLOWED: Change['review'] = { kind: 'allowed', by: 'hana', at: LATER, assessed };
const TOLD: Change['told'] = [{ ...mark, people: ['dov'], how: 'by radio' }];

const change = (more: Partial<Change> = {}): Change => ({
  ...mark,
  number: 1,
  change: 'blank',
  places: ['HV-2004'],
  what: 'blank in the suction',
  why: 'left for the leak test',
  plantVersion: 1,
  until: '2026-11-25T12:00:00.000Z',
  review: { kind: 'proposed' },
  told: [],
  stillThere: [],
  ...more,
});
function under(...changes: Change[]): SiteFacts {
  const graph = believe(site.graph, { defects: [], changes }, site.graph.plant, undefined);
  return { ...site, changes, graph, ...(graph === site.graph ? {} : { sound: site.graph }) };
}
const there = (state: DossierState): Dossier => {
  if (!state) throw new Error('no job');
  return state;
};
const codes = (refusals: readonly { readonly code: string }[]) => refusals.map(({ code }) => code);

describe('taking plant back with a change', () => {
  it.each<[string, Partial<Change>, string[], string?]>([
    ['that nobody reviewed', {}, ['change-unreviewed']],
    [
      'looked at and not allowed',
      { review: { kind: 'assessed', ...assessed } },
      ['change-unreviewed'],
    ],
    [
      'turned down',
      { review: { kind: 'turned-down', ...mark, why: 'no' } },
      ['change-turned-down'],
    ],
    ['allowed and told to nobody', { review: ALLOWED }, ['change-untold']],
    ['allowed and told', { review: ALLOWED, told: TOLD }, []],
    [
      'whose time is over',
      { review: ALLOWED, told: TOLD },
      ['change-time-over'],
      '2026-11-25T12:00:01.000Z',
    ],
    ['that is gone', { gone: { ...mark, how: 'out' } }, []],
    [
      'that is put back and was not looked for',
      { undone: { ...mark, how: 'out' } },
      ['change-unreviewed'],
    ],
    ['at another pump', { places: ['HV-2104'] }, []],
    ['at a section next to the work', { places: ['P201-CAS'] }, ['change-unreviewed']],
    ['at the equipment', { places: ['P-201'] }, ['change-unreviewed']],
    ['made for the job, wherever it is', { places: ['FLR'], job: 'J-0001' }, ['change-unreviewed']],
    ['made for another job elsewhere', { places: ['FLR'], job: 'J-0002' }, []],
    [
      'of the drawing, all over it',
      { change: 'drawing', places: [], isEverywhere: true },
      ['change-unreviewed'],
    ],
    [
      'that stays and is not drawn',
      { change: 'modification', review: ALLOWED, told: TOLD },
      ['change-not-drawn'],
    ],
    [
      'that stays and is drawn',
      { change: 'modification', review: ALLOWED, told: TOLD, drawn: { ...mark, version: 2 } },
      [],
    ],
  ])('%s', (_, more, expected, now = LATER) => {
    // prettier-ignore
    expect(codes(gateChanges(there(WALKED()), under(change(more)), now, 'J-0001'))).toEqual(expected);
  });

  it('is held up where the job is put back, and shown on its page before', () => {
    const at = under(change());
    expect(viewJobChanges(there(LIVE()), at)).toMatchObject([
      { name: 'MC-0001', isAllowed: false },
    ]);
    const closed = { ...there(LIVE()), permit: { ...there(LIVE()).permit, kind: 'closed' } } as Dossier; // prettier-ignore
    expect(codes(listHolding(closed, { site: at, now: LATER }))).toContain('change-unreviewed');
  });
});

describe('a temporary connection', () => {
  const hose = (more: Partial<Change> = {}) =>
    change({ change: 'hose', places: ['P201-CAS', 'FW-HDR'], what: 'flushing water', ...more });

  it('undoes a plan that knows nothing of it, until a drawing shows it or somebody saw that it is gone', () => {
    const plan = there(WALKED());
    expect(codes(gateDefects(plan, under(hose({ places: ['P201-CAS'] }))))).toEqual([
      'change-breaks-plan',
    ]);
    expect(gateDefects(plan, under(hose({ places: ['P201-CAS'], review: ALLOWED, told: TOLD })))).toHaveLength(1); // prettier-ignore
    for (const more of [{ gone: { ...mark, how: 'off' } }, { drawn: { ...mark, version: 2 } }])
      expect(gateDefects(plan, under(hose({ places: ['P201-CAS'], ...more })))).toEqual([]);
  });

  it('from where nobody has drawn brings whatever may be there: it comes at the work as a source of its own', () => {
    const at = under(hose({ places: ['P201-CAS'] }));
    const { graph } = at;
    const { trace } = findRequirement(there(WALKED()), at);
    const far = trace.sources.filter(({ route }) => route.includes('MC-0001'));
    expect(far.length).toBeGreaterThan(0);
    expect(graph.plant.media.find(({ id }) => id === 'MC-0001 far end')?.hazards).toBeUndefined();
  });

  it('is the same graph for the same connections, and the drawing itself where it has none of the ends', () => {
    expect(under(hose({ places: ['P201-CAS'] })).graph).toBe(under(hose({ places: ['P201-CAS'] })).graph); // prettier-ignore
    expect(under(hose({ places: ['NOT-DRAWN'] })).graph).toBe(site.graph);
    expect(under(change()).graph).toBe(site.graph);
  });

  it('is followed under the names of an older drawing', () => {
    const { plant } = site.graph;
    const newest = { ...plant, renamed: [{ id: 'P201-CAS', now: 'CASING-1' }] };
    const graph = believe(
      site.graph,
      { defects: [], changes: [hose({ places: ['CASING-1'] })] },
      newest,
      undefined,
    );
    expect(graph.links.find(({ id }) => id === 'MC-0001')?.between).toEqual(['P201-CAS', 'MC-0001 far end']); // prettier-ignore
    expect(buildGraph(graph.plant).links).toHaveLength(graph.links.length);
  });
});
