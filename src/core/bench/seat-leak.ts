import { computeBuildUp, computeFlowArea, readSeatTest } from '../energy/seat-leak';
import {
  choice,
  defineCalculation,
  figure,
  InputFault,
  number,
  optional,
  type Figure,
} from './define';
import { absoluteOf, ATMOSPHERE, HEAT_RATIO, MOLAR_MASS, NOT_NEGATIVE, POSITIVE } from './fields';

export const seatLeak = defineCalculation(
  {
    id: 'seat-leak',
    title: 'Passing valve behind a closed bleed',
    question: 'Does this valve pass more than it may?',
    answer: ['This valve passes {Q}.', 'This valve passes no more than {Qm}: nothing was seen.'],
    about:
      'From the rise of a test: how much a seat lets through, whether that is within the limit, and the pressure that it builds up while nobody looks.',
    formula: [
      'Q = V (p1 - p0) / t',
      'nothing seen: Q at most V × resolution / t',
      'later: dp/dt = flow(P, p) R T / (M V), choked or not',
    ],
    source: 'Pressure-rise test and nozzle flow (textbook); limits: site practice',
    caution:
      'Each valve of a pair is tested on its own and in its true direction. A falling pressure voids the test; it never passes it.',
    fields: {
      upstream: number('Pressure before the seat (gauge)', 'P', 'gauge-pressure', 'bar', 7),
      volume: number('Volume behind the seat', 'V', 'volume', 'litre', 40, POSITIVE),
      start: number('Reading at the start (gauge)', 'p0', 'gauge-pressure', 'bar', 0),
      end: number('Reading at the end (gauge)', 'p1', 'gauge-pressure', 'bar', 0.12),
      time: number('Time between', 't', 'time', 'min', 10, POSITIVE),
      resolution: number('Least step of the gauge', 'r', 'gauge-pressure', 'bar', 0.01, POSITIVE),
      temperature: number('Temperature', 'T', 'temperature', 'degC', 20, { above: 0 }),
      drift: optional(
        'Change of temperature meanwhile, as it was read',
        'dT',
        'temperature-difference',
        'K',
        { atLeast: -100, atMost: 100 },
        0,
      ),
      before: choice(
        'Before the seat stands',
        {
          pressure: 'the full pressure: this valve alone holds it',
          pair: 'another shut valve of the pair',
        },
        'pressure',
      ),
      limit: number('Most that may pass', 'Qmax', 'leak-rate', 'mbar litre/s', 10, POSITIVE),
      later: number('Left alone for', 'tl', 'time', 'h', 8, NOT_NEGATIVE),
      k: HEAT_RATIO,
      molar: MOLAR_MASS,
      ambient: ATMOSPHERE,
    },
  },
  (given) => {
    const {
      volume,
      start,
      end,
      time,
      resolution,
      temperature,
      drift,
      limit,
      later,
      k,
      molar,
      ambient,
    } = given;
    if (drift === undefined) {
      throw new InputFault(
        'drift',
        'Change of temperature is missing: not recorded is not zero, read it at both ends of the test',
      );
    }
    if (given.before === 'pair') {
      throw new InputFault(
        'before',
        'Before the seat the full pressure must stand: behind another shut valve nothing drives a leak, so each of a pair is tested on its own',
      );
    }
    const before = absoluteOf(given.upstream, ambient, 'upstream');
    const from = absoluteOf(start, ambient, 'start');
    const to = absoluteOf(end, ambient, 'end');
    if (before <= from) {
      throw new InputFault(
        'upstream',
        'Pressure before the seat must be above the reading behind it: nothing drives a leak',
      );
    }
    if (to > before) {
      throw new InputFault(
        'end',
        'Reading at the end must be at most the pressure before the seat: it comes from elsewhere',
      );
    }
    const verdict = readSeatTest({
      volume,
      start,
      end,
      seconds: time,
      resolution,
      kelvin: temperature,
      drift,
      absolute: from,
    });
    if (verdict.kind === 'void') {
      throw verdict.why === 'falling'
        ? new InputFault(
            'end',
            'the pressure fell: the space leaks elsewhere and the test is void, not passed',
          )
        : new InputFault(
            'drift',
            'the temperature alone would explain half of the rise: the test is void, wait and repeat',
          );
    }
    const gas = { k, molarMass: molar };
    const area = computeFlowArea(verdict.rate, gas, temperature, before, from) ?? 0;
    const curve =
      later > 0
        ? computeBuildUp(volume, area, gas, temperature, { upstream: before, start: from }, later)
        : [];
    const reached = curve.at(-1)?.[1] ?? from;
    const passes = verdict.rate <= limit;
    const figures: Figure[] = [
      figure(
        verdict.kind === 'below' ? 'Leak, at most' : 'Leak',
        verdict.kind === 'below' ? 'Qm' : 'Q',
        verdict.rate,
        'leak-rate',
        'mbar litre/s',
        true,
      ),
      figure('Pressure after that time (gauge)', 'pl', reached - ambient, 'gauge-pressure', 'bar'),
    ];
    return {
      figures,
      notes: [
        passes
          ? verdict.kind === 'below'
            ? 'Within the limit: no change was seen, which shows only that it is no larger than this.'
            : 'Within the limit.'
          : verdict.kind === 'below'
            ? 'Not shown to be within the limit: test longer, or with a finer gauge.'
            : 'Above the limit: this valve passes, and is no barrier.',
        'A closed bleed hides it: leave the bleed open, or read it before anyone goes back.',
      ],
      ...(curve.length > 0
        ? {
            curve: {
              x: { label: 'time', quantity: 'time' as const, unit: 'h' },
              y: { label: 'pressure (gauge)', quantity: 'gauge-pressure' as const, unit: 'bar' },
              points: curve.map(([t, p]) => [t, p - ambient] as const),
              level: { label: 'before the seat', value: given.upstream },
            },
          }
        : {}),
    };
  },
);
