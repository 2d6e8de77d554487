/** The words that a plant file is written in, apart from the schema that checks it: screens need the words alone. */
export const ENERGIES = [
  'electrical',
  'mechanical',
  'pressure',
  'process',
  'thermal',
  'gravity',
  'radiation',
] as const;
export const HAZARDS = [
  'flammable',
  'toxic',
  'asphyxiant',
  'corrosive',
  'hot',
  'cold',
  'oxidising',
] as const;
export const ACTIVITIES = ['open', 'enter', 'hot-work', 'touch'] as const;
export const GAUGE_READS = [
  'pressure',
  'level',
  'temperature',
  'voltage',
  'motion',
  'gas',
] as const;

/** What stands about that fire or vapour can reach: things that are no part of a line, and where lines end in the open. */
export const SURROUNDING_KINDS = [
  'combustible',
  'cylinder',
  'drain',
  'vent',
  'sample-point',
  'open-end',
  'opening',
  'other-side',
  'floor-below',
] as const;

/** Grades of isolation, weakest first. */
export const GRADES = ['single', 'single-bled', 'double', 'double-bled', 'positive'] as const;
export type Grade = (typeof GRADES)[number];

export type Hazard = (typeof HAZARDS)[number];

/** The hazards of a medium: every one there is when the drawing does not say. */
export const hazardsOf = ({
  hazards,
}: {
  readonly hazards?: readonly (typeof HAZARDS)[number][] | undefined;
}): readonly (typeof HAZARDS)[number][] => hazards ?? HAZARDS;
