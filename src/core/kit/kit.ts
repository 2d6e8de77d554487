import { TZDate } from '@date-fns/tz';
import { addMonths, addYears } from 'date-fns';
import { refuse, type Refusal } from '../rules/refuse';
import type { SiteValues } from '../rules/values';

/** What is asked of a kind of kit. */
interface KitKind {
  readonly name: string;
  /** It is blown up and listened to before each use. */
  readonly air?: true;
  /** It is rated for a voltage. */
  readonly volts?: true;
  /** Nobody tests it against a date: it is only looked at before use. */
  readonly untested?: true;
}

/** Kinds of kit. Source: air test of gloves before use: 29 CFR 1910.137(c)(2)(ii), from memory; test dates: practice. */
export const KIT_KINDS = {
  gloves: { name: 'insulating gloves', air: true, volts: true },
  'proving-unit': { name: 'proving unit', volts: true },
  rod: { name: 'operating rod', volts: true },
  harness: { name: 'harness' },
  lanyard: { name: 'lanyard' },
  climbing: { name: 'climbing gear' },
  ladder: { name: 'ladder' },
  sling: { name: 'sling' },
  crane: { name: 'crane or hoist' },
  radio: { name: 'radio', untested: true },
  breathing: { name: 'breathing set' },
} as const satisfies Record<string, KitKind>;
export type KitKindName = keyof typeof KIT_KINDS;
export const KIT_KIND_NAMES = Object.keys(KIT_KINDS) as [KitKindName, ...KitKindName[]];

/** A piece of kit as the register has it. Times are ISO 8601, UTC. */
export interface KitRow {
  readonly id: string;
  readonly name: string;
  readonly kind?: KitKindName | undefined;
  readonly testedUntil?: string | undefined;
  readonly rated_v?: number | undefined;
  /** Why it is out of use. */
  readonly unsafe?: string | undefined;
}

const kindOf = ({ kind }: KitRow): KitKind | undefined => kind && KIT_KINDS[kind];

/** Whether it is blown up and listened to before each use. */
export const needsAir = (row: KitRow): boolean => kindOf(row)?.air === true;

/** Why a piece of kit may not be used: out of use, out of date, without a date, rated for less than it meets (V). */
export function refuseKit(row: KitRow, now: string, volts = 0): Refusal[] {
  const { id, name, testedUntil, unsafe, rated_v = 0 } = row;
  const kind = kindOf(row);
  const facts = { kit: `${id} (${name})` };
  const isUndated = testedUntil === undefined && kind?.untested !== true;
  const isOver = testedUntil !== undefined && Date.parse(testedUntil) < Date.parse(now);
  return [
    ...(unsafe === undefined ? [] : [refuse('kit-unsafe', { ...facts, why: unsafe })]),
    ...(isUndated ? [refuse('kit-undated', facts)] : []),
    ...(isOver ? [refuse('kit-out-of-date', { ...facts, until: testedUntil.slice(0, 10) })] : []),
    ...(kind?.volts && rated_v < volts
      ? [refuse('kit-underrated', { ...facts, rated: rated_v, volts })]
      : []),
  ];
}

/** What is pressure equipment. */
export const PRESSURE_KINDS = {
  vessel: 'vessel',
  receiver: 'air receiver',
  boiler: 'boiler',
  hose: 'hose',
  'relief-valve': 'relief valve',
  gauge: 'gauge',
} as const;
export type PressureKindName = keyof typeof PRESSURE_KINDS;
export const PRESSURE_KIND_NAMES = Object.keys(PRESSURE_KINDS) as [
  PressureKindName,
  ...PressureKindName[],
];
/** What has a certificate of its own. */
const CERTIFIED: ReadonlySet<PressureKindName> = new Set(['vessel', 'receiver', 'boiler']);

/** A piece of pressure equipment as the register has it. Times are ISO 8601, UTC. */
export interface PressureRow {
  readonly id: string;
  readonly name: string;
  readonly of: PressureKindName;
  readonly portable?: boolean | undefined;
  /** The equipment, section or point of the drawing that it is. */
  readonly at?: string | undefined;
  readonly certificate?: string | undefined;
  /** When it was inspected and tested under pressure last. */
  readonly inspectedAt?: string | undefined;
  readonly testedAt?: string | undefined;
  /** When it was repaired, altered, laid up, moved or found worn since, and which. */
  readonly alteredAt?: string | undefined;
  readonly altered?: string | undefined;
  readonly unsafe?: string | undefined;
}

/** Days are counted by the same calendar on every machine. */
const utc = (at: string): TZDate => new TZDate(Date.parse(at), 'UTC');
const inUtc = (date: Date): string => new Date(date.getTime()).toISOString();

/** By when it is inspected and tested again (ISO 8601, UTC); undefined where nobody has said when it was last. */
export function findPressureDue(
  { portable, inspectedAt, testedAt, alteredAt }: PressureRow,
  values: SiteValues,
): { readonly inspect: string | undefined; readonly test: string | undefined } {
  const months = values[portable ? 'inspect-portable-months' : 'inspect-fixed-months'];
  const tested = testedAt && inUtc(addYears(utc(testedAt), values['pressure-test-years']));
  const isAltered =
    alteredAt !== undefined && !(Date.parse(testedAt ?? '') >= Date.parse(alteredAt));
  return {
    inspect: inspectedAt && inUtc(addMonths(utc(inspectedAt), months)),
    test: isAltered ? alteredAt : tested,
  };
}

/** Why pressure equipment may not be used: out of use, not inspected or tested in time, without its certificate. */
export function refusePressure(row: PressureRow, values: SiteValues, now: string): Refusal[] {
  const { id, name, of, unsafe, certificate, altered, alteredAt } = row;
  const facts = { item: `${id} (${name})` };
  const { inspect, test } = findPressureDue(row, values);
  const isPast = (at: string | undefined): boolean =>
    at === undefined || Date.parse(at) < Date.parse(now);
  const isAltered = alteredAt !== undefined && test === alteredAt;
  const day = (at: string | undefined) => at?.slice(0, 10) ?? 'no day that anybody wrote down';
  return [
    ...(unsafe === undefined ? [] : [refuse('pressure-unsafe', { ...facts, why: unsafe })]),
    ...(isPast(inspect) ? [refuse('pressure-inspect', { ...facts, due: day(inspect) })] : []),
    ...(isAltered
      ? [refuse('pressure-altered', { ...facts, what: altered ?? 'changed', at: day(alteredAt) })]
      : []),
    // A gauge is calibrated and a relief valve set when they are inspected.
    ...(of !== 'gauge' && of !== 'relief-valve' && !isAltered && isPast(test)
      ? [refuse('pressure-test-due', { ...facts, due: day(test) })]
      : []),
    ...(CERTIFIED.has(of) && certificate === undefined
      ? [refuse('pressure-certificate', facts)]
      : []),
  ];
}
