import type { Bypass } from '../../core/job';

/** Kinds of device that can be out of action, in words. */
export const BYPASS_WORDS: Readonly<Record<Bypass['kind'], string>> = {
  relief: 'relief path',
  detector: 'gas detector',
  trip: 'trip',
};
