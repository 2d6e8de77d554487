import {
  ACCEPTED,
  carryOut,
  contextFor,
  DRAFT,
  fieldSteps,
  label,
  LIVE,
  PLAN,
  PROVED,
  site,
  START,
  WALKED,
  type Step,
} from '../../../tests/support/seal-change';
import { jobWith } from '../../../tests/support/small-job';
import { applyDefects, type StandingDefect } from '../defects/apply';
import type { DefectKind } from '../defects/kinds';
import {
  computeLamps,
  decideJob,
  evolveDossier,
  findStage,
  gateCritical,
  gateDefects,
  gateIsolation,
  gateWork,
  listHolding,
  type Command,
  type Dossier,
  type DossierState,
  type SiteFacts,
} from '.';
import { findAtWork, listJobDefects } from './defects';

const LATER = '2026-11-24T12:00:00.000Z';
const BEFORE = '2026-11-24T06:00:00.000Z';

/** The site with something wrong, reported after everything that the seal change has done, unless it is said when. */
function under(device: string, defect: DefectKind, more: Partial<StandingDefect> = {}): SiteFacts {
  const defects = [{ number: 1, device, defect, at: LATER, ...more }];
  const graph = applyDefects(site.graph, defects, site.graph.plant, undefined);
  return { ...site, defects, graph, ...(graph === site.graph ? {} : { sound: site.graph }) };
}
const there = (state: DossierState): Dossier => {
  if (!state) throw new Error('no job');
  return state;
};
const codes = (refusals: readonly { readonly code: string }[]) => refusals.map(({ code }) => code);
const decide = (state: Dossier, actor: string, command: Command, at: SiteFacts) =>
  decideJob(state, command, { ...contextFor(actor, [actor], LATER), site: at });

describe('a defect at a plan that was accepted', () => {
  it.each<[string, DefectKind, string[]]>([
    ['HV-2004', 'passes', ['defect-since-plan', 'defect-breaks-plan']],
    ['HV-2004', 'seized', ['defect-since-plan', 'defect-breaks-plan']],
    ['HV-2004', 'no-lock-place', ['defect-since-plan', 'defect-breaks-plan']],
    ['CB-P201', 'blade-stayed', ['defect-since-plan', 'defect-breaks-plan']],
    ['DR-2002', 'plugged', ['defect-since-plan', 'defect-breaks-plan']],
    // The label matters only until the point was found.
    ['HV-2004', 'label', []],
    // Nothing of the plan.
    ['HV-2006', 'passes', []],
    ['HV-2104', 'passes', []],
  ])('%s %s', (device, defect, expected) => {
    expect(codes(gateDefects(there(WALKED()), under(device, defect)))).toEqual(expected);
  });

  it('counts for nothing once the plan was accepted with it known, and for the check all the same', () => {
    const known = under('HV-2004', 'passes', { at: BEFORE });
    expect(codes(gateDefects(there(WALKED()), known))).toEqual(['defect-breaks-plan']);
    const spare = under('HV-2009', 'no-lock-place', { at: BEFORE });
    expect(codes(gateDefects(there(WALKED()), spare)).includes('defect-since-plan')).toBe(false);
  });

  it('stops the isolation, the permit and signing on, and lights the lamp', () => {
    const at = under('HV-2004', 'passes');
    expect(codes(gateIsolation(there(PROVED()), at))).toContain('defect-since-plan');
    expect(codes(gateWork(there(LIVE()), at, START))).toContain('defect-breaks-plan');
    expect(findStage(there(PROVED()), at)).toBe('isolate');
    expect(computeLamps(there(LIVE()), site).some(({ state }) => state === 'lit')).toBe(false);
    expect(computeLamps(there(LIVE()), at).some(({ state }) => state === 'lit')).toBe(true);
  });

  it('refuses a plan that leans on it before it is put up for review', () => {
    const at = under('HV-2004', 'passes', { at: BEFORE });
    const drafted = carryOut([
      [
        'ada',
        {
          kind: 'raise-job',
          title: 'x',
          equipment: 'P-201',
          work: [{ section: 'P201-CAS', activity: 'open' }],
          hours: 6,
          performer: 'jun',
        },
      ],
      ['ada', DRAFT],
    ] as Step[]);
    const decision = decide(
      there(drafted),
      'ada',
      { kind: 'submit-plan', drawingChecked: false },
      at,
    );
    expect(decision.ok ? [] : codes(decision.refusals)).toContain('plan-stops');
  });

  it('lets the plan be taken back with points that stand, and everything is proved again', () => {
    const at = under('HV-2004', 'passes');
    const back: Command = { kind: 'return-plan', note: 'HV-2004 passes' };
    const sound = decide(there(PROVED()), 'hana', back, site);
    expect(sound.ok ? [] : codes(sound.refusals)).toEqual(['points-locked']);
    const live = decide(there(LIVE()), 'hana', back, at);
    expect(live.ok ? [] : codes(live.refusals)).toEqual(['permit-held']);
    const decision = decide(there(PROVED()), 'hana', back, at);
    if (!decision.ok) throw new Error(JSON.stringify(decision.refusals));
    const state = decision.events.reduce<DossierState>(
      (one, event) => evolveDossier(one, event, { by: 'hana', at: LATER }),
      PROVED(),
    );
    expect(there(state).plan.kind).toBe('drafted');
    expect(Object.keys(there(state).isolation.locked).sort()).toEqual([...PLAN.close].sort());
    expect(there(state).isolation.proved).toEqual({});
    // The points that stand stay in whatever plan follows.
    const { close, ...rest } = DRAFT;
    const less = { ...rest, close: close.filter((id) => id !== 'HV-2004') };
    const drafted = decide(there(state), 'ada', less, at);
    const next = drafted.ok
      ? drafted.events.reduce<DossierState>(
          (one, event) => evolveDossier(one, event, { by: 'ada', at: LATER }),
          state,
        )
      : state;
    expect(codes(listHolding(there(next), { site: at, now: LATER }))).toContain(
      'plan-drops-standing',
    );
    // With the plan accepted anew, every proof is asked for again, for that reason.
    const again = (['plan-submitted', 'plan-accepted'] as const).reduce<DossierState>(
      (one, kind) => evolveDossier(one, { kind, note: '' } as never, { by: 'hana', at: LATER }),
      state,
    );
    const walked = PLAN.close
      .concat(PLAN.open, PLAN.restrain)
      .reduce<DossierState>(
        (one, point) =>
          evolveDossier(
            one,
            { kind: 'label-checked', point, found: 'as-drawn', note: '' } as never,
            { by: 'cora', at: LATER },
          ),
        again,
      );
    expect(codes(gateIsolation(there(walked), site))).toContain('after-defect');
  });
});

