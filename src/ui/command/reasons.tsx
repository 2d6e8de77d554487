import { ArrowRight } from 'lucide-react';
import type { ExplainedRefusal, RuleCode } from '../../core/rules/book';

/** The list of reasons against a step, with basis and the way to clear each. */
export function Reasons({
  refusals,
  onLead,
}: {
  readonly refusals: readonly ExplainedRefusal[];
  /** Leads to where a rule is cleared, on a screen that knows where that is. */
  readonly onLead?: (code: RuleCode) => void;
}) {
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
          {onLead && (
            <button className="link flex items-center gap-1" onClick={() => onLead(refusal.code)}>
              Take me there <ArrowRight size={14} aria-hidden />
            </button>
          )}
          <p className="text-xs">Basis: {refusal.basis}</p>
        </li>
      ))}
    </ul>
  );
}
