import { LIQUID_NAMES, LIQUIDS } from '../energy/liquids';
import { computePocketed, computeWarmedGas } from '../energy/shut-in';
import { computeWaterCompressibility, computeWaterDensity } from '../energy/water';
import { choice, defineCalculation, figure, InputFault, number, optional } from './define';
import { absoluteOf, ATMOSPHERE, IDEAL } from './fields';

const ZERO_C = 273.15;
const DRAWN_STEPS = 40;

/** What is known of water between two temperatures (K): its expansion over both, and how it gives; undefined outside the formulas. */
function readWater(from: number, to: number) {
  const [cold, warm] = [from - ZERO_C, to - ZERO_C];
  if (cold < 0 || warm > 100) return undefined;
  const expansion =
    to === from ? 0 : Math.log(computeWaterDensity(cold) / computeWaterDensity(warm)) / (to - from);
  return { expansion, compressibility: computeWaterCompressibility((cold + warm) / 2) / 1e5 };
}

/** Gas shut in and warmed, alone or over a liquid. */
export const shutIn = defineCalculation(
  {
    id: 'shut-in',
    title: 'Gas shut in and warmed, alone or over a liquid',
    question: 'What pressure comes of gas that is shut in and warms?',
    answer: 'It comes to {P2}.',
    about:
      'A shut line or vessel of gas in the sun or beside a heater, and one full of liquid but for a pocket of gas.',
    formula: [
      'gas alone: P2 = P1 T2 / T1 (absolute)',
      'over a liquid: P2 (V - VL2) / T2 = P1 (V - VL1) / T1, with VL2 = VL1 e^(β dT) e^(-κ (P2 - P1))',
    ],
    source: 'Ideal gas law; liquids as on the page of blocked-in liquids; water after Kell (1975)',
    caution:
      'Walls are taken as rigid and no gas as dissolved, which gives the higher figure. A liquid that boils raises its own vapour pressure on top. A pocket that is lost leaves a line that is full: far worse.',
    fields: {
      content: choice(
        'Shut in',
        { gas: 'gas alone', pocket: 'a liquid with a pocket of gas' },
        'gas',
      ),
      pressure: number(
        'Pressure when it was shut (gauge)',
        'P1',
        'gauge-pressure',
        'bar',
        5,
        IDEAL,
      ),
      from: number('Temperature when it was shut', 'T1', 'temperature', 'degC', 15, { above: 0 }),
      to: number('Temperature it comes to', 'T2', 'temperature', 'degC', 60, { above: 0 }),
      liquid: choice('Liquid', { water: 'water', ...LIQUID_NAMES }, 'water'),
      pocket: optional('Share that is gas', 'x', 'ratio', '%', { above: 0, below: 1 }, 5),
      design: optional('Design pressure (gauge)', 'Pd', 'gauge-pressure', 'bar', { above: 0 }),
      relief: optional('Relief set at (gauge)', 'Ps', 'gauge-pressure', 'bar', { above: 0 }),
      ambient: ATMOSPHERE,
    },
  },
  ({ content, pressure, from, to, liquid, pocket, design, relief, ambient }) => {
    const start = absoluteOf(pressure, ambient, 'pressure');
    if (content === 'pocket' && to < from) {
      throw new InputFault(
        'to',
        'Temperature it comes to must be at least the one it was shut at: what cools draws a vacuum, which this sum does not give',
      );
    }
    const reach = (kelvin: number): number => {
      if (content === 'gas') return computeWarmedGas(start, from, kelvin);
      if (pocket === undefined)
        throw new InputFault(
          'pocket',
          'Share that is gas is missing: without a pocket use the page of blocked-in liquids',
        );
      const of = liquid === 'water' ? readWater(from, kelvin) : LIQUIDS[liquid];
      if (!of)
        throw new InputFault(
          'to',
          'Temperatures must be 0 to 100 °C for water: beyond, it freezes or boils',
        );
      return computePocketed({ volume: 1, pocket, pressure: start, from, to: kelvin, ...of });
    };
    const reached = reach(to);
    const over = reached - ambient;
    return {
      figures: [
        figure('Pressure it comes to (gauge)', 'P2', over, 'gauge-pressure', 'bar', true),
        figure('Rise', 'dP', reached - start, 'gauge-pressure', 'bar'),
      ],
      notes: [
        ...(over < 0
          ? ['Below the atmosphere: it draws in whatever leaks, and thin walls may give.']
          : []),
        ...(design !== undefined && over > design
          ? ['Above the design pressure: it may not be shut in like this.']
          : []),
        ...(relief !== undefined && over > relief
          ? ['The relief lifts: look where it leads.']
          : []),
      ],
      curve: {
        x: { label: 'temperature', quantity: 'temperature', unit: 'degC' },
        y: { label: 'pressure (gauge)', quantity: 'gauge-pressure', unit: 'bar' },
        points: Array.from({ length: DRAWN_STEPS + 1 }, (_, step) => {
          const kelvin = from + ((to - from) * step) / DRAWN_STEPS;
          return [kelvin, reach(kelvin) - ambient] as const;
        }),
        ...(design === undefined ? {} : { level: { label: 'design', value: design } }),
      },
    };
  },
);
