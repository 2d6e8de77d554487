import type { Command, Context, DossierState } from '../../../src/core/job';
import { carryOut, ISSUED_WITH, LIVE, nobody, START, type RefusalRow } from '../seal-change';

const HOT = () => ISSUED_WITH('spark');
const place = (device: string, use: 'entry' | 'hot-work' = 'hot-work'): Command => ({
  kind: 'place-detector',
  device,
  use,
  place: 'beside the welder',
});
const STANDS = () => carryOut([['finn', place('GM-20')]], HOT());
const report = (device: string, methane: number): Command => ({
  kind: 'report-air',
  device,
  readAt: START,
  readings: [
    { gas: 'oxygen', shown: 20.9, unit: '%vol' },
    { gas: 'methane', shown: methane, unit: '%LFL' },
  ],
});
const silent = (device: string): Command => ({
  kind: 'report-fault',
  device,
  why: 'silent',
  words: 'it sends nothing',
  since: START,
});
const SILENT = () => carryOut([['GM-20', silent('GM-20')]], STANDS());
const OTHER: Partial<Context> = {
  others: {
    ...nobody,
    open: () => [{ id: 'J-0009', dossier: STANDS() as NonNullable<DossierState> }],
  },
};

/** Detectors that stand at a job and speak for themselves, with the codes. */
export const DETECTOR_ROWS: RefusalRow[] = [
  ['a detector placed', HOT, 'finn', place('GM-20'), []],
  ['a detector placed by someone untrained', HOT, 'kit', place('GM-20'), ['role-missing']],
  ['a detector where no paper asks for one', LIVE, 'finn', place('GM-20'), ['air-not-asked']],
  ['a detector for a use that is not', HOT, 'finn', place('GM-20', 'entry'), ['air-not-asked']],
  ['a detector out of date placed', HOT, 'finn', place('GD-6'), ['detector-unfit']],
  ['a gauge placed', HOT, 'finn', place('PG-T1'), ['detector-unfit']],
  ['a detector that stands elsewhere', HOT, 'finn', place('GM-20'), ['detector-elsewhere'], OTHER],
  ['a monitor of another circle placed', HOT, 'finn', place('GM-1'), ['detector-elsewhere'], OTHER],
  [
    'a detector taken that does not stand here',
    HOT,
    'finn',
    { kind: 'take-detector', device: 'GM-20' },
    ['detector-not-placed'],
  ],
  ['a detector taken', STANDS, 'finn', { kind: 'take-detector', device: 'GM-20' }, []],
  ['an alarm by the detector itself', STANDS, 'GM-20', report('GM-20', 2), []],
  ['an alarm by a monitor of the circle', HOT, 'GM-1', report('GM-1', 2), []],
  [
    'an alarm by a person in its name',
    STANDS,
    'hana',
    report('GM-20', 2),
    ['device-speaks-itself'],
  ],
  [
    'an alarm by one that does not stand here',
    HOT,
    'GM-21',
    report('GM-21', 2),
    ['detector-not-placed'],
  ],
  [
    'an alarm with a value that cannot be: it is bad news all the same',
    STANDS,
    'GM-20',
    { ...report('GM-20', 60), readings: [{ gas: 'oxygen', shown: -0.2, unit: '%vol' }] } as Command,
    [],
  ],
  ['an alarm by another device', STANDS, 'GM-21', report('GM-20', 2), ['device-speaks-itself']],
  ['a fault of a device', STANDS, 'GM-20', silent('GM-20'), []],
  ['a fault told by a person', STANDS, 'hana', silent('GM-20'), ['device-speaks-itself']],
  [
    'a fault of one that does not stand here',
    HOT,
    'GM-21',
    silent('GM-21'),
    ['detector-not-placed'],
  ],
  ['a device heard again', SILENT, 'GM-20', { kind: 'hear-detector', device: 'GM-20' }, []],
  [
    'a device heard that was never silent',
    STANDS,
    'GM-20',
    { kind: 'hear-detector', device: 'GM-20' },
    ['air-is-fit'],
  ],
  [
    'signing on while a detector is silent',
    SILENT,
    'hana',
    { kind: 'sign-on', person: 'kit', lock: 'W-02' },
    ['work-stopped', 'detector-silent'],
  ],
  [
    'a stop lifted while a detector is silent',
    SILENT,
    'hana',
    { kind: 'lift-stop', found: 'nothing' },
    ['detector-silent'],
  ],
  [
    'a silent detector taken away',
    () => carryOut([['finn', { kind: 'take-detector', device: 'GM-20' }]], SILENT()),
    'hana',
    { kind: 'lift-stop', found: 'an empty battery' },
    [],
  ],
  ['an alarm of air that is fit', STANDS, 'GM-20', report('GM-20', 0.2), ['air-is-fit']],
  [
    'signing on after a detector’s alarm',
    () => carryOut([['GM-20', report('GM-20', 2)]], STANDS()),
    'hana',
    { kind: 'sign-on', person: 'kit', lock: 'W-02' },
    ['work-stopped', 'air-unfit'],
  ],
];
