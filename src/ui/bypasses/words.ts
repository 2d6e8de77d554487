import type { Bypass } from '../../core/job';

/** Kinds of device that can be out of action, in words. */
export const BYPASS_WORDS: Readonly<Record<Bypass['kind'], string>> = {
  relief: 'relief path',
  detector: 'gas detector',
  trip: 'trip',
};

/** "2026-11-24 15:00 UTC". */
export const inWords = (at: string) => `${at.slice(0, 10)} ${at.slice(11, 16)} UTC`;
