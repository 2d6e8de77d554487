import { convertConcentration, toMassConcentration, toShare } from '../gas/concentration';
import { substanceOf, SUBSTANCES, type ExposureLimits } from '../gas/substances';
import { writeFigure } from '../units';
import {
  bySite,
  choice,
  defineCalculation,
  figure,
  InputFault,
  number,
  optional,
  type Figure,
} from './define';
import { ATMOSPHERE, namesOf, NOT_NEGATIVE } from './fields';

const PPM = 1e-6;

/** A share that was given as this one is this one, whatever the last digit of a double says. */
const ROUNDED = 1 - 1e-9;

/** The limits of one school as figures. */
const limitsOf = (school: string, { day_ppm, peak_ppm }: ExposureLimits): Figure[] => [
  ...(day_ppm === undefined
    ? []
    : [figure(`Over a working day, ${school}`, 'Ld', day_ppm * PPM, 'ratio', 'ppm')]),
  ...(peak_ppm === undefined
    ? []
    : [figure(`At any time or for 15 min, ${school}`, 'Lp', peak_ppm * PPM, 'ratio', 'ppm')]),
];

/** One concentration in every unit, beside the limits of both schools. */
export const concentration = defineCalculation(
  {
    id: 'concentration',
    title: 'Concentration in ppm, mg/m³ and % LFL',
    question: 'How much is this in the other unit, and is it more than the limit?',
    answer: 'That is {c} by volume, and {m} by mass.',
    about:
      'A gas or vapour in air by volume, by mass and as a share of its lower flammable limit, beside the limits of exposure of both schools.',
    formula: [
      'mg/m³ = ppm × M p / (R T); 1 ppm is M / 24.45 mg/m³ at 25 °C and one atmosphere',
      '% LFL = % vol / LFL × 100',
    ],
    source:
      'Ideal gas law; flammable limits IEC 60079-20-1 or NFPA 325; exposure NIOSH and 29 CFR 1910.1000, and EU Directives (all from memory)',
    caution:
      'Limits change, and local law comes first: look them up in force. Where two schools differ the lower counts here. Several substances at once add up.',
    fields: {
      substance: choice('Substance', namesOf(SUBSTANCES), 'hydrogen-sulphide'),
      by: choice(
        'Given in',
        { volume: 'ppm or % by volume', mass: 'mg/m³', lfl: '% LFL' },
        'volume',
      ),
      volume: optional('By volume', 'c', 'ratio', 'ppm', { atLeast: 0, atMost: 1 }, 10),
      mass: optional('By mass', 'm', 'mass-concentration', 'mg/m^3', NOT_NEGATIVE),
      lfl: optional('Of the lower flammable limit', 'L', 'ratio', '%', { atLeast: 0, atMost: 100 }),
      basis: bySite(
        choice('Flammable limits of', { iec: 'IEC 60079-20-1', nfpa: 'NFPA 325' }, 'iec'),
        'lfl-basis',
      ),
      entry: bySite(
        number('Nobody goes in from this share of it on', 'Le', 'ratio', '%', 10, {
          above: 0,
          atMost: 0.1,
        }),
        'entry-lfl-most',
      ),
      temperature: number('Temperature', 'T', 'temperature', 'degC', 25, {
        atLeast: 200,
        atMost: 400,
      }),
      ambient: ATMOSPHERE,
    },
  },
  ({ substance, by, volume, mass, lfl, basis, entry, temperature, ambient }) => {
    const given = { volume, mass, lfl }[by];
    if (given === undefined) {
      throw new InputFault(by, 'This figure is missing: give it in the unit that was chosen');
    }
    const about = substanceOf(substance);
    const molar = about.molarMass / 1000;
    const percent = (value: number, from: '%LFL' | '%vol', into: '%LFL' | '%vol') =>
      convertConcentration(value, from, into, substance, basis);
    const shares = {
      volume: given,
      mass: toShare(given, molar, temperature, ambient),
      lfl: (percent(given * 100, '%LFL', '%vol') ?? NaN) / 100,
    };
    const share = shares[by];
    if (Number.isNaN(share)) {
      throw new InputFault(
        'by',
        `Given in must be ppm or mg/m³ for ${about.name}: it does not burn, and has no lower flammable limit`,
      );
    }
    if (share > 1)
      throw new InputFault(by, 'This is more than the whole of the air: look at the unit again');
    const burns = percent(share * 100, '%vol', '%LFL');
    const limits = [...limitsOf('NIOSH and OSHA', about), ...limitsOf('EU', about.eu ?? {})];
    const lowest = Math.min(...limits.map(({ value }) => value));
    const main = by === 'volume' ? 'mass' : 'volume';
    return {
      figures: [
        figure(
          'By mass',
          'm',
          toMassConcentration(share, molar, temperature, ambient),
          'mass-concentration',
          'mg/m^3',
          main === 'mass',
        ),
        figure('By volume', 'c', share, 'ratio', 'ppm', main === 'volume'),
        figure('By volume, in percent', 'cp', share, 'ratio', '%'),
        ...(burns === undefined
          ? []
          : [figure('Of the lower flammable limit', 'L', burns / 100, 'ratio', '%')]),
        ...limits,
      ],
      notes: [
        limits.length === 0
          ? 'No limit of exposure is kept here for it: oxygen and the flammable limit say whether anybody may go in.'
          : share > lowest
            ? 'Above the lowest of the limits: nobody breathes this.'
            : 'Not above the lowest of the limits.',
        ...(about.caution ? [`Known of it: ${about.caution}.`] : []),
        ...(burns !== undefined && burns > entry * 100 * ROUNDED
          ? [`At or above ${writeFigure(entry * 100)} % LFL: nobody goes in.`]
          : []),
      ],
    };
  },
);
