import type { Activity } from '../../core/plant/schema';

/** What is done at a section, as it is offered. */
export const ACTIVITY_WORDS: Readonly<Record<Activity, string>> = {
  open: 'break into it',
  enter: 'go inside',
  'hot-work': 'hot work on or in it',
  touch: 'touch conductors or moving parts',
};
