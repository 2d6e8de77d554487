import {
  carryOut,
  LIVE,
  refusalsOf,
  site as quillmere,
  START,
  WALKED,
} from '../../../tests/support/seal-change';
import { decideOnSmall, jobWith, siteOn } from '../../../tests/support/small-job';
import { planOf, smallPlant } from '../../../tests/support/small-plant';
import { findInspectionDue, listBypasses, viewDossier, type Command, type Dossier } from '.';

const after = (hours: number) => new Date(Date.parse(START) + hours * 3_600_000).toISOString();

describe('a device that a job puts out of action', () => {
  /** SB is a relief valve on MID that guards W; closing V2 cuts it off. */
  const site = siteOn(
    smallPlant({
      links: { SB: { kind: 'relief-valve', between: ['MID', 'END'], protects: ['W'] } },
    }),
  );
  const job = () => jobWith('W', planOf(['V2', 'CB'], ['DR']));
  const ALLOW = {
    kind: 'allow-bypass',
    device: 'SB',
    until: after(8),
    standsIn: 'W stands open to the drain within the hour',
    reason: 'seal change',
  } satisfies Command;
  const LOCK: Command = { kind: 'lock-point', link: 'V2', lock: 'P-01', tag: 'T' };
  const cut = () => {
    const first: Command = { kind: 'lock-point', link: 'CB', lock: 'E-01', tag: 'T' };
    return decideOnSmall(job(), 'elif', first, { site }).after;
  };
  const lock = (state: Dossier, now = START) => decideOnSmall(state, 'finn', LOCK, { site, now });
  const allowed = (more: Partial<typeof ALLOW> = {}) =>
    decideOnSmall(cut(), 'hana', { ...ALLOW, ...more }, { site });

  it('enters the register by itself as soon as the plan is accepted', () => {
    expect(listBypasses(job(), site)).toEqual([
      { device: 'SB', kind: 'relief', state: 'planned', words: 'SB no longer relieves W' },
    ]);
    expect(listBypasses(jobWith('W', planOf(['V2', 'CB'], ['DR']), 'drafted'), site)).toEqual([]);
  });

  it('holds the job up ahead of time, until it is allowed', () => {
    const codes = (state: Dossier) =>
      viewDossier(state, site, START).holding.map(({ code }) => code);
    expect(codes(job())).toContain('bypass-not-allowed');
    expect(codes(allowed().after)).not.toContain('bypass-not-allowed');
  });

  it('is not put out of action before someone allows it by name, for a time, with something in its place', () => {
    expect(lock(cut()).codes).toEqual(['bypass-not-allowed']);
    const { codes, after: granted } = allowed();
    expect(codes).toEqual([]);
    expect(lock(granted).codes).toEqual([]);
    expect(listBypasses(lock(granted).after, site)).toMatchObject([
      { device: 'SB', state: 'disabled', allowed: { by: 'hana', until: after(8) } },
    ]);
  });

  it('is not closed over by a tag alone either', () => {
    const tag: Command = {
      kind: 'tag-point',
      link: 'V2',
      tag: 'T',
      reason: 'no hole for a lock',
      measure: 'handwheel off',
      accepter: 'hana',
    };
    expect(decideOnSmall(cut(), 'finn', tag, { site }).codes).toEqual(['bypass-not-allowed']);
  });

  it.each<[string, Partial<typeof ALLOW>, string[]]>([
    ['now', { until: START }, ['bypass-until-wrong']],
    ['a week', { until: after(168) }, []],
    ['more than a week', { until: after(168.1) }, ['bypass-until-wrong']],
    ['an unknown device', { device: 'NONE' }, ['device-unknown']],
    ['a gauge', { device: 'PG' }, []],
  ])('is allowed for a time that is to come and a device that is there: %s', (_l, more, codes) => {
    expect(allowed(more).codes).toEqual(codes);
  });

  it('is allowed by an issuing authority or the site manager, who sign', () => {
    const by = (actor: string) => decideOnSmall(cut(), actor, ALLOW, { site }).codes;
    expect([by('uma'), by('ada'), by('kit')]).toEqual([[], ['role-missing'], ['role-missing']]);
    const unsigned = decideOnSmall(cut(), 'hana', ALLOW, { site, signed: new Set() });
    expect(unsigned.codes).toEqual(['signature-missing']);
  });

  it('holds the work once its time is over, until it is allowed anew', () => {
    const granted = allowed().after;
    expect(lock(granted, after(8)).codes).toEqual([]);
    expect(lock(granted, after(8.1)).codes).toEqual(['bypass-over']);
    const cutOff = lock(granted).after;
    const holding = (now: string) => viewDossier(cutOff, site, now).holding.map(({ code }) => code);
    expect(holding(after(7))).not.toContain('bypass-over');
    expect(holding(after(9))).toContain('bypass-over');
    const again = { ...ALLOW, until: after(20) };
    const renewed = decideOnSmall(cutOff, 'hana', again, { site, now: after(9) }).after;
    expect(viewDossier(renewed, site, after(9)).holding.map(({ code }) => code)).not.toContain(
      'bypass-over',
    );
  });
});

describe('an isolation that stands for long', () => {
  const seen: Command = {
    kind: 'inspect-isolation',
    seen: 'every lock, tag and position as listed',
  };
  const signOn: Command = { kind: 'sign-on', person: 'kit', lock: 'W-02' };

  it('is inspected within a week, and then again within a week', () => {
    const state = LIVE() as Dossier;
    const due = findInspectionDue(state, quillmere) ?? '';
    expect(Date.parse(due) - Date.parse(START)).toBe((7 * 24 - 0.5) * 3_600_000);
    const late = new Date(Date.parse(due) + 60_000).toISOString();
    const codes = (job: Dossier) => refusalsOf(job, 'hana', signOn, { now: late });
    expect(codes(state)).toContain('inspection-due');
    expect(refusalsOf(state, 'hana', signOn, { now: due })).not.toContain('inspection-due');
    const done = carryOut([['cora', seen]], state, late) as Dossier;
    expect(codes(done)).not.toContain('inspection-due');
    expect(findInspectionDue(done, quillmere)).toBe(
      new Date(Date.parse(late) + 7 * 24 * 3_600_000).toISOString(),
    );
  });

  it('is nothing to inspect before a lock hangs, and nothing that a worker does', () => {
    expect(findInspectionDue(WALKED() as Dossier, quillmere)).toBeUndefined();
    expect(refusalsOf(WALKED(), 'cora', seen)).toEqual(['nothing-hangs']);
    expect(refusalsOf(LIVE(), 'kit', seen)).toEqual(['role-missing']);
  });
});
