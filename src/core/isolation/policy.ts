/** The values that a site may set for grading sources. Changing one changes the policy's version. */
export interface GradePolicy {
  readonly version: string;
  /** A job that breaks into dangerous fluids for longer than this (h) wants a positive barrier. */
  readonly longJobHours: number;
  /** Process and pressure above this (bar gauge) want two barriers with a bleed. */
  readonly highPressureBar: number;
  /** Liquids and vapours hotter than this (°C) want two barriers with a bleed. */
  readonly hotLiquidC: number;
  /** Gases hotter than this (°C) want two barriers with a bleed. */
  readonly hotGasC: number;
  /** Fluids colder than this (°C) want two barriers with a bleed. */
  readonly coldC: number;
  /** Conductors above this (V) are earthed before they are touched. */
  readonly highVoltageV: number;
}

/** Defaults. Source: practice, written from memory; 1000 V is the limit of low voltage (alternating) in IEC 61140. */
export const DEFAULT_GRADE_POLICY: GradePolicy = {
  version: 'default-2',
  longJobHours: 72,
  highPressureBar: 10,
  hotLiquidC: 60,
  hotGasC: 150,
  coldC: -40,
  highVoltageV: 1000,
};
