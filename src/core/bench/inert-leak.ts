import { substanceOf } from '../gas/substances';
import {
  computeOxygenAfter,
  computeSettledOxygen,
  computeTimeToOxygen,
  OXYGEN_EFFECTS,
} from '../space/inert';
import { capitalise } from '../text';
import { bySite, defineCalculation, figure, InputFault, number } from './define';
import { LEAST_OXYGEN, NOT_NEGATIVE, OXYGEN_SHARE, POSITIVE, START_OXYGEN } from './fields';
import { findOwnLimit, LEAKING_GAS } from './leaking-gas';

const DRAWN_STEPS = 80;
/** A curve goes on for so long after the last limit, or over so many turnovers where no limit is reached. */
const DRAWN_BEYOND = 1.2;
const TURNOVERS = 4;

/** How long people can breathe in a space that a gas leaks into. */
export const inertLeak = defineCalculation(
  {
    id: 'inert-leak',
    title: 'Air while a gas leaks in',
    question: 'How long can people breathe here while this gas leaks in, or once the blower stops?',
    answer: [
      'The air can be breathed for {t} at the most.',
      'Oxygen settles at {Ce}, for as long as the fresh air comes.',
    ],
    about:
      'A room or space with a leak of nitrogen or any other gas, with or without fresh air: until oxygen is too low, or the gas itself poisons or nearly burns, whichever is sooner.',
    formula: [
      'C∞ = Q Ca / (Q + G)',
      'C = C∞ + (C0 - C∞) e^(-(Q + G) t / V)',
      'the gas itself by the same law, from what has taken the place of oxygen at the start',
    ],
    source:
      'Dilution of a well-stirred space (ACGIH Industrial Ventilation, from memory); least oxygen 29 CFR 1910.146; effects CGA SB-2; limits of exposure of NIOSH, OSHA and the EU, the lowest (all from memory)',
    caution:
      'A room is never well stirred: near the leak, in a pit or under a roof it is worse, and sooner. Many gases nobody smells or feels coming. Wear a detector, and leave at the alarm.',
    fields: {
      gas: LEAKING_GAS,
      volume: number('Volume of the space', 'V', 'volume', 'm^3', 60, POSITIVE),
      leak: number('Gas that leaks in', 'G', 'volume-flow', 'm^3/h', 6, NOT_NEGATIVE),
      fresh: number(
        'Fresh air (0 once the blower has stopped)',
        'Q',
        'volume-flow',
        'm^3/h',
        0,
        NOT_NEGATIVE,
      ),
      start: START_OXYGEN,
      air: bySite(
        number('Oxygen of the fresh air', 'Ca', 'ratio', '%', 20.9, OXYGEN_SHARE),
        'oxygen-fresh',
      ),
      limit: LEAST_OXYGEN,
    },
  },
  ({ gas, volume, leak, fresh, start, air, limit }) => {
    if (leak === 0) {
      throw new InputFault(
        'leak',
        'Gas that leaks in must be above 0 m³/h: without a leak nothing thins the air',
      );
    }
    if (start <= limit) {
      throw new InputFault(
        'start',
        'Oxygen at the start must be above the least that may be breathed: nobody goes in as it is',
      );
    }
    const space = { volume, leak, fresh };
    const settled = computeSettledOxygen(space, air * 100);
    const until = (pct: number) => computeTimeToOxygen(space, start * 100, air * 100, pct);
    const byOxygen = until(limit * 100);
    const own = findOwnLimit(gas);
    // What is missing of the oxygen at the start, the gas has taken the place of.
    const fromAir = Math.min(1, start / air) * 100;
    const byGas = own && computeTimeToOxygen(space, fromAir, 100, 100 - own.share * 100);
    if (own && byGas === 0) {
      throw new InputFault(
        'start',
        `Oxygen at the start must be nearer to that of fresh air: so much ${substanceOf(gas).name} in its place is above ${own.words}, and nobody goes in as it is`,
      );
    }
    const left = Math.min(byOxygen ?? Infinity, byGas ?? Infinity);
    const reached = OXYGEN_EFFECTS.flatMap(({ pct, says }) => {
      const seconds = pct < limit * 100 ? until(pct) : undefined;
      return seconds === undefined ? [] : [{ pct, says, seconds }];
    });
    const last = Math.max(byOxygen ?? 0, ...reached.map(({ seconds }) => seconds));
    const drawnTo = last > 0 ? last * DRAWN_BEYOND : (TURNOVERS * volume) / (leak + fresh);
    return {
      figures: [
        ...(left === Infinity
          ? []
          : [figure('The air can be breathed for', 't', left, 'time', 'min', true)]),
        ...(byOxygen === undefined
          ? []
          : [figure('Until oxygen is at the least', 'to', byOxygen, 'time', 'min')]),
        ...(byGas === undefined || !own
          ? []
          : [
              figure(
                `Until ${substanceOf(gas).name} is at ${own.words}`,
                'tg',
                byGas,
                'time',
                'min',
              ),
            ]),
        figure('Oxygen in the end', 'Ce', settled / 100, 'ratio', '%', left === Infinity),
        figure(
          `${capitalise(substanceOf(gas).name)} in the end`,
          'Cg',
          leak / (leak + fresh),
          'ratio',
          '%',
        ),
        ...reached.map(({ pct, seconds }) =>
          figure(`Until ${pct} %`, `t${pct}`, seconds, 'time', 'min'),
        ),
      ],
      notes: [
        left === Infinity
          ? 'By this sum it never falls so far: the fresh air carries the leak. It does so only while the blower runs and the leak grows no larger.'
          : 'Nobody stays until then: this is how long a warning may take and people may need to leave.',
        ...(own && byGas !== undefined && byGas < (byOxygen ?? Infinity)
          ? [
              `${capitalise(substanceOf(gas).name)} drives people out before oxygen does, at ${own.words}: test for it as well.`,
            ]
          : []),
        ...reached.map(({ pct, says }) => `At ${pct} %: ${says}.`),
      ],
      curve: {
        x: { label: 'time', quantity: 'time', unit: 'min' },
        y: { label: 'oxygen', quantity: 'ratio', unit: '%' },
        points: Array.from({ length: DRAWN_STEPS + 1 }, (_, step) => {
          const seconds = (drawnTo * step) / DRAWN_STEPS;
          return [
            seconds,
            computeOxygenAfter(space, start * 100, air * 100, seconds) / 100,
          ] as const;
        }),
        level: { label: 'least that may be breathed', value: limit },
      },
    };
  },
);
