import type { Command, CommandOf, DossierState } from '../../../src/core/job';
import { carryOut, LIVE, site, START, type RefusalRow, type Step, WALKED } from '../seal-change';

/** A line of two sections, downhill. */
export const LINE: CommandOf<'plan-clearing'> = {
  kind: 'plan-clearing',
  points: [
    { at_m: 0, height_m: 12, bore_mm: 200, parts: true },
    { at_m: 100, height_m: 6, bore_mm: 200, parts: true },
    { at_m: 200, height_m: 2, bore_mm: 200, parts: true },
  ],
  drive_bar: 1.5,
  relief_bar: 2,
  weakest_bar: 10,
  density: 1000,
  speed_m_min: 20,
  launcher: 'jun',
  catcher: 'kit',
  stands: 'behind the pump house',
};
const plan = (more: Partial<typeof LINE>): Command => ({ ...LINE, ...more });
const WALK: Command = { kind: 'walk-line', seen: 'no crushed place' };
const send = (to: string): Command => ({ kind: 'send-message', to, said: 'gas goes in at ten' });
const back = (message: number, right = true): Command => ({
  kind: 'read-back',
  message,
  right,
  heard: 'gas at ten',
});
const LAUNCH: Command = { kind: 'launch-pig' };
const see = (at_m: number): Command => ({ kind: 'see-pig', at_m, how: 'heard at the marker' });
const STUCK: Command = { kind: 'pig-stuck', seen: 'pressure rises behind it' };
const read = (side: 'behind' | 'ahead', bar: number, instrument = 'PG-T1'): Command => ({
  kind: 'read-line',
  side,
  bar,
  instrument,
});
const FREE: Command = { kind: 'free-pig', how: 'line parted at the flange' };
const ARRIVED: Command = { kind: 'pig-arrived', seen: 'in the receiver' };
const BACK: Command = {
  kind: 'hand-back',
  cleared: true,
  finished: false,
  remarks: '',
};

const jun = (...commands: readonly Command[]): Step[] => commands.map((one) => ['jun', one]);
const PLANNED = (state: DossierState = LIVE()) => carryOut(jun(LINE), state);
const READY = () => carryOut(jun(WALK, send('kit'), back(1)), PLANNED());
const UNDER_WAY = () => carryOut(jun(LAUNCH), READY());
const STANDS = () => carryOut(jun(STUCK), UNDER_WAY());
const LET_DOWN = () => carryOut(jun(read('behind', 0), read('ahead', 0)), STANDS());
const CAME = () => carryOut([['kit', ARRIVED]], UNDER_WAY());
const EMPTY = () => carryOut(jun(read('behind', 0), read('ahead', 0)), CAME());
/** Both sections cleared, and read without pressure. */
const ENDED = () =>
  carryOut(
    [...jun(send('kit'), back(2), LAUNCH), ['kit', ARRIVED], ...jun(read('behind', 0), read('ahead', 0))],
    EMPTY(),
  ); // prettier-ignore
const ROSE = () => carryOut(jun(read('behind', 1), read('behind', 1.2)), STANDS());
const strict = { site: { ...site, values: { ...site.values, 'clearing-energy-most-kj': 633 } } };
const at = (minutes: number) => ({
  now: new Date(Date.parse(START) + minutes * 60_000).toISOString(),
});

