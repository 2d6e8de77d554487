import type { Command, Context, DossierState } from '../../../src/core/job';
import {
  carryOut,
  ISSUED_WITH,
  LIVE,
  nobody,
  site,
  START,
  type RefusalRow,
  BRIEF_WATCH,
  READY,
  UNSIGNED,
} from '../seal-change';

const HOT = () => ISSUED_WITH('spark');
/** The same job as it stands before anyone looked at its surroundings. */
const BARE = (): DossierState => {
  const state = HOT();
  return state && { ...state, hotWork: { cleared: {} } };
};
const after = (minutes: number) => new Date(Date.parse(START) + minutes * 60_000).toISOString();

const BACK = {
  kind: 'hand-back',
  cleared: true,
  finished: true,
  unsigned: UNSIGNED,
  remarks: '',
  watcher: 'sol',
} as const;
const WATCHED = () => carryOut([['jun', BACK]], HOT());
const round = (more: Partial<Extract<Command, { kind: 'make-round' }>> = {}): Command => ({
  kind: 'make-round',
  person: 'sol',
  found: 'cold',
  seen: 'floor and lagging',
  final: false,
  ...more,
});
/** Rounds made so many minutes after the last spark. */
const ROUNDS =
  (...minutes: number[]) =>
  () =>
    minutes.reduce((state, one) => carryOut([['sol', round()]], state, after(one)), WATCHED());
const END: Command = { kind: 'end-fire-watch', told: 'Cora at the desk', operator: 'dov' };
const OVER = () => carryOut([['sol', END]], ROUNDS(15, 30, 45, 60)(), after(60));
/** The same job with nobody, or with two, told what is where. */
const UNBRIEFED = (): DossierState => {
  const state = HOT();
  if (!state) return state;
  const { cold, cleared, monitors } = state.hotWork;
  return {
    ...state,
    hotWork: { cleared, ...(cold ? { cold } : {}), ...(monitors ? { monitors } : {}) },
  };
};
const HALF_SEEN = () => carryOut([['jun', { ...BRIEF_WATCH, sees: 'not-all' }]], HOT());
const WATCHING = (state: DossierState, ...people: string[]) =>
  carryOut(
    people.map((person) => [
      'hana',
      { kind: 'take-duty', person, duty: 'fire-watch', checked: READY['fire-watch'] },
    ]),
    state,
  );
const SPARKS: Command = { kind: 'sign-on', person: 'kit', lock: 'W-02', sparks: true };
const CLOSE: Command = { kind: 'close-permit', inspected: 'cold' };
const SIGN_ON = { kind: 'sign-on', person: 'kit', lock: 'W-02' } as const;
const ASK: Command = { kind: 'ask-cold', can: 'no', cold: 'a weld', elsewhere: 'fixed' };
const clear = (neighbour: string, way: 'watched' | 'covered' | 'removed'): Command => ({
  kind: 'clear-neighbour',
  neighbour,
  way,
  note: 'seen',
});
const place = (...devices: string[]): Command => ({
  kind: 'place-monitors',
  devices,
  from_deg: 90,
  wind_m_s: 0,
});
const safety = { ...site, values: { ...site.values, 'tail-final': 'safety' as const } };
const WATCHED_TO_SAFETY = () => {
  const state = OVER();
  return state?.permit.kind === 'watched'
    ? {
        ...state,
        permit: { ...state.permit, tail: { ...state.permit.tail, final: 'safety' as const } },
      }
    : state;
};
const GATE = ['cold-not-asked', 'surroundings-open'] as const;

/** The same job as if it were by the gas holder. */
const BY_HOLDER = (): DossierState => {
  const state = HOT();
  const work = [{ section: 'HW-GAS', activity: 'touch' as const }];
  return state && { ...state, scope: { ...state.scope, work } };
};
type Blank = Extract<Command, { kind: 'clear-neighbour' }>['blank'];
const blanked = (blank?: Blank): Command => ({
  kind: 'clear-neighbour',
  neighbour: 'OE-SP',
  way: 'blanked',
  note: 'swung and pinned',
  ...(blank ? { blank } : {}),
});
const BLANKS_OUT: Command = { kind: 'take-out-blanks', neighbour: 'OE-SP', seen: 'swung back' };
const BLANKED = (): DossierState => {
  const state = BY_HOLDER();
  const mark = { by: 'jun', at: START, way: 'blanked', note: '' } as const;
  const blank = { links: ['SB-SP'], under: 'J-0009' };
  return state && { ...state, hotWork: { cleared: { 'OE-SP': { ...mark, blank } } } };
};
/** Another job beside it: hot work itself, on the same pump or on other sections. */
const OTHERS = (work?: NonNullable<DossierState>['scope']['work']): Partial<Context> => {
  const other = HOT() as NonNullable<DossierState>;
  const dossier = work ? { ...other, scope: { ...other.scope, work } } : other;
  return { others: { ...nobody, open: () => [{ id: 'J-0009', dossier }] } };
};

