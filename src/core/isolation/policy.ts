import type { Grade } from '../plant';

/** What each rule of the table asks for. */
export interface GradeTable {
  /** A person goes inside, or hot work is done on it. */
  readonly inside: Grade;
  /** Opened, and what can come is flammable, toxic or asphyxiant; the same for a long job. */
  readonly lethal: Grade;
  readonly lethalLong: Grade;
  /** Opened, and what can come is corrosive or oxidising. */
  readonly harmful: Grade;
  /** Opened, at high pressure. */
  readonly pressure: Grade;
  /** Opened, hot or very cold. */
  readonly temperature: Grade;
  /** Opened, any other fluid. */
  readonly fluid: Grade;
  readonly electrical: Grade;
  /** Everything else: machines, weights, heat, rays, fluids at what is only touched. */
  readonly other: Grade;
}

/** The values that a site may set for grading sources. */
export interface GradePolicy {
  readonly version: string;
  /** Whether the table alone counts, or the stricter of table and score. */
  readonly school: 'table' | 'stricter';
  readonly table: GradeTable;
  /** A job that breaks into dangerous fluids for longer than this (h) wants more. */
  readonly longJobHours: number;
  /** Process and pressure above this (bar gauge) are at high pressure. */
  readonly highPressureBar: number;
  /** Liquids and vapours hotter than this (°C) are hot. */
  readonly hotLiquidC: number;
  /** Gases hotter than this (°C) are hot. */
  readonly hotGasC: number;
  /** Fluids colder than this (°C) are very cold. */
  readonly coldC: number;
  /** Conductors above this (V) are earthed before they are touched. */
  readonly highVoltageV: number;
}

/** Defaults. Source: practice, written from memory; 1000 V is the limit of low voltage (alternating) in IEC 61140. */
export const DEFAULT_GRADE_POLICY = {
  version: 'default-3',
  school: 'table',
  table: {
    inside: 'positive',
    lethal: 'double-bled',
    lethalLong: 'positive',
    harmful: 'double-bled',
    pressure: 'double-bled',
    temperature: 'double-bled',
    fluid: 'single-bled',
    electrical: 'single',
    other: 'single',
  },
  longJobHours: 72,
  highPressureBar: 10,
  hotLiquidC: 60,
  hotGasC: 150,
  coldC: -40,
  highVoltageV: 1000,
} as const satisfies GradePolicy;
