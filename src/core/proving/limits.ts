import type { ProofKind } from './proofs';

/** The highest reading of each kind that still counts as dead, and where the figure comes from. */
export const DEAD_LIMITS: Readonly<
  Record<ProofKind, { readonly most: number; readonly least: number; readonly basis: string }>
> = {
  voltage: {
    least: 0,
    most: 5,
    basis:
      'dead means at or about zero volts (EN 50110-1, 3.4.5, from memory); 5 V is site practice',
  },
  pressure: { least: 0, most: 0, basis: 'a line is let down when the gauge reads zero (practice)' },
  level: { least: 0, most: 0, basis: 'empty (practice)' },
  motion: { least: 0, most: 0, basis: 'standing still (practice)' },
  temperature: {
    least: -50,
    most: 43,
    basis: 'touchable without harm for as long as work lasts (ISO 13732-1, from memory)',
  },
};

/**
 * Minutes that an isolation may be left with nobody at it before it is proved again. Source: practice; site rule.
 */
export const UNATTENDED_MINUTES = 60;

/** Test pairs among n conductors and earth: n(n - 1) / 2 with earth counted. Source: counting; practice. */
export function countTestPairs(conductorsWithEarth: number): number {
  return (conductorsWithEarth * (conductorsWithEarth - 1)) / 2;
}
