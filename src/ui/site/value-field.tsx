import {
  describeRange,
  SITE_VALUES,
  type SiteValues,
  type ValueCode,
} from '../../core/rules/values';
import { LIST_CLASS } from '../kit/field';

/** A value as text, and the text as a value. */
export const toText = (value: SiteValues[ValueCode]): string =>
  typeof value === 'object' ? value.join(', ') : String(value);

export function fromText(code: ValueCode, text: string): unknown {
  switch (SITE_VALUES[code].kind) {
    case 'number':
      return text.trim() === '' ? undefined : Number(text);
    case 'times':
    case 'kinds':
    case 'chart':
      return text
        .split(',')
        .map((one) => one.trim())
        .filter((one) => one !== '');
    default:
      return text;
  }
}

/** Kinds to choose from, each ticked or not. */
function KindsField({
  code,
  offered,
  text,
  locked,
  onChange,
}: {
  readonly code: ValueCode;
  readonly offered: readonly string[];
  readonly text: string;
  readonly locked: boolean;
  readonly onChange: (text: string) => void;
}) {
  const chosen = fromText(code, text) as readonly string[];
  return (
    <fieldset id={code} className="flex flex-wrap gap-x-3 text-sm">
      <legend className="sr-only">{SITE_VALUES[code].title}</legend>
      {offered.map((kind) => (
        <label key={kind} className="flex items-center gap-1">
          <input
            type="checkbox"
            className="checkbox checkbox-xs"
            checked={chosen.includes(kind)}
            disabled={locked}
            onChange={({ target }) =>
              onChange(
                offered
                  .filter((one) => (one === kind ? target.checked : chosen.includes(one)))
                  .join(', '),
              )
            }
          />
          {kind}
        </label>
      ))}
    </fieldset>
  );
}

/** One value of the rules: what it is, its range, the default and what that rests on. */
export function ValueField({
  code,
  text,
  standard,
  locked,
  onChange,
}: {
  readonly code: ValueCode;
  readonly text: string;
  readonly standard: string;
  readonly locked: boolean;
  readonly onChange: (text: string) => void;
}) {
  const value = SITE_VALUES[code];
  const isOwn = text !== standard;
  return (
    <li
      data-value={code}
      className="grid gap-x-4 border-t border-base-300 py-2 md:grid-cols-[minmax(0,1fr)_22rem]"
    >
      <div>
        <label htmlFor={code} className="font-bold">
          {value.title}
          {'unit' in value ? ` (${value.unit})` : ''}
        </label>
        <p className="text-xs">
          <span className="font-mono">{code}</span>; {describeRange(code)}; default{' '}
          {'options' in value
            ? (value.options as Readonly<Record<string, string>>)[standard]
            : standard || 'none'}
          . Basis: {value.basis}
        </p>
      </div>
      <div className="flex items-center gap-2">
        {'options' in value ? (
          <select
            id={code}
            className={LIST_CLASS}
            value={text}
            disabled={locked}
            onChange={({ target }) => onChange(target.value)}
          >
            {Object.entries(value.options).map(([id, words]) => (
              <option key={id} value={id}>
                {words}
              </option>
            ))}
          </select>
        ) : 'offered' in value ? (
          <KindsField
            code={code}
            offered={value.offered}
            text={text}
            locked={locked}
            onChange={onChange}
          />
        ) : (
          <input
            id={code}
            className="input input-sm w-full font-mono"
            value={text}
            readOnly={locked}
            onChange={({ target }) => onChange(target.value)}
          />
        )}
        {isOwn && <strong className="text-xs whitespace-nowrap">own value</strong>}
      </div>
    </li>
  );
}
