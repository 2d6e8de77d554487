'use client';

import type { Calculation, Field, TypedInputs } from '../../core/bench';
import { convertUnit, QUANTITY_UNITS, writeUnit } from '../../core/units/quantity';

/** What stands in the fields: text and unit of a number, or a choice. */
export type Filled = Readonly<Record<string, { readonly text: string; readonly unit: string }>>;

/** A figure as a person would type it: no more digits than it has. */
const typeFigure = (value: number): string => String(Number(value.toPrecision(6)));

/** What the fields show to begin with. */
export function fill(calculation: Calculation, given: TypedInputs): Filled {
  return Object.fromEntries(
    Object.entries(calculation.fields).map(([name, field]): [string, Filled[string]] => {
      const typed = given[name];
      if (field.kind === 'choice') {
        return [name, { text: typeof typed === 'string' ? typed : field.start, unit: '' }];
      }
      const known = typeof typed === 'object' ? typed : undefined;
      return [
        name,
        {
          text: known ? typeFigure(convertUnit(known.value, known.unit, field.unit)) : '',
          unit: field.unit,
        },
      ];
    }),
  );
}

/** The fields as the calculation takes them; an empty one is left out. */
export function readFilled(calculation: Calculation, filled: Filled): TypedInputs {
  return Object.fromEntries(
    Object.entries(calculation.fields).map(([name, field]): [string, TypedInputs[string]] => {
      const { text = '', unit = '' } = filled[name] ?? {};
      if (field.kind === 'choice') return [name, text];
      const plain = Number(text);
      if (text.trim() === '') return [name, undefined];
      // What is no plain figure may be one with its unit, as people write it: "100 psig".
      return [name, Number.isNaN(plain) ? text : { value: plain, unit }];
    }),
  );
}

function NumberInput({
  name,
  field,
  at,
  problem,
  onChange,
}: {
  readonly name: string;
  readonly field: Extract<Field, { kind: 'number' }>;
  readonly at: { readonly text: string; readonly unit: string };
  readonly problem: string | undefined;
  readonly onChange: (to: { text: string; unit: string }) => void;
}) {
  const units = QUANTITY_UNITS[field.quantity] as readonly string[];
  const toUnit = (unit: string) => {
    const value = Number(at.text);
    const keeps = at.text.trim() !== '' && Number.isFinite(value);
    onChange({ unit, text: keeps ? typeFigure(convertUnit(value, at.unit, unit)) : at.text });
  };
  return (
    <div className="border-t border-base-300 py-1">
      <div className="grid grid-cols-[minmax(0,1fr)_6rem_7rem] items-center gap-2">
        <label htmlFor={`in-${name}`} className="text-sm">
          {field.label} <span className="font-mono text-xs">{field.symbol}</span>
          {field.isOptional && <span className="text-xs"> (may be empty)</span>}
        </label>
        <input
          id={`in-${name}`}
          inputMode="decimal"
          value={at.text}
          aria-invalid={problem !== undefined}
          aria-describedby={problem ? `bad-${name}` : undefined}
          onChange={({ target }) => onChange({ ...at, text: target.value })}
          className={`input input-sm w-full text-right font-mono ${problem ? 'input-error' : ''}`}
        />
        {units.length > 1 ? (
          <select
            aria-label={`Unit of ${field.label}`}
            value={at.unit}
            onChange={({ target }) => toUnit(target.value)}
            className="select select-sm w-full truncate font-mono"
          >
            {units.map((unit) => (
              <option key={unit} value={unit}>
                {writeUnit(unit) || '1'}
              </option>
            ))}
          </select>
        ) : (
          <span className="font-mono text-sm">{writeUnit(at.unit)}</span>
        )}
      </div>
      {problem && (
        <p id={`bad-${name}`} className="text-sm font-bold text-error">
          {problem}
        </p>
      )}
    </div>
  );
}

/** The fields of a calculation, each with its unit and what is wrong with it. */
export function BenchInputs({
  calculation,
  filled,
  problems,
  onChange,
}: {
  readonly calculation: Calculation;
  readonly filled: Filled;
  readonly problems: ReadonlyMap<string, string>;
  readonly onChange: (to: Filled) => void;
}) {
  return (
    <form aria-label="Given" onSubmit={(event) => event.preventDefault()}>
      {Object.entries(calculation.fields).map(([name, field]) => {
        const at = filled[name] ?? { text: '', unit: '' };
        const change = (to: { text: string; unit: string }) => onChange({ ...filled, [name]: to });
        if (field.kind === 'number') {
          return (
            <NumberInput
              key={name}
              name={name}
              field={field}
              at={at}
              problem={problems.get(name)}
              onChange={change}
            />
          );
        }
        return (
          <div key={name} className="border-t border-base-300 py-1">
            <label className="grid grid-cols-[minmax(0,1fr)_13.5rem] items-center gap-2 text-sm">
              {field.label}
              <select
                value={at.text}
                onChange={({ target }) => change({ text: target.value, unit: '' })}
                className="select select-sm w-full truncate"
              >
                {Object.entries(field.options).map(([id, label]) => (
                  <option key={id} value={id}>
                    {label}
                  </option>
                ))}
              </select>
            </label>
            {problems.has(name) && (
              <p className="text-sm font-bold text-error">{problems.get(name)}</p>
            )}
          </div>
        );
      })}
    </form>
  );
}
