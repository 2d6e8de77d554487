import { z } from 'zod';
import { GRADE_VALUES } from './grade-values';
import { number, rangeOf, schemaOf, type SiteValue } from './value-kinds';

/** Every value of the rules that a site may set for itself, by code, each with its default and the range it may be set in. */
export const SITE_VALUES = {
  zone: {
    kind: 'zone',
    title: 'Time zone of the site',
    standard: 'UTC',
    basis: 'shifts begin by the clock on the wall',
  },
  'shift-starts': {
    kind: 'times',
    title: 'Shifts begin at',
    standard: ['06:00', '18:00'],
    basis: 'site rule',
  },
  validity: {
    kind: 'choice',
    title: 'How long a permit is valid',
    options: {
      shift: 'to the end of the shift at most',
      day: 'up to 24 h, revalidated at the start of each shift',
    },
    standard: 'shift',
    basis:
      'both schools are in use (practice); NFPA 51B and HSG250 tie a permit to the shift (from memory)',
  },
  'longest-validity-h': number(
    'Longest a permit is valid when issued, where it ends with the shift',
    'h',
    [1, 12, 24],
    'practice',
  ),
  'retest-within-min': number(
    'A proof counts as a retest for an extension when it is no older than',
    'min',
    [5, 60, 120],
    'practice',
  ),
  'revalidation-grace-min': number(
    'Time to revalidate a permit after a shift begins',
    'min',
    [0, 30, 60],
    'practice',
  ),
  lockout: {
    kind: 'choice',
    title: 'How workers lock on, unless the job says otherwise',
    options: {
      box: 'each on a box that holds the keys of the points',
      'each-point': 'each on every point',
    },
    standard: 'box',
    basis: '29 CFR 1910.147(f)(3) allows group lockout that protects as well as own locks',
  },
  'approach-table': {
    kind: 'choice',
    title: 'Distances from bare live parts are those of',
    options: {
      strictest: 'whichever table asks for more',
      en: 'EN 50110-1: live zone and vicinity',
      osha: '29 CFR 1910.333: qualified people and all others',
    },
    standard: 'strictest',
    basis: 'EN 50110-1, Table A.1 (from memory); 29 CFR 1910.333(c)(3), Table S-5 and (i)(A)',
  },
  'approach-extra-m': number(
    'Added to each distance from bare live parts',
    'm',
    [0, 0, 20],
    'practice; tools, ladders and loads count from their far end',
  ),
  'stake-least-m': number('An earth stake stands at least deep', 'm', [0.6, 0.6, 3], 'practice'),
  briefing: {
    kind: 'choice',
    title: 'The briefing before the work',
    options: {
      signed: 'is recorded question by question, and everybody who was there signs',
      said: 'is held, and whoever issues the permit says so',
    },
    standard: 'signed',
    basis: 'both are in use (practice)',
  },
  'briefing-h': number('A briefing counts for', 'h', [1, 12, 24], 'practice; one shift'),
  'lift-alone-kg': number(
    'One person lifts at most',
    'kg',
    [5, 23, 23],
    'NIOSH lifting equation (Waters et al., 1993): 23 kg in the best posture',
  ),
  'cylinders-off-m': number(
    'Gas cylinders stand off from cutting and welding by at least',
    'm',
    [7.6, 7.6, 50],
    'practice: 25 ft',
  ),
  'kit-check-h': number(
    'What was looked at before use counts for',
    'h',
    [1, 12, 24],
    'practice; one shift',
  ),
  'probe-tip-most-mm': number(
    'Bare tip of a voltage tester is at most',
    'mm',
    [1, 4, 4],
    'HSE GS38 (from memory): 4 mm, better 2 mm',
  ),
  'inspect-portable-months': number(
    'Portable pressure equipment is inspected every',
    'months',
    [1, 6, 24],
    'practice; the local code counts',
  ),
  'inspect-fixed-months': number(
    'Fixed pressure equipment is inspected every',
    'months',
    [1, 12, 60],
    'practice; the local code counts',
  ),
  'pressure-test-years': number(
    'Pressure equipment is tested at the latest every',
    'years',
    [1, 3, 10],
    'practice; the local code counts',
  ),
  'clearing-energy-most-kj': number(
    'A section that is cleared with gas holds at most',
    'kJ',
    [10, 1000, 135_500],
    'practice; ASME PCC-2, Article 501 (from memory), has its first tier of distance end at 135 500 kJ',
  ),
  'receiver-clear-m': number(
    'Nobody within, of the receiver of a pig',
    'm',
    [5, 30, 500],
    'practice; the stand-off worked out counts where it is longer',
  ),
  'message-counts-min': number(
    'A message that was read back counts for the next step for',
    'min',
    [1, 15, 60],
    'practice',
  ),
  'lift-one-kg': number(
    'One person lifts at most',
    'kg',
    [5, 23, 25],
    'revised NIOSH lifting equation: load constant 23 kg (from memory)',
  ),
  ...GRADE_VALUES,
  'let-down-valves': {
    kind: 'choice',
    title: 'Valves that stand open on the way of a let-down are',
    options: {
      seen: 'seen open before anything is let down',
      locked: 'locked open by the plan',
    },
    standard: 'seen',
    basis: 'practice: a way that somebody may shut is no way; locked is the stricter',
  },
  'fire-watch': {
    kind: 'choice',
    title: 'Fire watch',
    options: {
      'each-welder': 'one for each welder',
      shared: 'one for several welders, when an issuing authority allows it by name',
    },
    standard: 'each-welder',
    basis: 'practice, the stricter as default',
  },
  'tail-min': number(
    'Fire watch after the last spark',
    'min',
    [30, 60, 1440],
    '29 CFR 1910.252(a)(2)(iii)(B): at least 30 min; NFPA 51B (2019 on): 60 min',
  ),
  'tail-checks-min': number(
    'Then looked at from time to time for',
    'min',
    [0, 0, 720],
    'site regimes of 3 h after the watch are in use (practice)',
  ),
  'tail-round-min': number(
    'While it is watched, a round every',
    'min',
    [5, 15, 30],
    'practice; a watch that nobody can show was kept does not count',
  ),
  'tail-check-min': number(
    'While it is looked at from time to time, a round every',
    'min',
    [10, 30, 120],
    'practice',
  ),
  'tail-final': {
    kind: 'choice',
    title: 'The last look after hot work is made by',
    options: { 'fire-watch': 'a fire watch', safety: 'a safety auditor' },
    standard: 'fire-watch',
    basis: 'long regimes end with safety’s look (practice)',
  },
  'monitor-spacing-m': number(
    'Monitors round hot work stand at most apart',
    'm',
    [2, 10, 20],
    'practice; a cloud is wider than the gap',
  ),
  'monitor-leave-s': number(
    'Time to stop hot work and leave after an alarm',
    's',
    [5, 15, 300],
    'practice',
  ),
  'hot-work-radius-m': number(
    'Hot work keeps from what can burn by',
    'm',
    [11, 11, 50],
    'NFPA 51B and 29 CFR 1910.252(a)(2)(vii): 35 ft (11 m)',
  ),
  'lift-clear-m': number('Nobody within, beside a lift', 'm', [3, 10, 100], 'practice'),
  'radiography-clear-m': number(
    'Nobody within, beside radiography',
    'm',
    [10, 30, 500],
    'practice; the distance follows from the source and is set by the radiation protection adviser',
  ),
  'pressure-test-clear-m': number(
    'Nobody within, beside a pressure test',
    'm',
    [3, 10, 200],
    'practice; the stand-off of the Bench counts where it is longer',
  ),
  'oxygen-least': number(
    'Least oxygen to enter',
    '% vol',
    [19.5, 20, 20.9],
    '29 CFR 1910.146(b): 19.5 %; the stricter practice as default',
  ),
  'oxygen-most': number(
    'Most oxygen to enter or for hot work',
    '% vol',
    [21, 23.5, 23.5],
    '29 CFR 1910.146(b): 23.5 %',
  ),
  'entry-lfl-most': number(
    'Flammables to enter: below',
    '% LFL',
    [1, 10, 10],
    '29 CFR 1910.146(b): 10 % of the LFL',
  ),
  'hot-lfl-most': number(
    'Flammables for hot work: below',
    '% LFL',
    [0.5, 1, 10],
    'the stricter practice as default',
  ),
  'exposure-most': number(
    'Poisons to enter, of their exposure limits',
    '%',
    [10, 100, 100],
    '29 CFR 1910.146(b) and 1910.1000; the stricter of the limits for a day and for any time',
  ),
  'exposure-school': {
    kind: 'choice',
    title: 'Exposure limits are those of',
    options: {
      strictest: 'whichever is the lowest',
      us: 'NIOSH and OSHA',
      eu: 'the EU Directives',
    },
    standard: 'strictest',
    basis:
      'two schools of limits are in force (from memory); where the chosen one has none for a gas, the other counts',
  },
  'lfl-basis': {
    kind: 'choice',
    title: 'Lower flammable limits are those of',
    options: { iec: 'IEC 60079-20-1 (the lower)', nfpa: 'NFPA 325' },
    standard: 'iec',
    basis: 'the same gas has two limits; detectors are calibrated to one of them',
  },
  'air-test-min': number(
    'A gas test lets people on for',
    'min',
    [5, 60, 240],
    'tested again after each break (practice)',
  ),
  't90-times': number(
    'A reading of the air counts after so many times the sensor’s time to nine tenths',
    'times',
    [1, 3, 5],
    'practice; fewer only where the instrument’s manual says so',
  ),
  'detector-silence-s': number(
    'A detector that stands at a job may be silent for at most',
    's',
    [10, 60, 600],
    'a detector reads without a break (practice); nobody knows what the air is where nothing is read',
  ),
  'oxygen-fresh': number(
    'Oxygen in fresh air',
    '% vol',
    [20, 20.9, 20.95],
    '20.9 or 20.95 % vol are in use; the lower as default',
  ),
  'purge-chart': {
    kind: 'chart',
    title: 'Chart of purge times: spaces up to so many m³ = min',
    standard: ['10=20', '50=30', '200=45', '1000=90', '2000=150'],
    basis: 'the site’s own chart; the longest of chart, sum and field rule counts (practice)',
  },
  'air-changes-h': number(
    'Air changes while people are inside a space, at least',
    '1/h',
    [4, 10, 60],
    'practice; heat, welding fume and large spaces want their own sum',
  ),
  'call-every-min': number(
    'People inside a space are called at least every',
    'min',
    [2, 15, 60],
    'practice; 29 CFR 1910.146(i)(5)',
  ),
  'rescue-drill-days': number(
    'The rescue is practised at least every',
    'days',
    [30, 365, 366],
    '29 CFR 1910.146(k)(2)(iv): once every 12 months',
  ),
  'entry-kept-h': number(
    'Longest a device may keep an entry before it is sent',
    'h',
    [1, 12, 24],
    'site rule',
  ),
  'leak-test-shows': number(
    'A leak test with gas is held until it would show a leak of',
    'mbar L/s',
    [0.1, 10, 1000],
    'practice; pressure-change method, EN 1779 (from memory)',
  ),
  'leak-test-min': number('Shortest a pressure is held', 'min', [5, 10, 120], 'practice'),
  'inspection-h': number(
    'Isolations that stand for long are inspected every',
    'h',
    [24, 168, 720],
    'practice; HSG253, from memory',
  ),
  'electrical-authority-v': number(
    'An electrical authorisation that names no voltage covers up to',
    'V',
    [50, 1000, 1000],
    'practice; IEC 60038 parts low from high voltage at 1000 V (from memory)',
  ),
  'pin-digits': number(
    'A PIN has at least',
    'digits',
    [4, 6, 10],
    'practice; six digits take thousands of days to guess at the tries that are let through',
  ),
  'session-idle-min': number(
    'Who does nothing at a desk is signed out after',
    'min',
    [5, 120, 720],
    'practice; nobody signs in the name of someone who has gone home',
  ),
  'session-idle-gate-min': number(
    'Who does nothing at a gate screen is signed out after',
    'min',
    [1, 15, 720],
    'practice; many people pass a gate screen',
  ),
  'session-idle-phone-min': number(
    'Who does nothing on a phone is signed out after',
    'min',
    [5, 240, 720],
    'practice; a phone is carried by one person, and its hands may be busy',
  ),
  'backup-every-h': number(
    'A backup is made every',
    'h',
    [1, 24, 168],
    'practice; what was recorded since the last one is lost with the disk',
  ),
  'backup-keep': number('Backups that are kept', 'backups', [2, 14, 365], 'practice'),
  'bypass-most-h': number('Longest a device may be bypassed', 'h', [1, 168, 720], 'practice'),
  'procedure-inspect-d': number(
    'Procedures are inspected within',
    'd',
    [30, 365, 365],
    '29 CFR 1910.147(c)(6)(i): at least annually',
  ),
  'defect-most-h': number(
    'Longest that something may stand in for a defect',
    'h',
    [1, 168, 720],
    'practice',
  ),
  barriers: {
    kind: 'choice',
    title: 'Barriers and notices are recorded before a permit is issued',
    options: {
      electrical: 'at conductors, and at equipment of a kind that has cautions',
      always: 'on every job',
    },
    standard: 'electrical',
    basis: '29 CFR 1910.335(b) at live parts; elsewhere practice',
  },
  'change-most-d': number(
    'Longest that a temporary change may stand',
    'days',
    [1, 90, 365],
    'practice',
  ),
} as const satisfies Readonly<Record<string, SiteValue>>;

type Table = typeof SITE_VALUES;
export type ValueCode = keyof Table;
type ValueOf<Row> = Row extends { kind: 'number' }
  ? number
  : Row extends { kind: 'choice'; options: infer Options }
    ? keyof Options & string
    : Row extends { kind: 'times' | 'chart' | 'kinds' }
      ? readonly string[]
      : string;

/** The values as they stand at a site. */
export type SiteValues = { readonly [Code in ValueCode]: ValueOf<Table[Code]> };

const rows = Object.entries(SITE_VALUES) as [ValueCode, SiteValue][];

export const DEFAULT_VALUES = Object.fromEntries(
  rows.map(([code, { standard }]) => [code, standard]),
) as unknown as SiteValues;

/** Checks a document of site values; every code has to be there, and each within its range. */
export const siteValuesSchema = z.strictObject(
  Object.fromEntries(rows.map(([code, value]) => [code, schemaOf(value)])),
) as unknown as z.ZodType<SiteValues>;

/** The range of a value in words, as it stands beside its field. */
export const describeRange = (code: ValueCode): string => rangeOf(SITE_VALUES[code]);
