import { siteOn, decideOnSmall, jobWith } from '../../../tests/support/small-job';
import { planOf, smallPlant } from '../../../tests/support/small-plant';
import { findWorkOrder, viewDossier, type Command, type Dossier } from '.';
import { gatePlan } from './gates';

/** W is let down over SB, a valve that stands open, and the drain on END: nothing else drains it. */
const site = siteOn(
  smallPlant({
    links: { SB: { kind: 'ball-valve', normal: 'open' } },
    outlets: { DR: { section: 'END' } },
  }),
);
const job = () => jobWith('W', planOf(['V2', 'CB'], ['DR']));
const later = (minutes: number) =>
  new Date(Date.parse('2026-11-24T06:30:00.000Z') + minutes * 60_000).toISOString();

const run = (state: Dossier, actor: string, command: Command) =>
  decideOnSmall(state, actor, command, { site, now: later(1) });

const locked = () =>
  (
    [
      ['elif', { kind: 'lock-point', link: 'CB', lock: 'E-01', tag: 'T' }],
      ['finn', { kind: 'lock-point', link: 'V2', lock: 'P-01', tag: 'T' }],
    ] as const
  ).reduce((state, [actor, command]) => run(state, actor, command).after, job());

const see = (found: 'open' | 'opened' | 'stays-shut', note = ''): Command => ({
  kind: 'see-open',
  link: 'SB',
  found,
  note,
});
const OPEN: Command = { kind: 'open-outlet', outlet: 'DR', tag: 'T', watcher: 'cora' };

describe('a valve on which a let-down relies', () => {
  it('is a step of its own, after what isolates and before what lets down', () => {
    const phases = findWorkOrder(job(), site)?.steps.map(({ phase, subject }) => [phase, subject]);
    const at = phases?.findIndex(([phase]) => phase === 'see-open') ?? -1;
    expect(phases?.[at]).toEqual(['see-open', 'SB']);
    expect(phases?.[at - 1]).toEqual(['isolate-flows', 'V2']);
    expect(phases?.[at + 1]).toEqual(['let-down', 'DR']);
  });

  it('has to be seen before anything is let down over it', () => {
    expect(run(job(), 'finn', see('open')).codes).toEqual(['out-of-order']);
    expect(run(locked(), 'finn', OPEN).codes).toEqual(['out-of-order']);
    for (const found of ['open', 'opened'] as const) {
      const seen = run(locked(), 'finn', see(found));
      expect(seen.codes).toEqual([]);
      expect(run(seen.after, 'finn', OPEN).codes).toEqual([]);
      expect(run(seen.after, 'finn', see(found)).codes).toEqual(['already-done']);
    }
  });

  it('is seen by whoever may work it, and by nobody else', () => {
    expect(run(locked(), 'elif', see('open')).codes).toEqual(['role-missing']);
    expect(run(locked(), 'finn', { ...see('open'), scanned: 'V2' } as Command).codes).toEqual([
      'wrong-point',
    ]);
  });

  it('stops the job where it stays shut, until it is opened after all', () => {
    expect(run(locked(), 'finn', see('stays-shut')).codes).toEqual(['way-needs-words']);
    const shut = run(locked(), 'finn', see('stays-shut', 'spindle turns, gate does not')).after;
    const held = (state: Dossier) =>
      viewDossier(state, site, later(1)).holding.map(({ code }) => code);
    expect(held(shut)).toEqual(expect.arrayContaining(['way-stays-shut', 'way-not-seen']));
    expect(run(shut, 'finn', OPEN).codes).toEqual(['out-of-order']);
    const { after } = run(shut, 'finn', see('opened'));
    expect(held(after)).not.toContain('way-stays-shut');
    expect(held(after)).not.toContain('way-not-seen');
  });

  it('has to be locked open by the plan where the site asks for that', () => {
    const strict = { ...site, values: { ...site.values, 'let-down-valves': 'locked' as const } };
    const codes = (plan: ReturnType<typeof planOf>) =>
      gatePlan(jobWith('W', plan, 'drafted'), strict).map(({ code }) => code);
    expect(codes(planOf(['V2', 'CB'], ['DR']))).toEqual(['way-not-locked']);
    expect(codes({ ...planOf(['V2', 'CB'], ['DR']), stand: ['SB'] })).toEqual([]);
    expect(gatePlan(jobWith('W', planOf(['V2', 'CB'], ['DR']), 'drafted'), site)).toEqual([]);
  });
});
