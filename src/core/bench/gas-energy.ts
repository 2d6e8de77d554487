import {
  canExpand,
  computeBrodeEnergy,
  computeIsentropicEnergy,
  computeIsothermalEnergy,
  computeLiquidEnergy,
  computeStandOff,
  isIsothermal,
  SCALED_DISTANCES,
  TNT_CONVENTION,
  TNT_PCC2,
  type ScaledDistance,
} from '../energy/gas';
import { absolutePascalOrThrow } from '../units';
import { defineCalculation, figure, InputFault, number } from './define';
import {
  absoluteOf,
  ATMOSPHERE,
  HEAT_RATIO,
  IDEAL,
  POSITIVE,
  PREVENTS,
  sayBeyondTiers,
} from './fields';

const SCALED = Object.keys(SCALED_DISTANCES) as ScaledDistance[];

/** What a body of compressed gas holds, beside the same volume of liquid, and how far to stay away from it. */
export const gasEnergy = defineCalculation(
  {
    id: 'gas-energy',
    title: 'Energy of compressed gas',
    question: 'How hard would this let go, and how far off do people stay?',
    answer: 'It would let go with {E}; people stay {Rmax} away.',
    about:
      'What a line, vessel or test piece full of gas would give if it let go, and how far people stay away.',
    formula: [
      'isentropic: E = P V / (k - 1) × [1 - (Pa / P)^((k - 1) / k)]',
      'isothermal: E = P V ln(P / Pa)',
      'Brode: E = (P - Pa) V / (k - 1)',
      'liquid: E = (P - Pa)² V / (2 K)',
      'TNT = E / 4.267 MJ/kg; R = max(tier, r (2 TNT)^(1/3))',
    ],
    source:
      'Baker et al. (1983), Brode (1959); TNT, tiers and scaled distances after ASME PCC-2 Article 501 (from memory)',
    caution:
      'The distance says nothing of fragments, a whipping hose or a jet. Liquids that flash when let down are not gases: use the flashing page.',
    fields: {
      pressure: number('Pressure (gauge)', 'p', 'gauge-pressure', 'bar', 7, IDEAL),
      volume: number('Volume', 'V', 'volume', 'm^3', 1.5, POSITIVE),
      k: HEAT_RATIO,
      ambient: ATMOSPHERE,
      modulus: number('Bulk modulus of the liquid', 'K', 'modulus', 'GPa', 2.2, POSITIVE),
      scaled: PREVENTS,
    },
  },
  ({ pressure, volume, k, ambient, modulus, scaled }) => {
    const body = {
      pressure: absoluteOf(pressure, ambient, 'pressure'),
      volume,
      k,
      ambient: absolutePascalOrThrow(ambient),
    };
    if (!canExpand(body)) {
      throw new InputFault(
        'pressure',
        'Pressure (gauge) must be at least 0: under vacuum nothing expands outwards; the danger is collapse and inrush',
      );
    }
    const isentropic = computeIsentropicEnergy(body);
    const isothermal = computeIsothermalEnergy(body);
    const brode = computeBrodeEnergy(body);
    const most = Math.max(isentropic, isothermal, brode ?? 0);
    const kept = SCALED.includes(scaled) ? scaled : 'glass-breakage';
    return {
      figures: [
        figure('Isentropic energy', 'E', isentropic, 'energy', 'kJ', true),
        figure('Isothermal energy', 'ET', isothermal, 'energy', 'kJ'),
        ...(brode === undefined ? [] : [figure('Energy after Brode', 'EB', brode, 'energy', 'kJ')]),
        figure(
          'The same volume full of liquid',
          'EL',
          computeLiquidEnergy(pressure, volume, modulus),
          'energy',
          'kJ',
        ),
        figure(
          'TNT with the same isentropic energy, PCC-2',
          'TNT',
          isentropic / TNT_PCC2,
          'mass',
          'kg',
        ),
        figure(
          'TNT at 4.184 MJ/kg by convention',
          'TNT',
          isentropic / TNT_CONVENTION,
          'mass',
          'kg',
        ),
        figure(
          'Stand-off on the isentropic energy, PCC-2',
          'R',
          computeStandOff(isentropic, kept),
          'length',
          'm',
        ),
        figure(
          'Stand-off on the largest of the three energies',
          'Rmax',
          computeStandOff(most, kept),
          'length',
          'm',
        ),
      ],
      notes: [
        ...(pressure === 0
          ? ['No overpressure: nothing is driven out. The gas is still inside.']
          : []),
        ...(isIsothermal(k) ? ['With k = 1 the isentropic form is the isothermal one.'] : []),
        ...sayBeyondTiers(isentropic),
      ],
    };
  },
);
