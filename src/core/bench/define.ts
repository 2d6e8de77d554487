import { DEFAULT_VALUES, type SiteValues, type ValueCode } from '../rules/values';
import type { Quantity } from '../units';
import type {
  ChoiceField,
  Fields,
  InputProblem,
  NumberField,
  Range,
  Typed,
  TypedInputs,
} from './form';
import { readInputs } from './read-form';

export type { Field, Fields, Typed, TypedInputs } from './form';

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
  /** The answer in a sentence, with symbols of figures in braces; of several the first whose figures all came out. */
  readonly answer: string | readonly string[];
  readonly about: string;
  /** Whether a time that it answers first is one to wait out before a step: how long air lasts is none. */
  readonly isWait?: true;
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

/** Every figure must be finite: what a formula cannot say is refused, never shown as infinite, and such a curve is not drawn. */
function requireFinite(worked: Worked): CalculationResult {
  const wild = worked.figures.find(({ value }) => !Number.isFinite(value));
  const { curve, ...rest } = worked;
  const isDrawn = curve?.points.flat().every(Number.isFinite);
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
    : { ok: true, ...rest, ...(curve && isDrawn ? { curve } : {}) };
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

/** A field that opens with a value of the site's rules. */
export const bySite = <Of extends NumberField | ChoiceField>(field: Of, site: ValueCode): Of => ({
  ...field,
  site,
});

/** The inputs that a calculation shows before anything is typed: the site's own values where its rules set them. */
export function listStartInputs(fields: Fields, values: SiteValues = DEFAULT_VALUES): TypedInputs {
  return Object.fromEntries(
    Object.entries(fields).flatMap(([name, field]): [string, Typed][] => {
      const start = (field.site && values[field.site]) ?? field.start;
      if (field.kind === 'choice') return [[name, String(start)]];
      return start === undefined ? [] : [[name, { value: Number(start), unit: field.unit }]];
    }),
  );
}
