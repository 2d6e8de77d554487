import { create, unitDependencies } from 'mathjs';

const makeConverter = () => create(unitDependencies ?? {});

let converter: ReturnType<typeof makeConverter> | undefined;

/** The unit library, set up at the first conversion: most that is worked out never converts. */
const findConverter = () => (converter ??= makeConverter());

const PRESSURES = [
  'bar',
  'mbar',
  'kPa',
  'MPa',
  'psi',
  'kgf/cm^2',
  'inHg',
  'mmHg',
  'mmH2O',
  'inH2O',
] as const;

/**
 * Kinds of quantity that the calculations take and give, with the units offered for each, as the unit library names them.
 * The first is the SI unit in which core computes; a temperature is a point on the scale, a difference is `kelvin`.
 */
export const QUANTITY_UNITS = {
  'gauge-pressure': ['Pa', ...PRESSURES],
  'absolute-pressure': ['Pa', ...PRESSURES],
  volume: ['m^3', 'litre', 'cuft', 'gal'],
  length: ['m', 'mm', 'cm', 'ft', 'inch'],
  area: ['m^2', 'mm^2', 'cm^2', 'sqft'],
  mass: ['kg', 't', 'lb'],
  energy: ['J', 'kJ', 'MJ', 'kWh', 'ft lbf', 'BTU'],
  time: ['s', 'min', 'h'],
  temperature: ['K', 'degC', 'degF', 'degR'],
  'temperature-difference': ['K', 'degF difference'],
  speed: ['m/s', 'km/h', 'ft/s', 'mph'],
  rotation: ['rad/s', 'rpm'],
  stiffness: ['N/m', 'N/mm'],
  inertia: ['kg m^2'],
  torque: ['N m', 'lbf ft'],
  capacitance: ['F', 'mF', 'uF'],
  voltage: ['V', 'kV'],
  current: ['A', 'mA', 'kA'],
  'apparent-power': ['VA', 'kVA', 'MVA'],
  resistance: ['ohm', 'mohm', 'kohm', 'Mohm'],
  power: ['W', 'kW', 'BTU/h'],
  density: ['kg/m^3', 'lb/cuft'],
  'mass-concentration': ['kg/m^3', 'mg/m^3', 'g/m^3'],
  'mass-flow': ['kg/s', 'kg/h', 'g/h', 'lb/h'],
  'volume-flow': ['m^3/s', 'm^3/h', 'm^3/min', 'litre/min', 'ml/min', 'cfm', 'gpm'],
  'leak-rate': ['Pa m^3/s', 'mbar litre/s'],
  'specific-heat': ['J/(kg K)', 'kJ/(kg K)'],
  'heat-transfer': ['W/(m^2 K)'],
  'molar-mass': ['kg/mol', 'g/mol'],
  expansion: ['1/K'],
  compressibility: ['1/Pa', '1/bar', '1/GPa'],
  modulus: ['Pa', 'MPa', 'GPa', 'ksi'],
  ratio: ['1', '%', 'ppm'],
} as const satisfies Readonly<Record<string, readonly [string, ...string[]]>>;

export type Quantity = keyof typeof QUANTITY_UNITS;

/** How a unit is written on screen and in print. */
export function writeUnit(unit: string): string {
  const words: Readonly<Record<string, string>> = {
    '1': '',
    degR: '°R',
    'degF difference': '°F',
    mohm: 'mΩ',
    'kgf/cm^2': 'kgf/cm²',
    mmH2O: 'mmH₂O',
    inH2O: 'inH₂O',
    'ft lbf': 'ft·lbf',
    'lb/cuft': 'lb/ft³',
    cfm: 'ft³/min (cfm)',
    gpm: 'US gal/min (gpm)',
    gal: 'US gal',
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
      .replace('ml/', 'mL/')
      .replace(/\^2/g, '²')
      .replace(/\^3/g, '³')
      .replace(/ (?=\S)/g, '·')
  );
}

const scaleOf = new Map<string, (value: number) => number>();

/**
 * Plain factors: what the unit library has under no such name, or by another convention. Source: NIST SP 811 (2008), Appendix B: inch and millimetre of
 * mercury and of water conventional, BTU of the International Table, US gallon.
 */
const ALIASES: Readonly<Record<string, readonly [unit: string, factor: number]>> = {
  rpm: ['rad/s', Math.PI / 30],
  '1': ['1', 1],
  '%': ['1', 0.01],
  '1/bar': ['1/Pa', 1e-5],
  '1/GPa': ['1/Pa', 1e-9],
  ppm: ['1', 1e-6],
  'degF difference': ['K', 1 / 1.8],
  mohm: ['ohm', 1e-3],
  VA: ['VA', 1],
  kVA: ['VA', 1e3],
  MVA: ['VA', 1e6],
  'kgf/cm^2': ['Pa', 98_066.5],
  inHg: ['Pa', 3386.389],
  mmHg: ['Pa', 133.3224],
  mmH2O: ['Pa', 9.80665],
  inH2O: ['Pa', 249.0889],
  'ft lbf': ['J', 1.3558179483314],
  'lbf ft': ['N m', 1.3558179483314],
  BTU: ['J', 1055.05585262],
  'BTU/h': ['W', 1055.05585262 / 3600],
  gal: ['m^3', 3.785411784e-3],
  gpm: ['m^3/s', 3.785411784e-3 / 60],
  cfm: ['m^3/s', 0.028316846592 / 60],
  ksi: ['Pa', 6_894_757.293168],
  mph: ['m/s', 0.44704],
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
