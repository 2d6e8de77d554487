import {
  ISSUED_WITH,
  LIVE,
  noted,
  site,
  START,
  TEST_SUM,
  WALKED,
} from '../../../tests/support/seal-change';
import { heatSum, inertSum, withSum } from '../../../tests/support/refusal-rows/sums';
import { findCalculation } from '../bench';
import { DEFAULT_VALUES } from '../rules/values';
import { describeSheets, listOfferedSums, viewDossier, type Dossier } from '.';
import { findInert, findStay, sayNoted, valuesFor } from './sums';

const of = (value: number, unit: string) => ({ value, unit });
/** Grinding at so many metres in a strong wind, by the site's own radius. */
const sparksAt = (height: number, wind: number, roll = 3) =>
  noted({
    calculation: 'sparks',
    subject: 'P201-CAS',
    inputs: {
      work: 'flame-cutting',
      height: of(height, 'm'),
      wind: of(wind, 'm/s'),
      roll: of(roll, 'm'),
      least: of(11, 'm'),
    },
  });
const job = (state: ReturnType<typeof LIVE>) => state as Dossier;

describe('a sum noted for a job', () => {
  it('of sparks widens what is looked at round hot work, and never narrows it', () => {
    const hot = ISSUED_WITH('spark');
    const [low, high] = [withSum(sparksAt(0.5, 0, 0), hot), withSum(sparksAt(12, 10), hot)];
    expect(valuesFor(job(low), site)).toEqual(site.values);
    const radius = valuesFor(job(high), site)['hot-work-radius-m'];
    expect(radius).toBeGreaterThan(15);
    const near = (state: typeof hot) => viewDossier(job(state), site, START).hotWork;
    expect(near(high)?.radius_m).toBe(radius);
    expect(near(low)?.radius_m).toBe(11);
    const count = (state: typeof hot) => near(state)?.neighbours.length ?? 0;
    expect(count(high)).toBeGreaterThan(count(hot));
    // What lies within the wider radius is not cleared yet, and holds the work up.
    const holding = viewDossier(job(high), site, START).holding.map(({ code }) => code);
    expect(holding).toContain('surroundings-open');
  });

  it('of a pressure test keeps other jobs at its stand-off', () => {
    const tested = job(withSum(TEST_SUM, ISSUED_WITH('overpressure')));
    const standOff = valuesFor(tested, site)['pressure-test-clear-m'];
    expect(standOff).toBeGreaterThan(20);
    const clashesWith = (section: string, self: Dossier) =>
      viewDossier(self, site, START, [{ id: 'J-2', dossier: jobAt(section) }], 'J-1').clashes.map(
        ({ code }) => code,
      );
    // 6 m away, and farther than the site's own 10 m.
    expect(clashesWith('P202-CAS', tested)).toContain('pressure-test-by-crew');
    const bare = { ...tested, noted: {} };
    expect(clashesWith(FARTHER, bare)).not.toContain('pressure-test-by-crew');
    expect(clashesWith(FARTHER, tested)).toContain('pressure-test-by-crew');
  });

  it('of heat limits every stay, however long the plan allows', () => {
    const entry = ISSUED_WITH('enter');
    const planned = (stay_min?: number) => {
      const { plan } = job(entry).entry;
      return plan
        ? ({
            ...job(entry),
            entry: { ...job(entry).entry, plan: { ...plan, stay_min } },
          } as Dossier)
        : job(entry);
    };
    const hot = heatSum(39);
    const stay = (state: Dossier) => findStay(job(withSum(hot, state)));
    expect(findStay(planned())).toBeUndefined();
    // 39 °C at 25 % in the shade, moderate work: 102.2 °F read at the row of 104, 30 min in the hour.
    expect(stay(planned())).toBe(30);
    expect(stay(planned(90))).toBe(30);
    expect(stay(planned(20))).toBe(20);
  });

  it('of inerting makes the space one that suffocates until it was purged since', () => {
    const entry = job(withSum(inertSum(3), ISSUED_WITH('enter'), 1));
    expect(findInert(entry)).toBeCloseTo(3);
    const why = viewDossier(entry, site, START).entry?.hazards.map((one) => one.why);
    expect(why).toContain('made inert to 3 % oxygen: it suffocates');
    const mark = (at: string) => ({ by: 'jun', at, seen: 'x', minutes: 1, why: 'x' });
    const purged = (at: string) =>
      ({ ...entry, entry: { ...entry.entry, purged: mark(at) } }) as unknown as Dossier;
    expect(findInert(purged('2026-11-24T07:00:59.000Z'))).toBeCloseTo(3);
    expect(findInert(purged('2026-11-24T07:01:00.000Z'))).toBeUndefined();
  });

  it('stands on the permit in its sentence, with who noted it', () => {
    const state = job(withSum(TEST_SUM, LIVE()));
    const sheets = describeSheets(state, { job: 'J-1', site, now: START });
    const rows = sheets
      .flatMap(({ blocks }) => blocks)
      .flatMap((block) =>
        block.kind === 'table' && block.title === 'Worked out for this job' ? block.rows : [],
      );
    const [sum] = Object.values(state.noted);
    expect(rows).toEqual([
      [
        'P201-CAS',
        'Pressure test',
        sum && sayNoted(sum),
        expect.stringMatching(/^Ada Thornquist 2026-11-24/),
      ],
    ]);
    expect(rows[0]?.[2]).toMatch(/^Test to 11 bar, hold for .*keep people \d+(\.\d+)? m away\.$/);
  });
});

/** A job elsewhere, whose place is farther off than the site's own distance from a pressure test. */
const FARTHER = 'TRF-HDR';
const jobAt = (section: string): Dossier =>
  ({
    ...job(WALKED()),
    scope: { work: [{ section, activity: 'touch' as const }], hours: 6 },
    window: { from: START, until: '2026-11-24T13:00:00.000Z', operator: 'cora' },
  }) as unknown as Dossier;

describe('sums that a job offers', () => {
  it.each([
    ['nothing special', LIVE, []],
    ['hot work', () => ISSUED_WITH('spark'), ['sparks']],
    ['an entry', () => ISSUED_WITH('enter'), ['heat-index', 'inerting']],
  ] as const)('%s', (_, state, expected) => {
    const offered = listOfferedSums(job(state()), site);
    expect(offered.map(({ calculation }) => calculation)).toEqual(expected);
    expect(offered.every(({ isNeeded }) => !isNeeded)).toBe(true);
  });

  it('a pressure test needs its own, until it is noted', () => {
    const tested = ISSUED_WITH('overpressure');
    const offered = listOfferedSums({ ...job(tested), noted: {} }, site);
    expect(offered).toMatchObject([
      { calculation: 'pressure-test', subject: 'P201-CAS', isNeeded: true },
    ]);
    expect(listOfferedSums(job(tested), site)).toEqual([]);
  });

  it('opens with the plant’s figures and the site’s rules, and makes nothing up', () => {
    const values = { ...DEFAULT_VALUES, 'hot-work-radius-m': 15 };
    const [sparks] = listOfferedSums(job(ISSUED_WITH('spark')), { ...site, values });
    expect(sparks?.inputs).toMatchObject({ least: of(15, 'm'), height: of(0, 'm') });
    expect(sparks?.inputs).not.toHaveProperty('wind');
    const [heat] = listOfferedSums(job(ISSUED_WITH('enter')), site);
    expect(heat?.inputs).toEqual({});
    for (const one of listOfferedSums(job(ISSUED_WITH('enter')), site)) {
      expect(findCalculation(one.calculation)?.run(one.inputs).ok).toBe(false);
    }
  });
});
