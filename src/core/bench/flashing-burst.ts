import {
  computeFlashingBurst,
  computeWaterBurst,
  FLASHING,
  flashingRange,
} from '../energy/flashing';
import { computeStandOff, TNT_PCC2 } from '../energy/gas';
import { SATURATION_RANGE } from '../energy/steam';
import { choice, defineCalculation, figure, InputFault, number } from './define';
import { ATMOSPHERE, namesOf, POSITIVE, PREVENTS, sayBeyondTiers } from './fields';

const FLUIDS = { water: 'water', ...namesOf(FLASHING) };

/** The burst of a vessel of something that boils as it is let go. */
export const flashingBurst = defineCalculation(
  {
    id: 'flashing-burst',
    title: 'Burst of hot water, steam and liquefied gas',
    question: 'How hard would this boiler or gas tank let go?',
    answer: 'It would let go with {E}; people stay {R} away from the blast.',
    about:
      'The energy of a liquid above its boiling point, or of its vapour, that expands at once, and how far people stay away.',
    formula: [
      'E = m (u1 - u2) at the same entropy',
      'liquefied gas: E = m [c (T - Tb) - x (L - R Tb / M)], x = c Tb ln(T / Tb) / L',
      'distance as on the page of compressed gas',
    ],
    source:
      'Baker et al. (1983); CCPS, vessel bursts (from memory); water after IAPWS-IF97 (R7-97); liquefied gases: CRC Handbook (from memory), constant specific heat',
    caution:
      'The distance is for the blast alone: not for fragments, not for a fireball, and not for a cloud that burns or poisons far beyond it.',
    fields: {
      fluid: choice('What is inside', FLUIDS, 'water'),
      content: choice(
        'It stands as',
        { liquid: 'liquid at its boiling point', vapour: 'vapour at its boiling point' },
        'liquid',
      ),
      temperature: number('Temperature', 'T', 'temperature', 'degC', 170, {
        atLeast: 200,
        atMost: SATURATION_RANGE.most,
      }),
      volume: number('Volume of it', 'V', 'volume', 'm^3', 2, POSITIVE),
      scaled: PREVENTS,
      ambient: ATMOSPHERE,
    },
  },
  ({ fluid, content, temperature, volume, scaled, ambient }) => {
    if (fluid !== 'water' && content === 'vapour') {
      throw new InputFault(
        'content',
        'It stands as must be liquid here: the vapour of a liquefied gas is a gas, use the page of compressed gas',
      );
    }
    if (fluid !== 'water') {
      const { least, most } = flashingRange(FLASHING[fluid]);
      if (temperature <= least || temperature > most) {
        const celsius = (kelvin: number) => (kelvin - 273.15).toFixed(0);
        throw new InputFault(
          'temperature',
          `Temperature must be above ${celsius(least)} °C, where ${FLUIDS[fluid]} boils, and at most ${celsius(most)} °C: nearer to its critical point the sum does not hold`,
        );
      }
    }
    const burst =
      fluid === 'water'
        ? computeWaterBurst(content, temperature, ambient)
        : computeFlashingBurst(FLASHING[fluid], temperature);
    if (!burst) {
      throw new InputFault(
        'temperature',
        'Temperature must be above the boiling point of water at the surroundings: below it nothing bursts, and it still scalds',
      );
    }
    const mass = volume / burst.volume;
    const energy = mass * burst.energy;
    return {
      figures: [
        figure('Energy', 'E', energy, 'energy', 'MJ', true),
        figure('TNT with the same energy, PCC-2', 'TNT', energy / TNT_PCC2, 'mass', 'kg'),
        figure('Stand-off', 'R', computeStandOff(energy, scaled), 'length', 'm'),
        figure('Mass', 'm', mass, 'mass', 'kg'),
        figure('Vapour right after', 'x', burst.vapour, 'ratio', '%'),
      ],
      notes: [
        content === 'liquid'
          ? 'A litre of hot liquid holds far more than a litre of its vapour: drain and cool before anything is loosened.'
          : 'If liquid stands below the vapour, work it out as well and add the two.',
        ...sayBeyondTiers(energy),
      ],
    };
  },
);
