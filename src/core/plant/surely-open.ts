import { STRENGTH_BY_KIND } from './kinds';
import type { Link } from './schema';

/**
 * Whether what is read or let down on one side of a link is surely so on the other: a plain joint, and what is opened and shut by hand and
 * stands open in normal running. Never what opens by itself or from afar (check, control, relief and remote valves, contactors), never
 * a wall or winding between (exchanger, transformer), and never what stands shut. Source: practice.
 */
export const isSurelyOpen = ({ kind, normal, operated }: Link): boolean =>
  normal !== 'closed' && operated !== 'remote' && (kind === 'joint' || STRENGTH_BY_KIND[kind] > 0);
