'use client';

import type { BreathingOut } from '../../../core/hotwork';
import { suggestBlanks } from '../../../core/hotwork/breathing';
import type { HotWorkView } from '../../../core/job';
import type { DossierProps } from '../types';
import { usePlanDraft } from '../../planning/draft';

/** What can breathe out at one opening, link by link, and where to blank it. */
function Breathing({ found }: { readonly found: BreathingOut }) {
  const { opening, bodies, count, blankAt, together } = found;
  const [nearest, ...rest] = bodies;
  if (!nearest) return null;
  const line = (route: readonly string[], body: string) => [opening.section, ...route, body];
  return (
    <li data-breathes={opening.id} className="border-l-4 border-error pl-2">
      <p>
        ▲ <strong>{nearest.name}</strong> ({nearest.what}) can breathe out at{' '}
        <strong>{opening.name}</strong>
      </p>
      <p className="font-mono text-xs">{line(nearest.route, nearest.body).join(' › ')}</p>
      {rest.length > 0 && (
        <details className="text-sm">
          <summary className="cursor-pointer">
            {count - 1} more {count === 2 ? 'body' : 'bodies'} behind it
          </summary>
          <ul>
            {rest.map(({ body, name, what, route }) => (
              <li key={body}>
                {name} ({what}):{' '}
                <span className="font-mono text-xs">{line(route, body).join(' › ')}</span>
              </li>
            ))}
            {count > bodies.length && <li>and {count - bodies.length} not listed</li>}
          </ul>
        </details>
      )}
      <p className="text-sm">
        {blankAt.length > 0
          ? `Blank it at ${blankAt.join(' or ')}.`
          : together.length > 0
            ? `Blank it at ${together.join(' and ')} together.`
            : 'The drawing has no place for a blank on this path.'}
      </p>
    </li>
  );
}

/** Where an opening can be blanked, as far as the drawing says. */
export const blanksOf = ({ breathing }: HotWorkView, id: string): readonly string[] => {
  const found = breathing.find(({ opening }) => opening.id === id);
  return found ? suggestBlanks(found) : [];
};

/** What can breathe out at the openings about the work, and a way to put the blanks into the plan. */
export function BreathingPart({
  hot,
  props,
}: {
  readonly hot: HotWorkView;
  readonly props: DossierProps;
}) {
  const { plan, change } = usePlanDraft();
  const { stage } = props.view;
  const blanks = [...new Set(hot.breathing.flatMap(({ opening }) => blanksOf(hot, opening.id)))];
  return (
    <section
      aria-label="What can breathe out here"
      data-spot="breathing"
      className="flex flex-col gap-1"
    >
      <h3 className="font-bold">What can breathe out here</h3>
      {hot.breathing.length === 0 ? (
        <p className="text-sm">
          Nothing that burns reaches an open end within {hot.radius_m} m on the drawing: every path
          is blanked, or its opening sealed.
        </p>
      ) : (
        <ul className="flex flex-col gap-2">
          {hot.breathing.map((found) => (
            <Breathing key={found.opening.id} found={found} />
          ))}
        </ul>
      )}
      {stage === 'plan' && blanks.length > 0 && (
        <button
          type="button"
          className="btn btn-sm self-start"
          disabled={blanks.every((blank) => plan.close.includes(blank))}
          onClick={() =>
            change({ ...plan, close: [...new Set([...plan.close, ...blanks])].sort() })
          }
        >
          Put {blanks.join(', ')} into the plan above
        </button>
      )}
    </section>
  );
}
