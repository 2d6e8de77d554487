import type { LinkKind } from './kinds';

/**
 * The words of the field for a link's two positions. In the model `closed` always means that nothing passes; an electrician who
 * closes a switch puts it on. So whoever reads "off" never reads "closed", and the other way round.
 */
export interface PositionWords {
  /** What is done so that nothing passes: "switch off". */
  readonly isolate: string;
  /** The position in which nothing passes, and that in which it passes. */
  readonly closed: string;
  readonly open: string;
}

const SHUT: PositionWords = { isolate: 'shut', closed: 'shut', open: 'open' };
const SWITCH: PositionWords = { isolate: 'switch off', closed: 'off', open: 'on' };
const BLIND: PositionWords = { isolate: 'fit', closed: 'blanked', open: 'not blanked' };

/** Words of a link of a kind; kinds that never isolate are spoken of as shut or open. */
export function wordsOfKind(kind: LinkKind): PositionWords {
  switch (kind) {
    case 'isolator':
    case 'circuit-breaker':
    case 'fuse-switch':
    case 'contactor':
      return SWITCH;
    case 'withdrawn-breaker':
      return { isolate: 'switch off and withdraw', closed: 'off and withdrawn', open: 'on' };
    case 'disconnected-cable':
      return { isolate: 'disconnect', closed: 'disconnected', open: 'connected' };
    case 'spectacle-blind':
    case 'spade':
      return BLIND;
    case 'spool':
      return { isolate: 'take out and blank', closed: 'out and blanked', open: 'in' };
    case 'coupling':
      return { isolate: 'part', closed: 'parted', open: 'coupled' };
    case 'clutch':
      return { isolate: 'disengage', closed: 'disengaged', open: 'engaged' };
    case 'pin':
      return { isolate: 'put in', closed: 'in', open: 'out' };
    default:
      return SHUT;
  }
}
