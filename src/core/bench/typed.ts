import { QUANTITY_UNITS, writeUnit, type Quantity } from '../units';

/** What a pressure is counted from. */
export type Sense = 'gauge' | 'absolute';

/** A figure as read from what somebody typed: its unit where one stood there, and for a pressure what it is counted from. */
export interface ReadText {
  readonly value: number;
  readonly unit: string | undefined;
  readonly sense: Sense | undefined;
}

/** Ways in which people write units, beside their names here. Upper and lower case count: a milliohm is no megohm. */
const SPELLINGS: Readonly<Record<string, readonly string[]>> = {
  'kgf/cm^2': ['kgf/cm2', 'kg/cm2', 'kg/cm^2', 'ksc'],
  inHg: ['in Hg', '"Hg', 'in.Hg'],
  mmHg: ['mm Hg', 'torr', 'Torr'],
  mmH2O: ['mm H2O', 'mmWC', 'mmwc', 'mm WC', 'mmH₂O'],
  inH2O: ['in H2O', 'inWC', 'inwc', 'in WC', '"WC', 'inH₂O'],
  psi: ['PSI', 'lbf/in^2'],
  kPa: ['kpa'],
  litre: ['l', 'L', 'liter', 'liters', 'litres'],
  'm^3': ['m3'],
  'm^2': ['m2'],
  'mm^2': ['mm2'],
  'cm^2': ['cm2'],
  cuft: ['ft3', 'ft^3', 'cf'],
  sqft: ['ft2', 'ft^2'],
  gal: ['USgal', 'US gal', 'gallon', 'gallons'],
  ft: ['feet', 'foot', "'"],
  inch: ['in', 'inches', '"'],
  t: ['tonne', 'tonnes', 'to'],
  lb: ['lbs', 'lbm'],
  'ft lbf': ['ft-lbf', 'ft·lbf', 'ft-lb', 'ft lb', 'ftlb'],
  'lbf ft': ['lbf-ft', 'lbf·ft', 'lb-ft', 'lb ft', 'ft lbf', 'ft-lbf', 'ft-lb', 'ft lb'],
  BTU: ['Btu', 'btu'],
  'BTU/h': ['Btu/h', 'btu/h', 'BTU/hr', 'Btu/hr', 'btu/hr'],
  h: ['hr', 'hrs', 'hour', 'hours'],
  min: ['mins', 'minute', 'minutes'],
  s: ['sec', 'secs', 'second', 'seconds'],
  degC: ['C', '°C', 'deg C'],
  degF: ['F', '°F', 'deg F'],
  degR: ['R', '°R', 'deg R'],
  'degF difference': ['F', '°F', 'degF'],
  'm/s': ['mps'],
  'km/h': ['kmh', 'kph', 'km/hr'],
  'ft/s': ['fps'],
  rpm: ['r/min', 'RPM', '1/min'],
  'N m': ['Nm', 'N·m'],
  'kg m^2': ['kgm2', 'kg m2', 'kg·m²'],
  uF: ['µF', 'μF'],
  ohm: ['Ω', 'Ohm', 'ohms'],
  mohm: ['mΩ', 'mOhm'],
  kohm: ['kΩ', 'kOhm'],
  Mohm: ['MΩ', 'MOhm'],
  'm^3/h': ['m3/h', 'm3/hr'],
  'm^3/min': ['m3/min'],
  'm^3/s': ['m3/s'],
  'litre/min': ['l/min', 'L/min', 'lpm', 'LPM', 'liter/min'],
  'ml/min': ['mL/min', 'cc/min'],
  cfm: ['CFM', 'ft3/min', 'cf/m'],
  gpm: ['GPM', 'USgpm', 'gal/min', 'US gal/min'],
  'lb/h': ['lb/hr', 'lbs/h', 'pph'],
  'mg/m^3': ['mg/m3'],
  'g/m^3': ['g/m3'],
  'kg/m^3': ['kg/m3'],
  'lb/cuft': ['lb/ft3', 'lb/ft^3'],
  'mbar litre/s': ['mbar l/s', 'mbar L/s', 'mbar·L/s', 'mbarl/s'],
  'Pa m^3/s': ['Pa m3/s', 'Pa·m³/s'],
  '%': ['pct', 'percent'],
};

/** Endings that say what a pressure is counted from: barg, psia, bar(g), kPa gauge. */
const SENSES: readonly (readonly [ending: RegExp, sense: Sense])[] = [
  [/ ?(\(g\)|gauge|g)$/, 'gauge'],
  [/ ?(\(a\)|abs\.?|absolute|a)$/, 'absolute'],
];

const isPressure = (quantity: Quantity): boolean =>
  quantity === 'gauge-pressure' || quantity === 'absolute-pressure';

/** The unit of a quantity that somebody means by what they wrote; undefined when it is none of it. */
function findUnit(quantity: Quantity, written: string): string | undefined {
  const units: readonly string[] = QUANTITY_UNITS[quantity];
  return units.find(
    (unit) =>
      unit === written || writeUnit(unit) === written || (SPELLINGS[unit] ?? []).includes(written),
  );
}

/** The unit of a pressure and what it is counted from. A unit that is none with its last letter off is tried whole first: "Pa" ends in no "a". */
function findPressureUnit(quantity: Quantity, written: string) {
  const whole = findUnit(quantity, written);
  if (whole !== undefined) return { unit: whole, sense: undefined };
  for (const [ending, sense] of SENSES) {
    const unit = ending.test(written) && findUnit(quantity, written.replace(ending, ''));
    if (unit) return { unit, sense };
  }
  return undefined;
}

const FIGURE = /^([+-]?(?:\d+(?:\.\d*)?|\.\d+)(?:e[+-]?\d+)?)\s*(.*)$/i;
/** A comma among figures is a decimal for some and a thousand for others: nobody is guessed at. */
const COMMA = /^[+-]?\d*,\d/;

/**
 * Reads a figure with its unit as people type it: "7 barg", "100 psig", "250 gpm", "20 °C". Answers what is wrong in words where it cannot be read.
 * A pressure with a unit but without gauge or absolute is refused: half a bar of the one is none of the other.
 */
export function readText(quantity: Quantity, text: string): ReadText | string {
  const trimmed = text.trim();
  if (COMMA.test(trimmed))
    return `must be written with a point, found ${JSON.stringify(trimmed.slice(0, 40))}`;
  const [, figure = '', written = ''] = FIGURE.exec(trimmed) ?? [];
  if (figure === '') return `must be a number, found ${JSON.stringify(trimmed.slice(0, 40))}`;
  const value = Number(figure);
  if (written === '') return { value, unit: undefined, sense: undefined };
  const found = isPressure(quantity)
    ? findPressureUnit(quantity, written)
    : { unit: findUnit(quantity, written), sense: undefined };
  if (found?.unit === undefined) {
    const units = QUANTITY_UNITS[quantity].map((unit) => writeUnit(unit) || '1').join(', ');
    return `must be in one of ${units}, found ${JSON.stringify(written.slice(0, 40))}`;
  }
  if (isPressure(quantity) && found.sense === undefined) {
    return `must say gauge or absolute: ${figure} ${written}g or ${figure} ${written}a`;
  }
  return { value, unit: found.unit, sense: found.sense };
}
