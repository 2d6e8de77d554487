import { r1, r2, r4_P_Tsat, r4_T_Psat } from '@neutrium/thermo.eos.iapws97/dist/PT';
import { ProgrammerFault } from '../result';
import { absolutePascalOrThrow, type AbsolutePascal } from '../units';

/** Water and steam after IAPWS-IF97 (R7-97), by a general library; pressures absolute (Pa), temperatures in kelvin. */

const MEGA = 1e6;

/** Range in which saturation is computed: the triple point to 350 °C. */
export const SATURATION_RANGE = { least: 273.16, most: 623.15 } as const;

/** Pressure at which water boils at a temperature; undefined outside the range. */
export const computeBoilingPressure = (kelvin: number): AbsolutePascal | undefined =>
  kelvin >= SATURATION_RANGE.least && kelvin <= SATURATION_RANGE.most
    ? absolutePascalOrThrow(r4_T_Psat(kelvin) * MEGA)
    : undefined;

/** Temperature (K) at which water boils at a pressure; undefined outside 611.7 Pa to 16.5 MPa. */
export const computeBoilingPoint = (pressure: AbsolutePascal): number | undefined =>
  pressure >= 611.7 && pressure <= 16.529e6 ? r4_P_Tsat(pressure / MEGA) : undefined;

function readState({ v, h, s, u }: { v: unknown; h: unknown; s: unknown; u: unknown }) {
  if (
    typeof v !== 'number' ||
    typeof h !== 'number' ||
    typeof s !== 'number' ||
    typeof u !== 'number'
  ) {
    throw new ProgrammerFault('IAPWS-IF97 gave no figures');
  }
  return { volume: v, enthalpy: h * 1000, entropy: s * 1000, inner: u * 1000 };
}

/** Liquid water: specific volume (m³/kg), enthalpy and inner energy (J/kg), entropy (J/(kg K)). */
export function computeLiquid(pressure: AbsolutePascal, kelvin: number) {
  return readState(r1(pressure / MEGA, kelvin));
}

/** Steam: the same. */
export function computeVapour(pressure: AbsolutePascal, kelvin: number) {
  return readState(r2(pressure / MEGA, kelvin));
}

/** What becomes of hot water let down to a lower pressure. */
export interface Flash {
  /** Share of the mass that turns to steam, 0 to 1; 0 when it stays liquid. */
  readonly share: number;
  /** Where it boils at the lower pressure (K). */
  readonly boils: number;
  /** Volume of that steam (m³) for each kg of water. */
  readonly steamVolume: number;
}

/**
 * Flashes water of `kelvin` at `pressure` to `back` pressure at constant enthalpy. Undefined when a pressure or temperature is
 * outside the formulas, or when it is no liquid to begin with.
 */
export function computeFlash(
  pressure: AbsolutePascal,
  kelvin: number,
  back: AbsolutePascal,
): Flash | undefined {
  const own = computeBoilingPressure(kelvin);
  const boils = computeBoilingPoint(back);
  if (own === undefined || boils === undefined || pressure < own * (1 - 1e-9)) return undefined;
  const liquid = computeLiquid(back, boils);
  const vapour = computeVapour(back, boils);
  const before = computeLiquid(pressure, kelvin);
  const share = Math.max(
    0,
    (before.enthalpy - liquid.enthalpy) / (vapour.enthalpy - liquid.enthalpy),
  );
  return { share: kelvin <= boils ? 0 : share, boils, steamVolume: share * vapour.volume };
}
