import { z } from 'zod';
import type { LinkKind } from '../plant/kinds';

interface About {
  readonly title: string;
  /** Law, standard or practice that the default and the range rest on. */
  readonly basis: string;
}

export interface NumberValue extends About {
  readonly kind: 'number';
  readonly unit: string;
  readonly standard: number;
  readonly least: number;
  readonly most: number;
}

export interface ChoiceValue extends About {
  readonly kind: 'choice';
  readonly options: Readonly<Record<string, string>>;
  readonly standard: string;
}

interface TimesValue extends About {
  readonly kind: 'times';
  readonly standard: readonly string[];
}

interface ChartValue extends About {
  readonly kind: 'chart';
  readonly standard: readonly string[];
}

/** Kinds of link, chosen from those offered. */
interface KindsValue extends About {
  readonly kind: 'kinds';
  readonly offered: readonly LinkKind[];
  readonly standard: readonly LinkKind[];
}

interface ZoneValue extends About {
  readonly kind: 'zone';
  readonly standard: string;
}

/** A value of the rules that a site may set for itself: its default and the range it may be set in. */
export type SiteValue =
  NumberValue | ChoiceValue | TimesValue | ChartValue | KindsValue | ZoneValue;

/** A value that is a figure. */
export const number = (
  title: string,
  unit: string,
  [least, standard, most]: readonly [number, number, number],
  basis: string,
): NumberValue => ({ kind: 'number', title, unit, least, standard, most, basis });

const isZone = (zone: string): boolean => {
  try {
    return new Intl.DateTimeFormat('en', { timeZone: zone }).format(0) !== '';
  } catch {
    return false;
  }
};

const times = z
  .array(z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'is a time of day such as 06:00'))
  .min(1, 'a site has at least one shift')
  .max(6, 'a site has at most 6 shifts')
  .refine((all) => all.every((one, n) => n === 0 || one > (all[n - 1] ?? '')), {
    message: 'stand in the order of the day, each once',
  });

const CHART_ROW = /^(\d+(?:\.\d+)?)=(\d+)$/;

const chart = z
  .array(z.string().regex(CHART_ROW, 'is a volume and minutes such as 50=30'))
  .min(1, 'a chart has at least one row')
  .max(20, 'a chart has at most 20 rows')
  .refine(
    (rows) => {
      // A row that is none was told of already.
      if (!rows.every((row) => CHART_ROW.test(row))) return true;
      const read = rows.map((row) => row.split('=').map(Number));
      return read.every(([volume = 0, minutes = 0], n) => {
        const [before = 0, least = 0] = read[n - 1] ?? [];
        return volume > before && minutes > 0 && minutes >= least;
      });
    },
    { message: 'larger spaces come later, and never take less time' },
  );

/** Checks one value against its range. */
export function schemaOf(value: SiteValue): z.ZodType {
  switch (value.kind) {
    case 'number':
      return z.number().min(value.least).max(value.most);
    case 'choice':
      return z.enum(Object.keys(value.options));
    case 'times':
      return times;
    case 'chart':
      return chart;
    case 'kinds':
      return z
        .array(z.enum(value.offered as readonly [LinkKind, ...LinkKind[]]))
        .max(value.offered.length)
        .refine((all) => new Set(all).size === all.length, { message: 'names a kind twice' });
    case 'zone':
      return z.string().max(60).refine(isZone, { message: 'is not a time zone' });
  }
}

/** The range of a value in words. */
export function rangeOf(value: SiteValue): string {
  switch (value.kind) {
    case 'number':
      return `${value.least} to ${value.most} ${value.unit}`;
    case 'choice':
      return Object.values(value.options).join('; or ');
    case 'chart':
      return 'volumes (m³) with minutes in order, such as 10=20, 50=30';
    case 'kinds':
      return `kinds among ${value.offered.join(', ')}`;
    case 'times':
      return 'times of day in order, such as 06:00, 14:00, 22:00';
    case 'zone':
      return 'a time zone by its name, such as UTC';
  }
}
