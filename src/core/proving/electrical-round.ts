import { DEAD_LIMITS } from './limits';

/** How the conductors of a line are arranged; the earth comes on top. */
export const ARRANGEMENTS = {
  'four-wire': ['L1', 'L2', 'L3', 'N'],
  'three-wire': ['L1', 'L2', 'L3'],
  'single-phase': ['L', 'N'],
} as const;
export type Arrangement = keyof typeof ARRANGEMENTS;

export const ARRANGEMENT_NAMES = Object.keys(ARRANGEMENTS) as Arrangement[];

/** A tester shows a live source when it reads at least so much (V). Source: the touch-voltage limit of 50 V; practice. */
export const SHOWS_LIVE_V = 50;

/** A round with a voltage tester: on a known source, on every pair in turn, on the known source again. Readings in V. */
export interface ElectricalRound {
  readonly arrangement: Arrangement;
  /** The live source or proving unit, in words, and what it is rated for. */
  readonly source: string;
  readonly source_v: number;
  readonly before_v: number;
  readonly after_v: number;
  /** By pair, as `listPairs` names them. */
  readonly readings: Readonly<Record<string, number>>;
}

/** Every pair of conductors and earth: 3 on one phase, 6 on three wires, 10 on four. */
export function listPairs(arrangement: Arrangement): string[] {
  const all = [...ARRANGEMENTS[arrangement], 'E'];
  return all.flatMap((one, n) => all.slice(n + 1).map((other) => `${one}-${other}`));
}

/** What a round comes to. */
export interface RoundVerdict {
  readonly missing: readonly string[];
  /** Named pairs that this arrangement does not have. */
  readonly foreign: readonly string[];
  /** When the tester did not show the known source live. */
  readonly unproved: readonly { readonly when: 'before' | 'after'; readonly read: number }[];
  /** The pair that reads most, whichever way round. */
  readonly worst: { readonly pair: string; readonly volts: number } | undefined;
  readonly isDead: boolean;
}

/**
 * Judges a round: every pair has to be tested, the tester has to show the known source live before and after, and no pair may
 * read above the limit. Source: proving dead, EN 50110-1, 6.2.4, and HSE GS38, both from memory.
 */
export function judgeRound(round: ElectricalRound): RoundVerdict {
  const pairs = listPairs(round.arrangement);
  const read = Object.entries(round.readings).map(([pair, volts]) => ({
    pair,
    volts: Math.abs(volts),
  }));
  const worst = read.reduce<(typeof read)[number] | undefined>(
    (most, one) => (!most || one.volts > most.volts ? one : most),
    undefined,
  );
  const known = [
    { when: 'before', read: round.before_v },
    { when: 'after', read: round.after_v },
  ] as const;
  return {
    missing: pairs.filter((pair) => !(pair in round.readings)),
    foreign: read.map(({ pair }) => pair).filter((pair) => !pairs.includes(pair)),
    unproved: known.filter((one) => Math.abs(one.read) < SHOWS_LIVE_V),
    worst,
    isDead: worst !== undefined && worst.volts <= DEAD_LIMITS.voltage.most,
  };
}
