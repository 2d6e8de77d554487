import { fromSi, QUANTITY_UNITS, toSi, writeUnit, type Quantity } from '../units';

/** A limit of a field in the SI unit of its quantity; `above` and `below` leave the limit itself out. */
export interface Range {
  readonly atLeast?: number;
  readonly above?: number;
  readonly atMost?: number;
  readonly below?: number;
}

/** A number that a calculation takes. `start` is an example figure in `unit`, shown before anything is typed. */
export interface NumberField {
  readonly kind: 'number';
  readonly label: string;
  readonly symbol: string;
  readonly quantity: Quantity;
  readonly unit: string;
  readonly range: Range;
  readonly start: number | undefined;
  readonly isOptional: boolean;
}

/** A choice that a calculation takes. */
export interface ChoiceField {
  readonly kind: 'choice';
  readonly label: string;
  readonly options: Readonly<Record<string, string>>;
  readonly start: string;
}

export type Field = NumberField | ChoiceField;
export type Fields = Readonly<Record<string, Field>>;

/** A value as typed: a figure with its unit, or a choice. */
export type Typed = { readonly value: number; readonly unit: string } | string;
export type TypedInputs = Readonly<Record<string, Typed | undefined>>;

/** Something wrong with a field: which, what was found, what is allowed. */
export interface InputProblem {
  readonly field: string;
  readonly message: string;
}

/** A figure that comes out, in SI. */
export interface Figure {
  readonly label: string;
  readonly symbol: string;
  readonly value: number;
  readonly quantity: Quantity;
  /** The unit in which it is shown first. */
  readonly unit: string;
  /** True for the figure that is used in a job. */
  readonly isMain?: boolean;
}

/** A curve in SI, for a chart. */
export interface Curve {
  readonly x: { readonly label: string; readonly quantity: Quantity; readonly unit: string };
  readonly y: { readonly label: string; readonly quantity: Quantity; readonly unit: string };
  readonly points: readonly (readonly [x: number, y: number])[];
  /** A level worth a line across, in SI of y. */
  readonly level?: { readonly label: string; readonly value: number };
}

export interface Worked {
  readonly figures: readonly Figure[];
  readonly notes: readonly string[];
  readonly curve?: Curve;
}

export type CalculationResult =
  | ({ readonly ok: true } & Worked)
  | { readonly ok: false; readonly problems: readonly InputProblem[] };

/** What `run` gives a calculation: numbers in SI, absent ones undefined, choices by id. */
export type Values<Given extends Fields> = {
  readonly [Name in keyof Given]: Given[Name] extends {
    kind: 'choice';
    options: infer Options;
  }
    ? keyof Options & string
    : Given[Name] extends { isOptional: true }
      ? number | undefined
      : number;
};

interface About {
  readonly id: string;
  readonly title: string;
  /** What somebody asks who needs it. */
  readonly question: string;
  readonly about: string;
  /** Formulas in plain text, one a line. */
  readonly formula: readonly string[];
  readonly source: string;
  /** What the figures do not say. */
  readonly caution: string;
}

export interface Calculation extends About {
  readonly fields: Fields;
  /** Works it out, or says what is wrong with each field. Never throws on what can be typed. */
  run(inputs: TypedInputs): CalculationResult;
}

/** A problem that only shows once fields are seen together. */
export class InputFault extends Error {
  constructor(
    readonly field: string,
    message: string,
  ) {
    super(message);
  }
}

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

function readNumber(name: string, field: NumberField, typed: Typed | undefined): Read<number> {
  const refuse = (message: string) => ({ problem: { field: name, message }, value: undefined });
  if (typed === undefined || typed === '') {
    return field.isOptional
      ? { value: undefined }
      : refuse(`${field.label} is missing: ${allowed(field, field.unit) || 'give a figure'}`);
  }
  if (typeof typed === 'string' || !Number.isFinite(typed.value)) {
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

function readInputs(fields: Fields, inputs: TypedInputs) {
  const values: Record<string, number | string | undefined> = {};
  const problems: InputProblem[] = Object.keys(inputs)
    .filter((name) => !Object.hasOwn(fields, name))
    .map((name) => ({ field: name, message: `${name.slice(0, 40)} is not asked for here` }));
  for (const [name, field] of Object.entries(fields)) {
    const typed = Object.hasOwn(inputs, name) ? inputs[name] : undefined;
    const read =
      field.kind === 'number' ? readNumber(name, field, typed) : readChoice(name, field, typed);
    if (read.problem) problems.push(read.problem);
    else values[name] = read.value;
  }
  return { values, problems };
}

/** Every figure must be finite: what a formula cannot say is refused, never shown as infinite. */
function requireFinite(worked: Worked): CalculationResult {
  const wild = worked.figures.find(({ value }) => !Number.isFinite(value));
  return wild
    ? {
        ok: false,
        problems: [
          {
            field: '',
            message: `${wild.label} has no finite value for these figures: look at them again`,
          },
        ],
      }
    : { ok: true, ...worked };
}

/** Makes a calculation out of its description and its work, which takes checked values in SI. */
export function defineCalculation<Given extends Fields>(
  about: About & { readonly fields: Given },
  compute: (values: Values<Given>) => Worked,
): Calculation {
  return {
    ...about,
    run(inputs) {
      const { values, problems } = readInputs(about.fields, inputs);
      if (problems.length > 0) return { ok: false, problems };
      try {
        return requireFinite(compute(values as Values<Given>));
      } catch (error) {
        if (error instanceof InputFault) {
          return { ok: false, problems: [{ field: error.field, message: error.message }] };
        }
        // A form can send what no formula was meant for: that is refused, never thrown.
        const message = 'these figures lie outside what the formula can say: look at them again';
        return { ok: false, problems: [{ field: '', message }] };
      }
    },
  };
}

type NumberRest = readonly [quantity: Quantity, unit: string, start: number, range?: Range];

const numberField = (
  label: string,
  symbol: string,
  quantity: Quantity,
  unit: string,
  range: Range,
  start: number | undefined,
) => ({ kind: 'number' as const, label, symbol, quantity, unit, range, start });

export const number = (
  label: string,
  symbol: string,
  ...[quantity, unit, start, range = {}]: NumberRest
): NumberField & { readonly isOptional: false } => ({
  ...numberField(label, symbol, quantity, unit, range, start),
  isOptional: false,
});

/** A field that may be left empty. */
export const optional = (
  label: string,
  symbol: string,
  quantity: Quantity,
  unit: string,
  range: Range = {},
  start?: number,
): NumberField & { readonly isOptional: true } => ({
  ...numberField(label, symbol, quantity, unit, range, start),
  isOptional: true,
});

export const choice = <Options extends Readonly<Record<string, string>>>(
  label: string,
  options: Options,
  start: keyof Options & string,
) => ({ kind: 'choice', label, options, start }) as const satisfies ChoiceField;

export const figure = (
  label: string,
  symbol: string,
  value: number,
  quantity: Quantity,
  unit: string,
  isMain = false,
): Figure => ({ label, symbol, value, quantity, unit, ...(isMain ? { isMain } : {}) });

/** The inputs that a calculation shows before anything is typed. */
export function listStartInputs(fields: Fields): TypedInputs {
  return Object.fromEntries(
    Object.entries(fields).flatMap(([name, field]): [string, Typed][] => {
      if (field.kind === 'choice') return [[name, field.start]];
      return field.start === undefined ? [] : [[name, { value: field.start, unit: field.unit }]];
    }),
  );
}
