import {
  computeAllowedRise,
  computeClassLeak,
  computeShortestTest,
  LEAK_CLASSES,
  toLeakRate,
  toMassFlow,
  toNormalFlow,
  type LeakClass,
} from '../energy/seat-class';
import { choice, defineCalculation, figure, InputFault, number, optional } from './define';
import { MOLAR_MASS, POSITIVE } from './fields';

const CLASS_NAMES = {
  given: 'a limit of the site',
  ...(Object.fromEntries(LEAK_CLASSES.map((one) => [one, `rate ${one}`])) as Record<
    LeakClass,
    string
  >),
};

/** The seat leak test, planned before it is made. */
export const seatTestPlan = defineCalculation(
  {
    id: 'seat-test',
    title: 'Planning a seat leak test',
    question: 'How far may the pressure rise, and how long must this test last?',
    answer: 'It may rise by {dp}, and the test must last at least {tmin}.',
    about:
      'From a class of leakage or a limit of the site: the rise that is allowed, the shortest test that can show it, and the leak as mass and volume.',
    formula: ['dp = Q t / V', 't = V r n / Q', 'm = Q M / (R T); Vn = Q / pn × Tn / T'],
    source: 'ISO 5208:2015, Table 4 (rates from memory); ideal gas law',
    caution:
      'Classes are for the maker’s test on a clean valve with air at about 6 bar: an old valve at another pressure passes what it passes. Rate A, with no leak that can be seen, has no figure: nothing may rise at all.',
    fields: {
      by: choice('Most that may pass', CLASS_NAMES, 'D'),
      size: optional(
        'Nominal size of the valve',
        'DN',
        'length',
        'mm',
        { above: 0, atMost: 3 },
        100,
      ),
      limit: optional('Limit of the site', 'Qmax', 'leak-rate', 'mbar litre/s', POSITIVE),
      volume: number('Volume behind the seat', 'V', 'volume', 'litre', 40, POSITIVE),
      resolution: number('Least step of the gauge', 'r', 'gauge-pressure', 'bar', 0.01, POSITIVE),
      steps: number('Steps that must be seen', 'n', 'ratio', '1', 3, { atLeast: 1, atMost: 100 }),
      time: number('Time of the test', 't', 'time', 'min', 10, POSITIVE),
      temperature: number('Temperature', 'T', 'temperature', 'degC', 20, { above: 0 }),
      molar: MOLAR_MASS,
    },
  },
  ({ by, size, limit, volume, resolution, steps, time, temperature, molar }) => {
    if (by === 'given' && limit === undefined) {
      throw new InputFault('limit', 'Limit of the site is missing: above 0 mbar·L/s');
    }
    if (by !== 'given' && size === undefined) {
      throw new InputFault('size', 'Nominal size of the valve is missing: a class counts by size');
    }
    const leak =
      by === 'given'
        ? (limit ?? 0)
        : toLeakRate(computeClassLeak(by, 'gas', size ?? 0), temperature);
    const shortest = computeShortestTest(leak, volume, resolution, steps);
    return {
      figures: [
        figure(
          'Rise that is allowed',
          'dp',
          computeAllowedRise(leak, volume, time),
          'gauge-pressure',
          'mbar',
          true,
        ),
        figure('Shortest test that can show it', 'tmin', shortest, 'time', 'min'),
        figure('Leak', 'Q', leak, 'leak-rate', 'mbar litre/s'),
        figure('Leak as mass', 'm', toMassFlow(leak, temperature, molar), 'mass-flow', 'g/h'),
        figure(
          'Leak at 0 °C and one atmosphere',
          'Vn',
          toNormalFlow(leak, temperature),
          'volume-flow',
          'litre/min',
        ),
        ...(by === 'given' || size === undefined
          ? []
          : [
              figure(
                'The same class with a liquid',
                'Vl',
                computeClassLeak(by, 'liquid', size),
                'volume-flow',
                'ml/min',
              ),
            ]),
      ],
      notes: [
        time < shortest
          ? 'This test is too short: a valve within the limit and one above it would look alike. Test longer, with a finer gauge, or behind less volume.'
          : 'Long enough to tell a valve within the limit from one above it.',
        'A change of temperature moves the pressure as well: read it at both ends.',
      ],
    };
  },
);
