import { computeReleased, computeReleasedVolume, OXYGEN_EFFECTS } from '../space/inert';
import { choice, defineCalculation, figure, InputFault, number, optional } from './define';
import { substanceOf } from '../gas/substances';
import { capitalise } from '../text';
import { LEAST_OXYGEN, POSITIVE, START_OXYGEN } from './fields';
import { findOwnLimit, LEAKING_GAS } from './leaking-gas';

/** What is left to breathe after inert gas was let go at once. */
export const inertRelease = defineCalculation(
  {
    id: 'inert-release',
    title: 'Air after gas is let go at once',
    question: 'Can people breathe here after this bottle or flask has let go?',
    answer: '{C} oxygen is left at the least, with up to {Cg} of the gas itself.',
    about:
      'What is left to breathe in a room after a cylinder, a Dewar flask or an extinguishing set has emptied into it, and how much of the gas itself is there.',
    formula: [
      'v = m R T / (M p)',
      'air pushed out first: C = C0 (1 - v / V)',
      'mixed as it comes: C = C0 e^(-v / V)',
      'the gas itself: Cg = v / V, no more than 1',
    ],
    source:
      'Material balance, both ways (practice); gas at 20 °C and one atmosphere; limits of exposure of NIOSH, OSHA and the EU, the lowest (from memory)',
    caution: 'A cold gas lies low and fills a pit long before it fills the room.',
    fields: {
      kind: LEAKING_GAS,
      volume: number('Volume of the space', 'V', 'volume', 'm^3', 60, POSITIVE),
      by: choice(
        'Given as',
        { mass: 'a mass', gas: 'a volume of gas at 20 °C and one atmosphere' },
        'mass',
      ),
      mass: optional('Mass let go', 'm', 'mass', 'kg', POSITIVE, 20),
      gas: optional('Volume of gas let go', 'v', 'volume', 'm^3', POSITIVE),
      molar: optional(
        'Molar mass, where it is none of these (argon 39.95)',
        'M',
        'molar-mass',
        'g/mol',
        { atLeast: 0.002, atMost: 0.4 },
      ),
      start: START_OXYGEN,
      limit: LEAST_OXYGEN,
    },
  },
  ({ kind, volume, by, mass, gas, molar, start, limit }) => {
    const released =
      by === 'mass'
        ? mass && computeReleasedVolume(mass, molar ?? substanceOf(kind).molarMass / 1000)
        : gas;
    if (released === undefined) {
      throw new InputFault(
        by === 'mass' ? 'mass' : 'gas',
        `${by === 'mass' ? 'Mass' : 'Volume of gas'} let go is missing: it stands on the bottle`,
      );
    }
    const { least_pct, mixed_pct } = computeReleased(volume, released, start * 100);
    const own = findOwnLimit(kind);
    const share = Math.min(1, released / volume);
    const worst = [...OXYGEN_EFFECTS].reverse().find(({ pct }) => least_pct <= pct);
    return {
      figures: [
        figure('Oxygen, at the least', 'C', least_pct / 100, 'ratio', '%', true),
        figure('Oxygen, if it mixes as it comes', 'Cm', mixed_pct / 100, 'ratio', '%'),
        figure(`${capitalise(substanceOf(kind).name)}, at the most`, 'Cg', share, 'ratio', '%'),
        figure('Gas that was let go', 'v', released, 'volume', 'm^3'),
      ],
      notes: [
        least_pct < limit * 100
          ? 'Below what may be breathed: nobody goes in, and nobody goes in to help without breathing apparatus.'
          : 'Not below what may be breathed once it has mixed: near the place it was.',
        ...(own && share >= own.share
          ? [
              `${capitalise(substanceOf(kind).name)} is above ${own.words}: it drives people out whatever the oxygen is.`,
            ]
          : []),
        ...(worst ? [`At ${worst.pct} %: ${worst.says}.`] : []),
      ],
    };
  },
);
