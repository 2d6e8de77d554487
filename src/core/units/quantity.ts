import { create, unitDependencies } from 'mathjs';

const makeConverter = () => create(unitDependencies ?? {});

let converter: ReturnType<typeof makeConverter> | undefined;

/** The unit library, set up at the first conversion: most that is worked out never converts. */
const findConverter = () => (converter ??= makeConverter());

/**
 * Kinds of quantity that the calculations take and give, with the units offered for each, as the unit library names them.
 * The first is the SI unit in which core computes; a temperature is a point on the scale, a difference is `kelvin`.
 */
export const QUANTITY_UNITS = {
  'gauge-pressure': ['Pa', 'bar', 'kPa', 'MPa', 'psi'],
  'absolute-pressure': ['Pa', 'bar', 'kPa', 'MPa', 'psi'],
  volume: ['m^3', 'litre', 'cuft'],
  length: ['m', 'mm', 'cm', 'ft', 'inch'],
  area: ['m^2', 'mm^2', 'cm^2', 'sqft'],
  mass: ['kg', 't', 'lb'],
  energy: ['J', 'kJ', 'MJ', 'kWh'],
  time: ['s', 'min', 'h'],
  temperature: ['K', 'degC', 'degF'],
  'temperature-difference': ['K'],
  speed: ['m/s', 'km/h', 'ft/s'],
  rotation: ['rad/s', 'rpm'],
  stiffness: ['N/m', 'N/mm'],
  inertia: ['kg m^2'],
  torque: ['N m'],
  capacitance: ['F', 'mF', 'uF'],
  voltage: ['V', 'kV'],
  resistance: ['ohm', 'kohm', 'Mohm'],
  power: ['W', 'kW'],
  density: ['kg/m^3'],
  'mass-flow': ['kg/s', 'kg/h'],
  'leak-rate': ['Pa m^3/s', 'mbar litre/s'],
  'specific-heat': ['J/(kg K)', 'kJ/(kg K)'],
  'heat-transfer': ['W/(m^2 K)'],
  'molar-mass': ['kg/mol', 'g/mol'],
  expansion: ['1/K'],
  compressibility: ['1/Pa', '1/bar', '1/GPa'],
  modulus: ['Pa', 'GPa'],
  ratio: ['1', '%'],
} as const satisfies Readonly<Record<string, readonly [string, ...string[]]>>;

export type Quantity = keyof typeof QUANTITY_UNITS;

/** How a unit is written on screen and in print. */
export function writeUnit(unit: string): string {
  const words: Readonly<Record<string, string>> = {
    '1': '',
    degC: '°C',
    degF: '°F',
    litre: 'L',
    cuft: 'ft³',
    sqft: 'ft²',
    inch: 'in',
    ohm: 'Ω',
    kohm: 'kΩ',
    Mohm: 'MΩ',
    uF: 'µF',
    rpm: 'r/min',
  };
  return (
    words[unit] ??
    unit
      .replace('litre', 'L')
      .replace(/\^2/g, '²')
      .replace(/\^3/g, '³')
      .replace(/ (?=\S)/g, '·')
  );
}

const scaleOf = new Map<string, (value: number) => number>();

/** Plain factors: percent, rpm and inverse pressures are not in the unit library under these names. */
const ALIASES: Readonly<Record<string, readonly [unit: string, factor: number]>> = {
  rpm: ['rad/s', Math.PI / 30],
  '1': ['1', 1],
  '%': ['1', 0.01],
  '1/bar': ['1/Pa', 1e-5],
  '1/GPa': ['1/Pa', 1e-9],
};

/**
 * Converts between two units of one quantity. Throws when the units do not belong together: which units a quantity has is
 * fixed above. Factors: mathjs, checked against NIST SP 811 in tests/reference.
 */
export function convertUnit(value: number, from: string, to: string): number {
  if (from === to) return value;
  const key = `${from}>${to}`;
  const known = scaleOf.get(key);
  if (known) return known(value);
  const [fromUnit, fromFactor] = ALIASES[from] ?? [from, 1];
  const [toUnit, toFactor] = ALIASES[to] ?? [to, 1];
  const isPlain = fromUnit === toUnit;
  const convert = (one: number) =>
    (isPlain
      ? one * fromFactor
      : findConverter()
          .unit(one * fromFactor, fromUnit)
          .toNumber(toUnit)) / toFactor;
  scaleOf.set(key, convert);
  return convert(value);
}

/** A figure of a quantity from its SI value, in the unit asked for. */
export const fromSi = (value: number, quantity: Quantity, unit: string): number =>
  convertUnit(value, QUANTITY_UNITS[quantity][0], unit);

/** The SI value of a figure. */
export const toSi = (value: number, quantity: Quantity, unit: string): number =>
  convertUnit(value, unit, QUANTITY_UNITS[quantity][0]);

/** Writes a figure with four significant digits, without exponent between 0.001 and 1,000,000. */
export function writeFigure(value: number): string {
  if (value === 0) return '0';
  const size = Math.abs(value);
  if (size >= 1e6 || size < 1e-3) return value.toExponential(3);
  const digits = Math.max(0, 3 - Math.floor(Math.log10(size)));
  return Number(value.toFixed(Math.min(digits, 6))).toLocaleString('en-GB', {
    maximumFractionDigits: Math.min(digits, 6),
  });
}
