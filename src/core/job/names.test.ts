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
import { decideJob, evolveDossier, findNames, gateScope, speakAs, viewDossier, whyTied } from '.';

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

  it('is looked at beside a job whose place is on the newest drawing alone', () => {
    const job = planned();
    const mark = { by: 'ada', at: START };
    const names = { 'P201-CAS': 'P-201-CASING', 'HV-2001': 'HV-2001A', 'P-201': 'P-201A' };
    const beside = evolveDossier(job, { kind: 'names-taken-over', plantVersion: 2, names }, mark);
    const others = [{ id: 'J-0002', dossier: beside }];
    const view = viewDossier(live(), renamedSite, START, others, 'J-0001');
    expect(view.stage).toBe('work');
    // It is the same pump: what clashes, clashes whatever it is called.
    expect(view.holding.map(({ code }) => code)).not.toContain('plant-outgrew-plan');
    const open = { ...nobody, open: () => others };
    const by = { jobId: 'J-0001', now: START, actor: 'hana', signed: new Set(['hana', 'kit']), site: renamedSite, others: open }; // prettier-ignore
    const signOn = { kind: 'sign-on', person: 'kit', lock: 'W-02' } as const;
    expect(decideJob(live(), signOn, by).ok).toBe(true);
  });

  it('hears of the others in the names of its own drawing, whichever is older', () => {
    const old = { id: 'J-0001', dossier: live() };
    const held = Object.keys(old.dossier.isolation.locked);
    expect(held).toContain('HV-2001');
    // On the newest drawing: what a job that stands on the older one has locked is known under the new ids.
    const { newest, ...here } = renamedSite;
    const onNewest = { ...here, graph, plantVersion: newest?.version ?? 0 };
    const [told] = speakAs([{ ...old, site: renamedSite }], onNewest);
    expect(Object.keys(told?.dossier.isolation.locked ?? {})).toContain('HV-2001A');
    expect(Object.keys(told?.dossier.isolation.proved ?? {}).join()).toContain('P-201-CASING');
    expect(told?.dossier.scope.work[0]?.section).toBe('P-201-CASING');
    expect(told?.site).toBeUndefined();
    // On the older one: a job that was planned on the newest is known under the old ids.
    const renamed = { ...old, dossier: told?.dossier ?? old.dossier };
    const [back] = speakAs([renamed], renamedSite);
    expect(back?.dossier.isolation.locked).toEqual(old.dossier.isolation.locked);
    // A lock that is called as something of the drawing keeps its name.
    const [point] = Object.entries(old.dossier.isolation.locked)[0] ?? ['', undefined];
    const hung = old.dossier.isolation.locked[point];
    if (!hung) throw new Error('nothing hangs');
    const locked = { ...old.dossier.isolation.locked, [point]: { ...hung, lock: 'P-201' } };
    const same = { ...old.dossier, isolation: { ...old.dossier.isolation, locked } };
    const [alike] = speakAs([{ ...old, dossier: same }], onNewest);
    expect(alike?.dossier.equipment).toBe('P-201A');
    expect(Object.values(alike?.dossier.isolation.locked ?? {}).map(({ lock }) => lock)).toContain(
      'P-201',
    );
    // Where nothing was renamed nothing is touched.
    expect(speakAs([old], site)[0]).toBe(old);
    expect(speakAs([{ id: 'J-9', dossier: { ...planned(), scope: { work: [], hours: 1 }, equipment: 'X', plan: { kind: 'none' } } }], onNewest)[0]?.dossier.equipment).toBe('X'); // prettier-ignore
  });

  it('keeps its own while its isolation stands, and is not held up by the new ones', () => {
    expect(whyTied(planned())).toBeUndefined();
    expect(whyTied(live())).toBe('its plan is accepted');
    expect(gateScope(live(), renamedSite)).toEqual([]);
    // Before anything stands it is planned on the plant as it is.
    expect(gateScope(planned(), renamedSite).map(({ code }) => code)).toEqual(['scope-gone']);
  });
});
