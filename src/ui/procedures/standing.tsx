import type { ProcedureCheck } from '../../core/procedures';
import { countOf } from '../../core/text';
import { Instant } from '../kit/moment';

/** What the list and the page say of a procedure. */
export interface Standing {
  readonly check: ProcedureCheck;
  readonly isHolding: boolean;
  readonly due: string;
  readonly isOverdue: boolean;
}

/** How a procedure stands on the plant of today, in a sentence. */
export function StandsOn({ check, isHolding }: Pick<Standing, 'check' | 'isHolding'>) {
  const { gone, stops, changes, newest, text } = check;
  const near = changes.filter(({ touches }) => touches);
  if (!isHolding) {
    return (
      <span className="font-bold text-error">
        It no longer holds on the plant as it is:{' '}
        {[...gone.map((id) => `${id} is no longer in the plant`), ...stops].slice(0, 2).join('; ')}.
      </span>
    );
  }
  if (text.plantVersion === newest) return <span>It holds on the newest drawing.</span>;
  return (
    <span className={near.length > 0 ? 'font-bold' : ''}>
      It holds. The drawing has changed since version {text.plantVersion}: {changes.length}{' '}
      {changes.length === 1 ? 'change' : 'changes'}, {near.length} of them near it.
    </span>
  );
}

/** By when a procedure has to be inspected. */
export function DueBy({
  due,
  isOverdue,
  now,
}: Pick<Standing, 'due' | 'isOverdue'> & { readonly now: string }) {
  return isOverdue ? (
    <span className="font-bold text-error">
      Inspection was due <Instant at={due} />. It is not taken over before that.
    </span>
  ) : (
    <span>
      Inspection due <Instant at={due} /> (in{' '}
      {countOf(Math.ceil((Date.parse(due) - Date.parse(now)) / 86_400_000), 'day')}).
    </span>
  );
}
