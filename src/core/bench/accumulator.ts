import { computeAccumulator, computeIsentropicEnergy } from '../energy/gas';
import { absolutePascalOrThrow } from '../units';
import { defineCalculation, figure, number } from './define';
import { absoluteOf, ATMOSPHERE, HEAT_RATIO, POSITIVE } from './fields';

export const accumulator = defineCalculation(
  {
    id: 'accumulator',
    title: 'Energy of a hydraulic accumulator',
    question: 'What is left in this accumulator, and how hard would it drive the oil out?',
    answer: 'The oil comes out with {E}.',
    about:
      'What drives the oil out when a fitting is opened, and what stays in the gas afterwards.',
    formula: [
      'gas at oil pressure: V1 = V0 P0 / P1',
      'E = P1 V1 / (k - 1) × [1 - (V1 / V0)^(k - 1)]; with k = 1: P1 V1 ln(V0 / V1)',
      'left in the precharge: P0 V0 / (k - 1) × [1 - (Pa / P0)^((k - 1) / k)]',
    ],
    source: 'Textbook thermodynamics: charged slowly, let go quickly; practice',
    caution:
      'The gas precharge stays after the oil is gone: never unscrew the gas end on the strength of a dead oil gauge.',
    fields: {
      volume: number('Nominal volume', 'V0', 'volume', 'litre', 20, POSITIVE),
      precharge: number('Gas precharge (gauge)', 'p0', 'gauge-pressure', 'bar', 90, POSITIVE),
      pressure: number('Oil pressure (gauge)', 'p1', 'gauge-pressure', 'bar', 160, POSITIVE),
      k: HEAT_RATIO,
      ambient: ATMOSPHERE,
    },
  },
  ({ volume, precharge, pressure, k, ambient }) => {
    const low = absoluteOf(precharge, ambient, 'precharge');
    const high = absoluteOf(pressure, ambient, 'pressure');
    const { oil, energy } = computeAccumulator(volume, low, high, k);
    const body = { pressure: low, volume, k, ambient: absolutePascalOrThrow(ambient) };
    return {
      figures: [
        figure('Energy that drives the oil', 'E', energy, 'energy', 'kJ', true),
        figure('Oil in it', 'Voil', oil, 'volume', 'litre'),
        figure('Energy left in the precharge', 'E0', computeIsentropicEnergy(body), 'energy', 'kJ'),
      ],
      notes: [
        ...(high <= low
          ? ['At or below its precharge there is no oil in it, and it holds its gas all the same.']
          : []),
      ],
    };
  },
);
