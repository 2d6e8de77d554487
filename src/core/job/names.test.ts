import {
  carryOut,
  DRAFT,
  LIVE,
  nobody,
  RAISE,
  renamedSite,
  site,
  START,
} from '../../../tests/support/seal-change';
import { presentOrThrow } from '../result';
import { decideJob, evolveDossier, findNames, gateScope, whyTied } from '.';

const graph = presentOrThrow(renamedSite.newest, 'newest').graph;
const planned = () =>
  presentOrThrow(
    carryOut([
      ['ada', RAISE],
      ['ada', DRAFT],
    ]),
    'job',
  );
const live = () => presentOrThrow(LIVE(), 'job');

describe('a job whose plant has other ids now', () => {
  it('names what is gone and what is renamed, of its place, its equipment and its points', () => {
    const { gone, renamed } = findNames(planned(), graph);
    expect(gone).toEqual([]);
    expect(renamed.map(({ from, to }) => `${from} ${to}`).sort()).toEqual([
      'HV-2001 HV-2001A',
      'P-201 P-201A',
      'P201-CAS P-201-CASING',
    ]);
    const bare = { ...graph, plant: { ...graph.plant, renamed: [] } };
    expect([...findNames(planned(), bare).gone].sort()).toEqual(['HV-2001', 'P-201', 'P201-CAS']);
    expect(findNames(planned(), site.graph)).toEqual({ gone: [], renamed: [] });
  });

  it('takes the new ones over everywhere while nothing stands', () => {
    const job = planned();
    const decision = decideJob(job, { kind: 'take-over-names' }, { jobId: 'J-0001', now: START, actor: 'ada', signed: new Set(['ada']), site: renamedSite, others: nobody }); // prettier-ignore
    if (!decision.ok) throw new Error('refused');
    const mark = { by: 'ada', at: START };
    const after = decision.events.reduce((state, event) => evolveDossier(state, event, mark), job);
    expect(findNames(after, graph)).toEqual({ gone: [], renamed: [] });
    expect(after.equipment).toBe('P-201A');
    expect(after.scope.work[0]?.section).toBe('P-201-CASING');
    expect(after.plan.kind === 'drafted' && after.plan.plan.close).toContain('HV-2001A');
    expect(JSON.stringify(after)).not.toContain('"HV-2001"');
  });

  it('keeps its own while its isolation stands, and is not held up by the new ones', () => {
    expect(whyTied(planned())).toBeUndefined();
    expect(whyTied(live())).toBe('its plan is accepted');
    expect(gateScope(live(), renamedSite)).toEqual([]);
    // Before anything stands it is planned on the plant as it is.
    expect(gateScope(planned(), renamedSite).map(({ code }) => code)).toEqual(['scope-gone']);
  });
});
