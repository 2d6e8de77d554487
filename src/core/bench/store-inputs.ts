import type { Medium, Section, Store } from '../plant';
import type { Given } from './given';
import { readGas, readLiquid } from './medium';

export interface Mapped {
  readonly calculation: string;
  readonly given: readonly Given[];
}

/** The hottest that a shut line is taken to become in the sun (°C), and the coolest that it was shut in at. Source: practice. */
export const SUN_C = 35;
const SHUT_IN_C = 15;

/** A numeric parameter of a store, when it is given. */
export const parameter = (store: Store, name: string): number | undefined => {
  const value: unknown = store[name];
  return typeof value === 'number' ? value : undefined;
};

/** How the parameters of a store in the plant file feed the Bench, by kind. */
export function mapStore(
  store: Store,
  section: Section,
  medium: Medium | undefined,
): Mapped & { readonly assumed?: readonly string[] } {
  const of = (name: string) => parameter(store, name);
  switch (store.kind) {
    case 'gas':
      return {
        calculation: 'gas-energy',
        given: [
          ['pressure', of('pressure_bar') ?? section.pressure_bar, 'bar'],
          ['volume', of('volume_m3') ?? section.volume_m3, 'm^3'],
          // The smaller the ratio, the more it gives.
          ['k', Math.min(...readGas(medium).ratios), '1'],
          ['scaled', 'glass-breakage'],
        ],
        assumed: readGas(medium).assumed,
      };
    case 'capacitor':
      return {
        calculation: 'capacitor',
        given: [
          ['charged', 'alternating'],
          ['voltage', of('voltage_v') ?? section.voltage_v, 'V'],
          ['capacitance', of('capacitance_f'), 'F'],
          ['resistance', of('resistance_ohm'), 'ohm'],
        ],
      };
    case 'accumulator':
      return {
        calculation: 'accumulator',
        given: [
          ['volume', of('volume_m3'), 'm^3'],
          ['precharge', of('precharge_bar'), 'bar'],
          ['pressure', of('pressure_bar') ?? section.pressure_bar, 'bar'],
        ],
      };
    case 'spring':
      return {
        calculation: 'spring',
        given: [
          ['stiffness', of('stiffness_n_m'), 'N/m'],
          ['travel', of('compression_m'), 'm'],
        ],
      };
    case 'raised-mass':
      return {
        calculation: 'raised-mass',
        given: [
          ['mass', of('mass_kg'), 'kg'],
          ['height', of('height_m'), 'm'],
        ],
      };
    case 'rotor':
      return {
        calculation: 'rotor',
        given: [
          ['body', 'given'],
          ['inertia', of('inertia_kg_m2'), 'kg m^2'],
          ['speed', of('speed_rad_s'), 'rad/s'],
          ['friction', of('friction_n_m'), 'N m'],
        ],
      };
    case 'hot-body':
      return {
        calculation: 'cooling',
        given: [
          ['by', 'body'],
          ['from', of('temperature_c') ?? section.temperature_c, 'degC'],
          ['mass', of('mass_kg'), 'kg'],
          ['heat', of('specific_heat_j_kg_k'), 'J/(kg K)'],
          ['area', of('area_m2'), 'm^2'],
          ['transfer', of('transfer_w_m2_k'), 'W/(m^2 K)'],
        ],
      };
    case 'trapped-liquid': {
      const own = of('temperature_c') ?? section.temperature_c;
      return {
        calculation: 'blocked-in',
        given: [
          ...readLiquid(medium),
          ['from', SHUT_IN_C, 'degC'],
          ['to', Math.max(SUN_C, own ?? SUN_C), 'degC'],
          ['start', section.pressure_bar ?? 0, 'bar'],
        ],
      };
    }
  }
}
