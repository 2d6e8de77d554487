import type { ExplainedRefusal } from '../../core/rules/book';

/** The list of reasons against a step, with basis and the way to clear each. */
export function Reasons({ refusals }: { readonly refusals: readonly ExplainedRefusal[] }) {
  return (
    <ul className="flex flex-col gap-2">
      {refusals.map((refusal, index) => (
        <li
          key={`${refusal.code}-${index}`}
          data-code={refusal.code}
          className="border-l-4 border-error pl-2"
        >
          <p className="font-bold">{refusal.says}</p>
          <p>To clear it: {refusal.clear}</p>
          <p className="text-xs">Basis: {refusal.basis}</p>
        </li>
      ))}
    </ul>
  );
}
