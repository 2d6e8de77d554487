import type { NumberedTag } from '../../core/job';

/** How a point of a plan is held, in words. */
export const HELD_WORDS: Readonly<Record<NumberedTag['held'], string>> = {
  closed: 'closed and locked',
  open: 'open and locked',
  earthed: 'earthed',
  restrained: 'held',
};