/** Hot work whose surroundings hold it up, and the watch after the last spark, with the codes. */
export const HOT_ROWS: RefusalRow[] = [
  ['hot work that nobody looked round for', BARE, 'hana', SIGN_ON, [...GATE, 'monitors-few']],
  [
    'a body that breathes out at an opening nobody sealed',
    BY_HOLDER,
    'hana',
    SIGN_ON,
    // Nothing has been let down, proved or tested for the other place.
    ['not-let-down', 'not-proved', 'surroundings-open', 'breathes-out', 'air-places-left'],
  ],
  ['asking whether it can be done cold', BARE, 'hana', ASK, []],
  ['asking it of a job that is not hot', LIVE, 'hana', ASK, ['no-hot-work']],
  [
    'signing on although it can be done cold',
    () =>
      carryOut(
        [['hana', { kind: 'ask-cold', can: 'cold', cold: 'a clamp', elsewhere: 'no' }]],
        HOT(),
      ),
    'hana',
    SIGN_ON,
    ['can-be-cold'],
  ],
  ['a neighbour that is covered', BARE, 'jun', clear('GR-PMP', 'covered'), []],
  ['a grating that is removed', BARE, 'jun', clear('GR-PMP', 'removed'), ['neighbour-not-so']],
  ['something that is far away', BARE, 'jun', clear('DRUMS', 'removed'), ['neighbour-unknown']],
  ['a blank of which nobody says where', BY_HOLDER, 'jun', blanked(), ['blank-unsaid']],
  [
    'a blank under a job that is nowhere near',
    BY_HOLDER,
    'jun',
    blanked({ links: ['SB-SP'], under: 'J-0009' }),
    ['blank-not-held'],
    OTHERS([{ section: 'P201-CAS', activity: 'open' }]),
  ],
  [
    'a blank that leaves the path open',
    BY_HOLDER,
    'jun',
    blanked({ links: ['SB-D1'], under: 'J-0009' }),
    ['blank-not-enough', 'blank-not-held'],
    OTHERS([{ section: 'SP-1', activity: 'open' }]),
  ],
  [
    'a blank fitted under a job that works there',
    BY_HOLDER,
    'jun',
    blanked({ links: ['SB-SP'], under: 'J-0009' }),
    [],
    OTHERS([{ section: 'SP-1', activity: 'open' }]),
  ],
  ['blanks taken out that nobody put in', BY_HOLDER, 'finn', BLANKS_OUT, ['no-blanks']],
  ['blanks taken out', BLANKED, 'finn', BLANKS_OUT, []],
  ['monitors by the gas tester', BARE, 'finn', place('GM-1', 'GM-2'), []],
  ['monitors by someone else', BARE, 'kit', place('GM-1'), ['role-missing']],
  ['a monitor out of date', BARE, 'finn', place('GD-6'), ['monitor-unfit']],
  ['a gauge for a monitor', BARE, 'finn', place('PG-T1'), ['monitor-unfit']],
  ['a monitor named twice', BARE, 'finn', place('GM-1', 'GM-1'), ['monitor-twice']],
  [
    'a monitor that stands at another job',
    BARE,
    'finn',
    place('GM-1'),
    ['monitor-elsewhere'],
    OTHERS(),
  ],
  [
    'a fire watch with nothing checked',
    HOT,
    'hana',
    { kind: 'take-duty', person: 'sol', duty: 'fire-watch', checked: ['radio'] },
    ['duty-not-ready'],
  ],
  ['a round where nothing is watched', HOT, 'sol', round(), ['no-tail']],
  ['a round by the watch', WATCHED, 'sol', round(), [], { now: after(15) }],
  [
    'a round by someone else',
    WATCHED,
    'lena',
    round({ person: 'lena' }),
    ['not-on-watch'],
    { now: after(15) },
  ],
  [
    'a round by someone else who is not trained',
    WATCHED,
    'kit',
    round({ person: 'kit' }),
    ['not-on-watch', 'role-missing'],
    { now: after(15) },
  ],
  [
    'the last look too early',
    ROUNDS(15, 30),
    'sol',
    round({ final: true }),
    ['tail-final-early'],
    { now: after(45) },
  ],
  ['the last look as it ends', OVER, 'sol', round({ final: true }), [], { now: after(60) }],
  [
    'the last look at something warm',
    OVER,
    'sol',
    round({ final: true, found: 'warm' }),
    ['tail-final-not-cold'],
    { now: after(60) },
  ],
  [
    'the last look by the watch where safety makes it',
    WATCHED_TO_SAFETY,
    'sol',
    round({ final: true }),
    ['tail-final-by'],
    { now: after(60), site: safety },
  ],
  [
    'the last look by safety',
    WATCHED_TO_SAFETY,
    'quin',
    round({ final: true, person: 'quin' }),
    [],
    { now: after(60), site: safety },
  ],
  [
    'closing without the last look',
    OVER,
    'hana',
    CLOSE,
    ['tail-final-missing'],
    { now: after(61) },
  ],
  [
    'closing after the last look',
    () => carryOut([['sol', round({ final: true })]], OVER(), after(60)),
    'hana',
    CLOSE,
    [],
    { now: after(61) },
  ],
  [
    'closing an hour on after a missed round',
    ROUNDS(15, 45, 60),
    'hana',
    CLOSE,
    ['tail-running'],
    { now: after(60) },
  ],
  [
    'closing an hour on after something was warm',
    () => carryOut([['sol', round({ found: 'warm' })]], ROUNDS(15, 30)(), after(45)),
    'hana',
    CLOSE,
    ['tail-running'],
    { now: after(60) },
  ],
  [
    'closing with the control room not told',
    () => carryOut([['sol', round({ final: true })]], ROUNDS(15, 30, 45, 60)(), after(60)),
    'hana',
    CLOSE,
    ['watch-end-untold'],
    { now: after(61) },
  ],
  [
    'the watch ended while it is unbroken',
    ROUNDS(15, 30),
    'sol',
    END,
    ['watch-still-unbroken'],
    { now: after(59) },
  ],
  ['the watch ended in time', ROUNDS(15, 30, 45, 60), 'sol', END, [], { now: after(60) }],
  [
    'the watch ended by somebody else',
    ROUNDS(15, 30, 45, 60),
    'lena',
    END,
    ['not-on-watch'],
    { now: after(60) },
  ],
  [
    'the checks handed to somebody who is not of operations',
    ROUNDS(15, 30, 45, 60),
    'sol',
    { kind: 'end-fire-watch', told: 'the desk', operator: 'kit' },
    ['role-missing'],
    { now: after(60) },
  ],
  ['the watch ended twice', OVER, 'sol', END, ['already-done'], { now: after(61) }],
  ['a watch ended that is none', HOT, 'sol', END, ['no-tail']],
  [
    'sparks before the watch knows the place',
    () => WATCHING(UNBRIEFED(), 'sol'),
    'hana',
    SPARKS,
    ['watch-not-briefed'],
  ],
  [
    'sparks that one watch does not see all of',
    () => WATCHING(HALF_SEEN(), 'sol'),
    'hana',
    SPARKS,
    ['duty-missing'],
  ],
  [
    'sparks that two watches see all of',
    () => WATCHING(HALF_SEEN(), 'sol', 'lena'),
    'hana',
    SPARKS,
    [],
  ],
  ['the place gone through by a worker', HOT, 'kit', BRIEF_WATCH, ['role-missing']],
  ['the watch handed over', WATCHED, 'sol', { kind: 'hand-over-watch', to: 'lena' }, []],
  [
    'the watch handed to someone untrained',
    WATCHED,
    'sol',
    { kind: 'hand-over-watch', to: 'kit' },
    ['role-missing'],
  ],
  [
    'the watch taken away',
    WATCHED,
    'hana',
    { kind: 'hand-over-watch', to: 'lena' },
    ['not-on-watch'],
  ],
  [
    'the watch given back to whoever has it',
    WATCHED,
    'sol',
    { kind: 'hand-over-watch', to: 'sol' },
    ['on-duty'],
  ],
  [
    'a vessel watched from inside',
    () => ISSUED_WITH('spark', 'enter'),
    'jun',
    BACK,
    ['watch-inside'],
  ],
];
