import { DEFAULT_GRADE_POLICY } from '../isolation/policy';
import type { Grade } from '../plant';
import { LINK_KINDS, STRENGTH_BY_KIND } from '../plant/kinds';
import { number, type ChoiceValue, type SiteValue } from './value-kinds';

const standard = DEFAULT_GRADE_POLICY;
const { table } = standard;

const GRADE_WORDS: Readonly<Record<Grade, string>> = {
  single: 'one barrier',
  'single-bled': 'one barrier, and the work bled',
  double: 'two barriers in series',
  'double-bled': 'two barriers with a bleed between',
  positive: 'a physical gap or blank',
};

/** A rule of the table of grades: what it asks for, among the grades that may stand there. */
const grade = <Offered extends Grade>(
  title: string,
  standard: Offered,
  offered: readonly Offered[],
): Omit<ChoiceValue, 'options' | 'standard'> & {
  readonly options: Readonly<Record<Offered, string>>;
  readonly standard: Offered;
} => ({
  kind: 'choice',
  title,
  options: Object.fromEntries(offered.map((one) => [one, GRADE_WORDS[one]])) as Record<
    Offered,
    string
  >,
  standard,
  basis: 'table of grades (practice, from memory); a site may ask for more',
});

const ofStrength = (strength: 1 | 2) =>
  LINK_KINDS.filter((kind) => STRENGTH_BY_KIND[kind] >= strength);

/** What may be asked for where one barrier is too little. */
const BLED_OR_GAP = ['double-bled', 'positive'] as const;

/** The values by which sources are graded and kinds are trusted at a site. */
export const GRADE_VALUES = {
  'grade-school': {
    kind: 'choice',
    title: 'How sources are graded',
    options: {
      table: 'by the table; a stricter score is shown beside',
      stricter: 'by the stricter of table and score',
    },
    standard: standard.school,
    basis:
      'two schools are in use; the score multiplies danger, release, place and time after the method of HSG253 (from memory, figures of our own)',
  },
  'grade-inside': grade('A person goes inside, or hot work', table.inside, ['positive']),
  'grade-lethal': grade('Opened; flammable, toxic or asphyxiant fluid', table.lethal, BLED_OR_GAP),
  'grade-lethal-long': grade('The same, for a long job', table.lethalLong, BLED_OR_GAP),
  'grade-harmful': grade('Opened; corrosive or oxidising fluid', table.harmful, BLED_OR_GAP),
  'grade-pressure': grade('Opened; fluid at high pressure', table.pressure, BLED_OR_GAP),
  'grade-temperature': grade('Opened; hot or very cold fluid', table.temperature, BLED_OR_GAP),
  'grade-fluid': grade('Opened; any other fluid', table.fluid, [
    'single-bled',
    'double-bled',
    'positive',
  ]),
  'grade-electrical': grade('Electrical', table.electrical, ['single', 'double', 'positive']),
  'grade-other': grade(
    'Machines, weights, heat, rays, and fluids at what is only touched',
    table.other,
    ['single', 'double', 'positive'],
  ),
  'long-job-h': number(
    'A job is long when it lasts more than',
    'h',
    [8, standard.longJobHours, 168],
    'practice',
  ),
  'high-pressure-bar': number(
    'Pressure is high above',
    'bar',
    [0.5, standard.highPressureBar, 40],
    'practice',
  ),
  'hot-liquid-c': number(
    'Liquids and vapours are hot above',
    '°C',
    [40, standard.hotLiquidC, 100],
    'practice',
  ),
  'hot-gas-c': number('Gases are hot above', '°C', [60, standard.hotGasC, 300], 'practice'),
  'very-cold-c': number('Fluids are very cold below', '°C', [-100, standard.coldC, 0], 'practice'),
  'high-voltage-v': number(
    'Conductors are earthed before they are touched above',
    'V',
    [50, standard.highVoltageV, 1000],
    'IEC 61140: low voltage ends at 1000 V alternating',
  ),
  'never-barriers': {
    kind: 'kinds',
    title: 'Kinds that this site never takes for a barrier',
    offered: ofStrength(1),
    standard: [],
    basis: 'strength by kind (practice); a site may trust a kind less, never more',
  },
  'not-positive': {
    kind: 'kinds',
    title: 'Kinds that this site does not take for a positive barrier',
    offered: ofStrength(2),
    standard: [],
    basis: 'strength by kind (practice); a site may trust a kind less, never more',
  },
} as const satisfies Readonly<Record<string, SiteValue>>;
