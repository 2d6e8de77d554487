import type { ValueCode } from '../rules/values';
import type { Quantity } from '../units';

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
  /** The value of the site's rules that it opens with, in `unit`. */
  readonly site?: ValueCode;
}

/** A choice that a calculation takes. */
export interface ChoiceField {
  readonly kind: 'choice';
  readonly label: string;
  readonly options: Readonly<Record<string, string>>;
  readonly start: string;
  readonly site?: ValueCode;
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
