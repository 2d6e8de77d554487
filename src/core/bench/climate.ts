import { capitalise } from '../text';
import { CHILL_RANGE, computeCold, computeHeat, SUN_WORDS } from '../space/climate';
import { choice, defineCalculation, figure, number } from './define';

const ZERO_C = 273.15;

/** Work in the heat. */
export const heat = defineCalculation(
  {
    id: 'heat-index',
    title: 'Work in the heat',
    question: 'How long may people work in this heat before they rest?',
    answer: ['Work {tw} in each hour, and rest {tr}.', 'No work as it is: it feels like {HI}.'],
    about: 'How hot it feels, and minutes of work and rest in each hour by how hard the work is.',
    formula: [
      'heat index: regression of nine terms in T and RH',
      'table: minutes of work by air temperature, plus sun, plus humidity',
    ],
    source:
      'Rothfusz, NWS SR 90-23 (1990), with the NWS adjustments; work and rest NIOSH 2017-127 (both from memory)',
    caution:
      'For people in normal clothes who are used to the heat and drink. Suits, breathing sets and the inside of a vessel are worse: measure WBGT there. Anybody who feels ill stops, and is not left alone.',
    fields: {
      temperature: number('Air temperature, in the shade', 'T', 'temperature', 'degC', 34, {
        atLeast: 293.15,
        atMost: 333.15,
      }),
      humidity: number('Relative humidity', 'RH', 'ratio', '%', 45, { atLeast: 0, atMost: 1 }),
      sun: choice('Sun', SUN_WORDS, 'full'),
      effort: choice('Work', { light: 'light', moderate: 'moderate', heavy: 'heavy' }, 'moderate'),
    },
  },
  ({ temperature, humidity, sun, effort }) => {
    const celsius = temperature - ZERO_C;
    const { index, readAt, isBeyondTable, minutes, level } = computeHeat(
      celsius,
      humidity * 100,
      sun,
      effort,
    );
    return {
      figures: [
        ...(minutes > 0
          ? [figure('Work in each hour, at most', 'tw', minutes * 60, 'time', 'min', true)]
          : []),
        figure(
          'Rest in each hour, at least',
          'tr',
          (60 - minutes) * 60,
          'time',
          'min',
          minutes === 0,
        ),
        figure('It feels like', 'HI', index + ZERO_C, 'temperature', 'degC'),
        figure('The table is read at', 'Ta', readAt + ZERO_C, 'temperature', 'degC'),
      ],
      notes: [
        minutes === 0
          ? 'Not as it is: cool the place, wait for the night, or make the work lighter.'
          : minutes === 60
            ? 'No rest is asked for by the table beyond the usual breaks. Water and shade all the same.'
            : 'Rest in the shade, with water; nobody works alone.',
        ...(level ? [`${capitalise(level)}.`] : []),
        ...(isBeyondTable
          ? ['Damper than the table goes: it is read at what it feels like, which is the harsher.']
          : []),
      ],
    };
  },
);

/** Work in the cold wind. */
export const windChill = defineCalculation(
  {
    id: 'wind-chill',
    title: 'Work in the cold',
    question: 'How cold does this wind make it?',
    answer: 'It feels like {Tw}.',
    about: 'What the cold feels like in the wind, and how soon bare skin freezes.',
    formula: ['Tw = 13.12 + 0.6215 T - 11.37 v^0.16 + 0.3965 T v^0.16, v in km/h'],
    source: 'Environment Canada and NWS (2001); times from the wind chill chart (from memory)',
    caution:
      'Bare metal, wet gloves and liquids that boil off cold burn at once, wind or none. Warm breaks, and two together.',
    fields: {
      temperature: number('Air temperature', 'T', 'temperature', 'degC', -8, {
        atLeast: 203.15,
        atMost: ZERO_C + CHILL_RANGE.most_c,
      }),
      wind: number('Wind, as forecast at 10 m', 'v', 'speed', 'km/h', 30, {
        atLeast: 0,
        atMost: 50,
      }),
    },
  },
  ({ temperature, wind }) => {
    const { chill: feels, level } = computeCold(temperature - ZERO_C, wind);
    return {
      figures: [figure('It feels like', 'Tw', feels + ZERO_C, 'temperature', 'degC', true)],
      notes: [
        ...(level ? [`${capitalise(level)}.`] : []),
        ...(wind <= CHILL_RANGE.least_m_s ? ['In so little wind it feels as cold as it is.'] : []),
      ],
    };
  },
);
