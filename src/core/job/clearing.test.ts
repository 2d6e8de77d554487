import {
  carryOut,
  LIVE,
  refusalsOf,
  site,
  START,
  WALKED,
  type Step,
} from '../../../tests/support/seal-change';
import { findClearDistance } from './clearing';
import { LINE as TWO_SECTIONS } from '../../../tests/support/refusal-rows/clearing';
import { listNextUp } from '../watch';
import {
  describeSheets,
  evolveDossier,
  findStage,
  viewClearing,
  type CommandOf,
  type Dossier,
} from '.';

const at = (minutes: number) => new Date(Date.parse(START) + minutes * 60_000).toISOString();
/** One section of 200 m. */
const LINE: CommandOf<'plan-clearing'> = {
  ...TWO_SECTIONS,
  points: [
    { at_m: 0, height_m: 12, bore_mm: 150, parts: true },
    { at_m: 200, height_m: 2, bore_mm: 150, parts: true },
  ],
};
const LAUNCHED: Step[] = [
  ['jun', LINE],
  ['jun', { kind: 'walk-line', seen: 'clear' }],
  ['jun', { kind: 'send-message', to: 'kit', said: 'gas goes in' }],
  ['kit', { kind: 'read-back', message: 1, right: true, heard: 'gas goes in' }],
  ['jun', { kind: 'launch-pig' }],
];
const STUCK: Step = ['kit', { kind: 'pig-stuck', seen: 'nothing comes' }];
const read = (bar: number): Step => [
  'jun',
  { kind: 'read-line', side: 'behind', bar, instrument: 'PG-T1' },
];
const there = (steps: readonly Step[]): Dossier => {
  const state = carryOut(steps, LIVE());
  if (!state) throw new Error('no job');
  return state;
};
const first = (dossier: Dossier, now: string) =>
  listNextUp('J-0001', dossier, findStage(dossier, site), site, now)[0];

describe('a line that is cleared with gas', () => {
  it('has its pig followed, taken as stuck when it is overdue, and first in the queue then', () => {
    const dossier = there(LAUNCHED);
    expect(viewClearing(dossier, site, at(5))?.pig).toEqual({ at_m: 100, isOverdue: false });
    expect(viewClearing(dossier, site, at(17))?.pig).toEqual({ at_m: 200, isOverdue: true });
    expect(first(dossier, at(17))).toMatchObject({ urgency: 'now', what: expect.stringContaining('take it as stuck') as string }); // prettier-ignore
    const stuck = there([...LAUNCHED, STUCK]);
    expect(first(stuck, at(60))).toMatchObject({ urgency: 'now', what: expect.stringContaining('nothing comes') as string }); // prettier-ignore
    // It stands where it was when somebody said so.
    expect(viewClearing(stuck, site, at(60))?.pig).toEqual({ at_m: 0, isOverdue: false });
  });

  it('keeps a reading that rises on a stuck pig, and stops the whole job', () => {
    const falling = there([...LAUNCHED, STUCK, read(1.5), read(1.2)]);
    expect(falling.halt).toBeUndefined();
    const forced = there([...LAUNCHED, STUCK, read(1.2), read(1.5)]);
    expect(forced.clearing?.readings.behind?.bar).toBe(1.5);
    expect(forced.halt?.reason).toContain('from 1.2 to 1.5 bar');
    expect(refusalsOf(forced, 'hana', { kind: 'sign-on', person: 'kit', lock: 'W-02' })).toContain('work-stopped'); // prettier-ignore
  });

  it('keeps other jobs off until it is cleared, and has been read without pressure', () => {
    expect(findClearDistance(there([]), site)).toBeUndefined();
    expect(findClearDistance(there([['jun', LINE]]), site)).toBe(30);
    const launched = there(LAUNCHED);
    expect(findClearDistance(launched, site)).toBe(30);
    const done = (bar: number): Dossier => {
      const { clearing } = launched;
      if (!clearing) throw new Error('no line');
      const reading = { by: 'jun', at: START, bar, instrument: 'PG-T1' };
      const readings = { ahead: reading, behind: reading };
      return { ...launched, clearing: { ...clearing, run: undefined, cleared: 1, readings } };
    };
    expect(findClearDistance(done(0.5), site)).toBe(30);
    expect(findClearDistance(done(0), site)).toBeUndefined();
  });

  it('stands off from its receiver by the site’s rule or the sum, whichever is farther', () => {
    const zone = (metres: number) =>
      viewClearing(there(LAUNCHED), { ...site, values: { ...site.values, 'receiver-clear-m': metres } }, START)?.zone_m; // prettier-ignore
    expect([zone(5), zone(30), zone(80)]).toEqual([30, 30, 80]);
  });

  it('is on paper with its sections, its messages and both their times', () => {
    const sheets = describeSheets(there(LAUNCHED), { site, job: 'J-0001', now: START, copy: undefined }); // prettier-ignore
    const text = JSON.stringify(sheets.find(({ title }) => title === 'Line cleared with gas'));
    expect(text).toContain('gas goes in');
    expect(text).toContain('2026-11-24 07:00 UTC, right');
    const talk = there([['jun', { kind: 'send-message', to: 'kit', said: 'starts' }]]);
    const papers = describeSheets(talk, { site, job: 'J-0001', now: START, copy: undefined });
    expect(JSON.stringify(papers.find(({ title }) => title === 'Messages'))).toContain('NOT READ BACK'); // prettier-ignore
  });

  it('that never held gas goes with another scope; one that did stays', () => {
    const scope: CommandOf<'change-scope'> = { kind: 'change-scope', work: [{ section: 'P201-NOZ', activity: 'open' }], hours: 2, reason: 'worn' }; // prettier-ignore
    expect(
      carryOut(
        [
          ['jun', LINE],
          ['ada', scope],
        ],
        WALKED(),
      )?.clearing,
    ).toBeUndefined();
    const changed = { ...scope, kind: 'scope-changed' as const };
    const charged = evolveDossier(there(LAUNCHED), changed, { by: 'ada', at: START });
    expect(charged.clearing?.isCharged).toBe(true);
  });
});