describe('a label that is missing or wrong', () => {
  const at = under('HV-2004', 'label', { at: BEFORE });

  it('keeps the plan from being walked down past that point', () => {
    const found = label({ point: 'HV-2004' });
    const decision = decide(there(ACCEPTED()), 'cora', found, at);
    expect(decision.ok ? [] : codes(decision.refusals)).toEqual(['label-defect']);
    expect(decide(there(ACCEPTED()), 'cora', label({ point: 'HV-2005' }), at).ok).toBe(true);
    expect(codes(listHolding(there(ACCEPTED()), { site: at, now: LATER }))).toEqual([
      'not-walked-down',
      'label-defect',
    ]);
  });

  it('does not keep anybody from sending the plan back for it', () => {
    const differs = label({ point: 'HV-2004', found: 'label-differs', note: 'no label' });
    expect(decide(there(ACCEPTED()), 'cora', differs, at).ok).toBe(true);
  });
});

describe('a dead gauge', () => {
  it('has what was read before that was known proved again, and nothing else', () => {
    const proved = there(carryOut(fieldSteps(), WALKED()));
    expect(codes(gateDefects(proved, under('PG-2002', 'gauge-dead')))).toEqual([
      'dead-gauge-proof',
    ]);
    expect(codes(gateDefects(proved, under('PG-2002', 'gauge-dead', { at: BEFORE })))).toEqual([]);
    expect(codes(gateDefects(there(WALKED()), under('PG-2002', 'gauge-dead')))).toEqual([]);
    expect(codes(gateDefects(proved, under('TG-401', 'gauge-dead')))).toEqual([]);
  });
});

describe('a safety-critical device that is out of order', () => {
  const atFilter = jobWith('CF-1', { close: [], open: [], restrain: [] });
  const guarded = (until: string) =>
    under('GS-CF1', 'out-of-order', { guard: { until, standsIn: 'a portable detector' } });

  it('holds up work in its area until something stands in by name, and again once that time is over', () => {
    const of = (at: SiteFacts, now: string) => codes(gateCritical(atFilter, at, now));
    expect(of(under('GS-CF1', 'out-of-order'), LATER)).toEqual(['critical-unguarded']);
    expect(of(under('GS-CF1', 'label'), LATER)).toEqual([]);
    expect(of(guarded(LATER), LATER)).toEqual([]);
    expect(of(guarded(LATER), '2026-11-24T12:00:00.001Z')).toEqual(['critical-guard-over']);
  });

  it('holds up nothing elsewhere', () => {
    expect(gateCritical(there(WALKED()), under('GS-CF1', 'out-of-order'), LATER)).toEqual([]);
  });

  it('is named at the job, with what stands in', () => {
    expect(listJobDefects(atFilter, guarded(LATER))).toMatchObject([
      { name: 'D-0001', device: 'GS-CF1', guard: { standsIn: 'a portable detector' } },
    ]);
    expect(listJobDefects(there(WALKED()), under('HV-2004', 'passes'))).toMatchObject([
      { name: 'D-0001', device: 'HV-2004', says: 'passes when it is shut' },
    ]);
    expect(listJobDefects(there(WALKED()), under('GS-CF1', 'out-of-order'))).toEqual([]);
  });
});

describe('a device at the work', () => {
  it.each([
    ['the valve next to it', 'HV-2004', true],
    ['a valve on the way of a source', 'HV-2005', true],
    ['its drain', 'DR-2002', true],
    ['its gauge', 'PG-2002', true],
    ['a gauge behind a valve', 'PG-2007', false],
    ['a valve of another pump', 'HV-2104', false],
  ])('%s', (_label, device, expected) => {
    expect(findAtWork(there(WALKED()), site)(device)).toBe(expected);
    // Also while it is reported.
    const defect = device.startsWith('PG') ? 'gauge-dead' : 'label';
    expect(findAtWork(there(WALKED()), under(device, defect))(device)).toBe(expected);
  });
});
