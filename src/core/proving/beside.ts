import { findApproach } from '../energy/approach';
import type { SiteValues } from '../rules/values';
import { SEEN_WORDS, type Seen } from './seen';

/** Conductors that stay live beside what is worked on. */
export interface LiveBeside {
  /** Their sections, by id. */
  readonly sections: readonly string[];
  /** The highest voltage (V) among them; undefined where the drawing does not give one of them. */
  readonly volts?: number;
}

/** The live sections beside the work as one. */
export function describeBeside(
  live: readonly { readonly id: string; readonly voltage_v?: number | undefined }[],
): LiveBeside {
  const volts = live.flatMap(({ voltage_v }) => voltage_v ?? []);
  return {
    sections: live.map(({ id }) => id).sort(),
    ...(volts.length === live.length ? { volts: Math.max(...volts) } : {}),
  };
}

/** A distance rounded up to a centimetre: never shorter than the table's. */
const inMetres = (metres: number): string => `${Math.ceil(metres * 100 - 1e-6) / 100} m`;

/** How far people stay from live conductors by the site's rule, in words; that nobody knows is said as well. Source: tables of `findApproach`. */
export function sayDistance({ volts }: LiveBeside, values: SiteValues): string {
  if (volts === undefined) {
    return 'the drawing does not give its voltage, so nobody knows the distance: ask for it first';
  }
  const found = findApproach(values['approach-table'], volts);
  if (!found) {
    return `at ${volts} V no table gives a distance: the site’s electrical engineer says how far`;
  }
  const extra = values['approach-extra-m'];
  const { nearest, outer } = found;
  return `at ${volts} V all others stay ${inMetres(outer + extra)} away, and ${
    nearest === undefined
      ? 'nobody touches it'
      : `within ${inMetres(nearest + extra)} it is live work`
  }`;
}

/** What has to be seen besides a reading, in words; of live parts beside it, which they are and how far people stay away. */
export const saySeen = (seen: Seen, beside: LiveBeside | undefined, values: SiteValues): string =>
  seen === 'live-parts-screened' && beside
    ? `what stays live beside it (${beside.sections.join(', ')}) is screened off or out of reach: ${sayDistance(beside, values)}`
    : SEEN_WORDS[seen];