/** Steps of a line that is cleared with gas, and messages, that are refused, with the codes. */
export const CLEARING_ROWS: RefusalRow[] = [
  ['a line planned', LIVE, 'jun', LINE, []],
  ['a line planned by a worker', LIVE, 'kit', LINE, ['role-missing']],
  ['a line that goes back', LIVE, 'jun', plan({ points: [...LINE.points].reverse() }), ['clearing-profile']],
  ['a relief below what drives', LIVE, 'jun', plan({ relief_bar: 1.4 }), ['clearing-relief']],
  ['a relief above what it stands', LIVE, 'jun', plan({ weakest_bar: 1.9 }), ['clearing-relief']],
  ['a valley under more than it stands', LIVE, 'jun', plan({ weakest_bar: 2.9 }), ['clearing-valley']],
  ['a height that it cannot be pushed over', LIVE, 'jun', plan({ drive_bar: 0.1, points: [{ at_m: 0, height_m: 12, bore_mm: 100, parts: true }, { at_m: 50, height_m: 2, bore_mm: 100, parts: false }, { at_m: 90, height_m: 9, bore_mm: 100, parts: true }] }), ['clearing-lift']],
  ['a section just above what the site allows', LIVE, 'jun', LINE, ['clearing-section'], strict],
  ['one person at both ends', LIVE, 'jun', plan({ catcher: 'jun' }), ['clearing-alone']],
  ['nobody known at the receiver', LIVE, 'jun', plan({ catcher: 'xy' }), ['person-unknown']],
  ['walked before it is planned', LIVE, 'jun', WALK, ['clearing-unplanned']],
  ['walked before gas was let in', () => PLANNED(), 'jun', WALK, []],
  ['launched and not walked', () => carryOut(jun(send('kit'), back(1)), PLANNED()), 'jun', LAUNCH, ['line-not-walked']],
  ['launched without a permit', () => carryOut(jun(WALK, send('kit'), back(1)), PLANNED(WALKED())), 'jun', LAUNCH, ['not-issued']],
  ['launched without a message', () => carryOut(jun(WALK), PLANNED()), 'jun', LAUNCH, ['message-missing']],
  ['launched with one not read back', () => carryOut(jun(WALK, send('kit')), PLANNED()), 'jun', LAUNCH, ['message-open']],
  ['launched with one read back wrong', () => carryOut(jun(WALK, send('kit'), back(1, false)), PLANNED()), 'jun', LAUNCH, ['message-open']],
  ['launched once it was sent again', () => carryOut(jun(WALK, send('kit'), back(1, false), send('kit'), back(2)), PLANNED()), 'jun', LAUNCH, []],
  ['launched while the message counts', READY, 'jun', LAUNCH, [], at(15)],
  ['launched after it ceases to count', READY, 'jun', LAUNCH, ['message-missing'], at(15.1)],
  ['launched by somebody else', READY, 'elif', LAUNCH, ['clearing-not-theirs']],
  ['launched behind another', () => carryOut(jun(send('kit'), back(2)), UNDER_WAY()), 'jun', LAUNCH, ['pig-under-way']],
  ['planned anew with a pig in it', UNDER_WAY, 'jun', LINE, ['pig-under-way']],
  ['walked with a pig in it', UNDER_WAY, 'jun', WALK, ['pig-under-way', 'line-under-pressure']],
  ['seen at the end of its section', UNDER_WAY, 'jun', see(100), []],
  ['seen beyond it', UNDER_WAY, 'jun', see(101), ['pig-outside']],
  ['seen with none in the line', READY, 'jun', see(10), ['no-pig']],
  ['a pig stuck, by anybody', UNDER_WAY, 'moss', STUCK, []],
  ['a stuck pig that arrives', STANDS, 'kit', ARRIVED, ['pig-is-stuck']],
  ['freed with no side let down', STANDS, 'jun', FREE, ['line-under-pressure']],
  ['freed with one side let down', () => carryOut(jun(read('behind', 0)), STANDS()), 'jun', FREE, ['line-under-pressure']],
  ['freed with a little left ahead', () => carryOut(jun(read('behind', 0), read('ahead', 0.1)), STANDS()), 'jun', FREE, ['line-under-pressure']],
  ['freed with both let down', LET_DOWN, 'jun', FREE, []],
  ['freed, and none is stuck', UNDER_WAY, 'jun', FREE, ['pig-not-stuck', 'line-under-pressure']],
  ['let go on after it was forced', ROSE, 'jun', LAUNCH, ['work-stopped', 'pig-under-way', 'message-missing'], at(20)],
  ['read with a gauge that nobody knows', STANDS, 'jun', read('behind', 0, 'PG-X'), ['instrument-unknown']],
  ['read with what reads something else', STANDS, 'jun', read('behind', 0, 'TA-3'), ['instrument-unknown']],
  ['arrived, by somebody else', UNDER_WAY, 'jun', ARRIVED, ['clearing-not-theirs']],
  ['launched again before it was let down', () => carryOut(jun(send('kit'), back(2)), CAME()), 'jun', LAUNCH, ['line-under-pressure']],
  ['launched again after it', () => carryOut(jun(send('kit'), back(2)), EMPTY()), 'jun', LAUNCH, []],
  ['launched once everything is cleared', () => carryOut(jun(send('kit'), back(3)), ENDED()), 'jun', LAUNCH, ['line-cleared']],
  ['handed back with a pig in it', UNDER_WAY, 'jun', BACK, ['pig-under-way', 'line-under-pressure']],
  ['handed back under pressure', CAME, 'jun', BACK, ['line-under-pressure']],
  ['handed back without', EMPTY, 'jun', BACK, []],
  ['a message to oneself', LIVE, 'jun', send('jun'), ['message-to-oneself']],
  ['a message to nobody', LIVE, 'jun', send('xy'), ['person-unknown']],
  ['read back by somebody else', () => carryOut(jun(send('kit')), LIVE()), 'moss', back(1), ['message-not-theirs']],
  ['read back and never sent', LIVE, 'jun', back(1), ['message-unknown']],
  ['read back twice', READY, 'jun', back(1), ['message-unknown']],
]; // prettier-ignore
