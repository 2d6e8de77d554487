'use client';

import { ArrowRight } from 'lucide-react';
import { capitalise } from '../../core/text';
import { ROLE_NAMES } from '../../core/people/people';
import { Reasons } from '../command/reasons';
import { Beside } from '../kit/moment';
import type { RuleCode } from '../../core/rules/book';
import type { DossierProps } from './types';

/** So many names are said; the rest are counted. */
const MOST_NAMES = 2;

/** "You may do it", or who it waits for. */
function sayWho({ next, me, names }: DossierProps): string {
  if (!next) return '';
  const role = ROLE_NAMES[next.role];
  if (next.who.includes(me)) return `Yours: ${role}.`;
  const named = next.who.map((id) => names[id] ?? id);
  const few = named.slice(0, MOST_NAMES).join(' or ');
  const more = named.length - MOST_NAMES;
  if (named.length === 0) return `Waits for the ${role}: nobody is authorised now.`;
  return `Waits for ${few}${more > 0 ? ` or ${more} more` : ''}, ${role}.`;
}

/** The next step of a job in a sentence, who may do it, the way there, and what holds it up. */
export function NextCard(
  props: DossierProps & {
    readonly onGo: () => void;
    /** Leads to where a rule that holds it up is cleared. */
    readonly onLead: (code: RuleCode) => void;
  },
) {
  const { next, view, onGo, onLead } = props;
  const isNow = next?.urgency === 'now';
  return (
    <section
      aria-label="Next"
      className={`flex shrink-0 flex-col gap-2 rounded-box border-2 p-3 ${isNow ? 'border-error' : 'border-primary'}`}
    >
      <h2 className="text-lg font-bold">Next</h2>
      {next ? (
        <>
          <p className={`line-clamp-5 ${isNow ? 'font-bold text-error' : 'font-bold'}`}>
            {capitalise(next.what)}
            {next.at !== undefined && (
              <span className="font-normal">
                {' '}
                <Beside at={next.at} now={view.now} />
              </span>
            )}
          </p>
          <p className="text-sm">{sayWho(props)}</p>
          <button className="btn btn-primary btn-sm self-start" onClick={onGo}>
            Go to it <ArrowRight size={14} aria-hidden />
          </button>
        </>
      ) : (
        <p>
          {view.stage === 'closed' ? 'Nothing: the job is closed.' : 'Nothing waits for anybody.'}
        </p>
      )}
      <div
        role="region"
        aria-label="Holding this up"
        className="max-h-64 overflow-auto border-t border-base-300 pt-2"
        tabIndex={0}
      >
        {view.holding.length === 0 ? (
          <p className="text-sm">Nothing holds it up.</p>
        ) : (
          <>
            <p className="mb-1 text-sm font-bold">What holds it up</p>
            <Reasons refusals={view.holding} onLead={onLead} />
          </>
        )}
      </div>
    </section>
  );
}
