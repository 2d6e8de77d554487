import type { RestoreStep, Step } from '../../core/sequence';

/** What is done in each phase, in a word or two. */
export const PHASE_NAMES: Readonly<Record<Step['phase'], string>> = {
  tell: 'Tell',
  stop: 'Stop',
  'isolate-drives': 'Isolate drives',
  'bring-in': 'Bring in',
  'isolate-flows': 'Isolate flows',
  'open-way': 'Open the way',
  'see-open': 'See open',
  'let-down': 'Let down',
  restrain: 'Restrain',
  wait: 'Wait out',
  prove: 'Prove',
  'try-start': 'Try to start',
  fit: 'Fit positive',
  earth: 'Earth',
};

/** What is done at each restoring step. */
export const RESTORE_NAMES: Readonly<Record<RestoreStep['kind'], string>> = {
  'earth-off': 'Take the earth off',
  'blind-out': 'Take out, lock off',
  'free-store': 'Take the restraint off',
  'close-outlet': 'Shut',
  unlock: 'Take the lock off',
};
