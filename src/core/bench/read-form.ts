import { fromSi, QUANTITY_UNITS, STANDARD_ATMOSPHERE, toSi, writeUnit } from '../units';
import type {
  ChoiceField,
  Fields,
  InputProblem,
  NumberField,
  Range,
  Typed,
  TypedInputs,
} from './form';
import { readText } from './typed';

const allowed = (field: NumberField, unit: string): string => {
  const write = (si: number) =>
    `${Number(fromSi(si, field.quantity, unit).toPrecision(6))} ${writeUnit(unit)}`.trim();
  const { atLeast, above, atMost, below } = field.range;
  return [
    atLeast !== undefined && `at least ${write(atLeast)}`,
    above !== undefined && `above ${write(above)}`,
    atMost !== undefined && `at most ${write(atMost)}`,
    below !== undefined && `below ${write(below)}`,
  ]
    .filter(Boolean)
    .join(' and ');
};

/** How far a figure may miss a limit that it was shown rounded, or that its unit was reckoned into: six figures are shown. */
const ROUNDED = 1e-6;

function isWithin(si: number, { atLeast, above, atMost, below }: Range): boolean {
  const slack = (limit: number) => Math.abs(limit) * ROUNDED;
  return (
    (atLeast === undefined || si >= atLeast - slack(atLeast)) &&
    si > (above ?? -Infinity) &&
    (atMost === undefined || si <= atMost + slack(atMost)) &&
    si < (below ?? Infinity)
  );
}

/** The value in SI, or what is wrong with it. */
interface Read<Value> {
  readonly value: Value | undefined;
  readonly problem?: InputProblem;
}

function readNumber(
  name: string,
  field: NumberField,
  typed: Typed | undefined,
  atmosphere: number,
): Read<number> {
  const refuse = (message: string) => ({ problem: { field: name, message }, value: undefined });
  if (typed === undefined || typed === '') {
    return field.isOptional
      ? { value: undefined }
      : refuse(`${field.label} is missing: ${allowed(field, field.unit) || 'give a figure'}`);
  }
  if (typeof typed === 'string') return readWritten(name, field, typed, atmosphere);
  if (!Number.isFinite(typed.value)) {
    return refuse(`${field.label} must be a number, found ${JSON.stringify(typed).slice(0, 60)}`);
  }
  const units: readonly string[] = QUANTITY_UNITS[field.quantity];
  if (!units.includes(typed.unit)) {
    return refuse(
      `${field.label} must be in one of ${units.join(', ')}, found ${JSON.stringify(typed.unit).slice(0, 40)}`,
    );
  }
  const value = toSi(typed.value, field.quantity, typed.unit);
  return isWithin(value, field.range) && Number.isFinite(value)
    ? { value }
    : refuse(
        `${field.label} must be ${allowed(field, typed.unit)}, found ${typed.value} ${writeUnit(typed.unit)}`.trim(),
      );
}

/** A figure as somebody wrote it, with its unit; a pressure is counted as the field counts it. */
function readWritten(
  name: string,
  field: NumberField,
  text: string,
  atmosphere: number,
): Read<number> {
  const found = readText(field.quantity, text);
  const problem = (message: string) => ({
    value: undefined,
    problem: { field: name, message: `${field.label} ${message}` },
  });
  if (typeof found === 'string') return problem(found);
  const unit = found.unit ?? (field.quantity === 'ratio' ? '1' : undefined);
  if (unit === undefined) {
    return problem(
      `must have its unit, such as ${writeUnit(field.unit)}, found ${text.slice(0, 40)}`,
    );
  }
  const counted = field.quantity === 'gauge-pressure' ? 'gauge' : 'absolute';
  const isOther = found.sense !== undefined && found.sense !== counted;
  const shift = isOther ? fromSi(atmosphere, field.quantity, unit) : 0;
  const value = counted === 'gauge' ? found.value - shift : found.value + shift;
  return readNumber(name, field, { value, unit }, atmosphere);
}

function readChoice(name: string, field: ChoiceField, typed: Typed | undefined): Read<string> {
  return typeof typed === 'string' && Object.hasOwn(field.options, typed)
    ? { value: typed }
    : {
        value: undefined,
        problem: {
          field: name,
          message: `${field.label} must be one of ${Object.keys(field.options).join(', ')}, found ${JSON.stringify(typed ?? null).slice(0, 60)}`,
        },
      };
}

/** The atmosphere (Pa) that the inputs name, else the standard one: what lies between a gauge and an absolute pressure. */
function readAtmosphere(fields: Fields, inputs: TypedInputs): number {
  const { ambient } = fields;
  const typed = inputs['ambient'];
  if (ambient?.kind !== 'number' || ambient.quantity !== 'absolute-pressure' || !typed) {
    return STANDARD_ATMOSPHERE;
  }
  return readNumber('ambient', ambient, typed, STANDARD_ATMOSPHERE).value ?? STANDARD_ATMOSPHERE;
}

/** Checks everything that was typed against the fields: values in SI, and what is wrong with each. */
export function readInputs(fields: Fields, inputs: TypedInputs) {
  const values: Record<string, number | string | undefined> = {};
  const problems: InputProblem[] = Object.keys(inputs)
    .filter((name) => !Object.hasOwn(fields, name))
    .map((name) => ({ field: name, message: `${name.slice(0, 40)} is not asked for here` }));
  const atmosphere = readAtmosphere(fields, inputs);
  for (const [name, field] of Object.entries(fields)) {
    const typed = Object.hasOwn(inputs, name) ? inputs[name] : undefined;
    const read =
      field.kind === 'number'
        ? readNumber(name, field, typed, atmosphere)
        : readChoice(name, field, typed);
    if (read.problem) problems.push(read.problem);
    else values[name] = read.value;
  }
  return { values, problems };
}
