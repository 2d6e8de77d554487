import { HAND_VALVE_KINDS, type LinkKind } from './kinds';
import type { Link } from './schema';

/** Plain ways, and gaps and blanks that are not fitted. */
const PLAIN: ReadonlySet<LinkKind> = new Set([
  'joint',
  'hose',
  'flange',
  'spool',
  'spectacle-blind',
  'spade',
]);

/**
 * Whether what is let down or read on one side of a link is surely so on the other: a plain joint or hose, a flange, a spool that is in, a
 * blind that stands open, and a hand-operated valve that stands open in normal running. Never what opens by itself or from
 * afar (check, control, relief and remote valves, steam traps), never a pump, a wall or a winding, never what stands shut or is stuck.
 * Source: practice.
 */
export const isSurelyOpen = ({ kind, normal, operated, seized }: Link): boolean =>
  normal !== 'closed' &&
  operated !== 'remote' &&
  seized !== true &&
  (PLAIN.has(kind) || HAND_VALVE_KINDS.has(kind));

/**
 * Whether a link can be locked open by hand, so that a let-down or a relief path may rely on it: a hand-operated valve that takes a
 * lock. A blank that stands closed is a gap and stays one.
 */
export const canStandOpen = ({ kind, lockable, operated, seized }: Link): boolean =>
  lockable !== false && operated !== 'remote' && seized !== true && HAND_VALVE_KINDS.has(kind);
