import { z } from 'zod';
import { GRADE_VALUES } from './grade-values';
import { number, rangeOf, schemaOf, type SiteValue } from './value-kinds';
import { AIR_VALUES } from './values-air';
import { WORK_VALUES } from './values-work';

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
  ...WORK_VALUES,
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
  ...AIR_VALUES,
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
