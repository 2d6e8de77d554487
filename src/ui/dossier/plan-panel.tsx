'use client';

import { useEffect, useState } from 'react';
import type { CheckResult, Finding, Mend, PlanCost, PlanningResult } from '../../core/isolation';
import { GRADES, type Grade, type IsolationPlan } from '../../core/plant/schema';
import { useCommand } from '../command/use-command';
import { ChoiceField, Panel, SmallForm, TextField } from './field';
import type { DossierProps } from './types';

type Tried = CheckResult & { readonly cost: PlanCost };

const PARTS = { close: 'Close and lock', open: 'Open', restrain: 'Restrain' } as const;
type Part = keyof typeof PARTS;
const AIM_NAMES = {
  effort: 'Least effort',
  outage: 'Least outage',
  points: 'Fewest points',
} as const;

async function post<T>(url: string, body: unknown): Promise<T | undefined> {
  const answer = await fetch(url, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  }).catch(() => undefined);
  return answer?.ok ? ((await answer.json()) as T) : undefined;
}

/** One finding with its route and what mends it; a mend is applied by its button. */
function FindingRow({
  finding,
  onMend,
}: {
  readonly finding: Finding;
  readonly onMend?: (mend: Mend) => void;
}) {
  const stops = finding.severity === 'stops';
  return (
    <li
      data-code={finding.code}
      className={`border-l-4 pl-2 ${stops ? 'border-error' : 'border-base-300'}`}
    >
      <p>
        <strong>{stops ? 'Stops: ' : 'Caution: '}</strong>
        {finding.words}
      </p>
      {finding.route.length > 0 && <p className="font-mono text-xs">{finding.route.join(' › ')}</p>}
      {onMend && (
        <p className="flex flex-wrap gap-1">
          {finding.mends.slice(0, 8).map((mend) => (
            <button key={mend.action + mend.id} className="btn btn-xs" onClick={() => onMend(mend)}>
              {mend.words}
            </button>
          ))}
        </p>
      )}
    </li>
  );
}

/** What the check says of a plan: stops first, cautions folded. */
export function CheckReport({
  check,
  onMend,
}: {
  readonly check: CheckResult;
  readonly onMend?: (mend: Mend) => void;
}) {
  const stops = check.findings.filter(({ severity }) => severity === 'stops');
  const cautions = check.findings.filter(({ severity }) => severity === 'caution');
  return (
    <div className="flex flex-col gap-2" aria-live="polite">
      <p data-testid="check-verdict" className="font-bold">
        {check.passes
          ? 'The check passes: no route is left open.'
          : `The check stops this plan: ${stops.length} findings.`}
      </p>
      <ul className="flex flex-col gap-2">
        {stops.map((finding) => (
          <FindingRow key={finding.code + finding.subject} finding={finding} onMend={onMend} />
        ))}
      </ul>
      {cautions.length > 0 && (
        <details>
          <summary>{cautions.length} cautions to know before signing</summary>
          <ul className="mt-2 flex flex-col gap-2">
            {cautions.map((finding) => (
              <FindingRow key={finding.code + finding.subject} finding={finding} onMend={onMend} />
            ))}
          </ul>
        </details>
      )}
    </div>
  );
}

function applyMend(plan: IsolationPlan, mend: Mend): IsolationPlan {
  if (mend.action === 'drop') {
    const without = (ids: readonly string[]) => ids.filter((id) => id !== mend.id);
    return {
      close: without(plan.close),
      open: without(plan.open),
      restrain: without(plan.restrain),
    };
  }
  return { ...plan, [mend.action]: [...new Set([...plan[mend.action], mend.id])].sort() };
}

/** Planning: three computed answers, editing with the check answering at once, putting up for review. */
export function PlanPanel({ jobId, view }: DossierProps) {
  const run = useCommand();
  const stored = view.plan;
  const [plan, setPlan] = useState<IsolationPlan>(stored ?? { close: [], open: [], restrain: [] });
  const [tried, setTried] = useState<Tried | undefined>(
    stored ? { ...stored.check, cost: stored.cost } : undefined,
  );
  const [answers, setAnswers] = useState<PlanningResult>();
  const [busy, setBusy] = useState(false);
  const [origin, setOrigin] = useState<'effort' | 'outage' | 'points' | 'own'>('own');
  const { close, open, restrain } = plan;
  useEffect(() => {
    let current = true;
    const timer = setTimeout(() => {
      void post<Tried>(`/api/jobs/${jobId}/check`, { close, open, restrain }).then((answer) => {
        if (current && answer) setTried(answer);
      });
    }, 60);
    return () => {
      current = false;
      clearTimeout(timer);
    };
  }, [jobId, close, open, restrain]);
  const change = (next: IsolationPlan) => {
    setOrigin('own');
    setPlan(next);
  };
  const compute = async () => {
    setBusy(true);
    setAnswers(await post<PlanningResult>(`/api/jobs/${jobId}/answers`, {}));
    setBusy(false);
  };
  const returned = view.dossier.plan.kind === 'drafted' ? view.dossier.plan.returned : undefined;
  return (
    <Panel title="Plan the isolation">
      {returned && (
        <p role="note" className="border border-error p-2">
          Sent back by the reviewer: {returned}
        </p>
      )}
      <div>
        <button className="btn btn-primary btn-sm" disabled={busy} onClick={() => void compute()}>
          {busy ? 'Computing every route…' : 'Compute the isolation'}
        </button>
      </div>
      {answers && !answers.feasible && (
        <p role="alert" className="border-l-4 border-error pl-2 font-bold">
          No plan reaches the grade of {answers.unmet.join(', ')}. Below is the best there is; the
          measures missing have to be accepted by name.
        </p>
      )}
      {answers && !answers.feasible && (
        <ul className="list-disc pl-5 text-sm">
          {answers.answers.effort.extra_measures.map((measure) => (
            <li key={measure.kind + measure.subject}>
              <strong>{measure.subject}</strong>
              {measure.kind === 'grade-lowered' ? ` ${measure.from} to ${measure.to}` : ''}:{' '}
              {measure.measures.join('; ')}
            </li>
          ))}
        </ul>
      )}
      {answers && (
        <table className="w-full text-sm">
          <caption className="sr-only">Three answers side by side</caption>
          <thead>
            <tr className="text-left">
              <th>Answer</th>
              <th>Minutes</th>
              <th>Outage an hour</th>
              <th>Points</th>
              <th>Check</th>
              <th>
                <span className="sr-only">Take</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {(['effort', 'outage', 'points'] as const).map((aim) => {
              const answer = answers.answers[aim];
              return (
                <tr key={aim} className="border-t border-base-300">
                  <th className="py-1 text-left">{AIM_NAMES[aim]}</th>
                  <td className="font-mono">{answer.cost.effort}</td>
                  <td className="font-mono">{answer.cost.outage}</td>
                  <td className="font-mono">{answer.cost.points}</td>
                  <td>
                    {answer.passes ? 'passes' : 'does not pass'}
                    {answer.optimal ? ', proved best' : ''}
                  </td>
                  <td>
                    <button
                      className="btn btn-xs"
                      onClick={() => {
                        setPlan({
                          close: answer.close,
                          open: answer.open,
                          restrain: answer.restrain,
                        });
                        setOrigin(aim);
                      }}
                    >
                      Take {AIM_NAMES[aim].toLowerCase()}
                    </button>
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      )}
      {(Object.keys(PARTS) as Part[]).map((part) => (
        <div key={part}>
          <h3 className="font-bold">{PARTS[part]}</h3>
          <ul className="flex flex-wrap gap-1">
            {plan[part].map((id) => (
              <li key={id}>
                <button
                  className="btn btn-outline btn-xs font-mono"
                  aria-label={`take ${id} out of the plan`}
                  onClick={() =>
                    change({ ...plan, [part]: plan[part].filter((other) => other !== id) })
                  }
                >
                  {id} ✕
                </button>
              </li>
            ))}
            {plan[part].length === 0 && <li className="text-sm">nothing yet</li>}
          </ul>
        </div>
      ))}
      <SmallForm
        button="Add point"
        onSend={(read) => {
          const part = read('part') as Part;
          change({ ...plan, [part]: [...new Set([...plan[part], read('id').trim()])].sort() });
        }}
      >
        <TextField label="Point to add (its tag)" name="id" />
        <label className="flex flex-col text-sm">
          How
          <select name="part" className="select select-sm">
            {(Object.keys(PARTS) as Part[]).map((part) => (
              <option key={part} value={part}>
                {PARTS[part]}
              </option>
            ))}
          </select>
        </label>
      </SmallForm>
      {tried && <CheckReport check={tried} onMend={(mend) => change(applyMend(plan, mend))} />}
      <details>
        <summary>Raise or lower a grade by name</summary>
        <SmallForm
          button="Set the grade and sign"
          onSend={(read) =>
            void run({
              kind: 'set-grade',
              source: read('source'),
              grade: read('grade') as Grade,
              reason: read('reason'),
            })
          }
        >
          <ChoiceField
            label="Source"
            name="source"
            options={view.sources.map(({ id, grade }) => ({ id, label: `${id} (${grade})` }))}
          />
          <ChoiceField
            label="Grade"
            name="grade"
            options={GRADES.map((grade) => ({ id: grade, label: grade }))}
          />
          <TextField label="Reason, and what is done instead" name="reason" />
        </SmallForm>
      </details>
      <div className="flex gap-2">
        <button
          className="btn btn-sm"
          onClick={() =>
            void run({
              kind: 'draft-plan',
              origin,
              close: [...close],
              open: [...open],
              restrain: [...restrain],
            })
          }
        >
          Keep this plan
        </button>
        <button
          className="btn btn-primary btn-sm"
          disabled={!stored}
          onClick={() => void run({ kind: 'submit-plan' })}
        >
          Put up for review
        </button>
      </div>
    </Panel>
  );
}

/** Review by a second person: the plan as it stands, the check, and the two answers. */
export function ReviewPanel({ view, names }: DossierProps) {
  const run = useCommand();
  const { plan } = view.dossier;
  if (!view.plan || plan.kind === 'none') return null;
  return (
    <Panel title="Review by a second person">
      <p>
        Drawn up by {names[plan.author] ?? plan.author}. Whoever reviews it may not be its author.
      </p>
      <PointList plan={view.plan} />
      <CheckReport check={view.plan.check} />
      <SmallForm
        button="Accept the plan"
        onSend={(read) => void run({ kind: 'accept-plan', note: read('note') })}
      >
        <TextField label="Note (may be empty)" name="note" required={false} />
      </SmallForm>
      <SmallForm
        button="Send it back"
        onSend={(read) => void run({ kind: 'return-plan', note: read('why') })}
      >
        <TextField label="What has to change" name="why" />
      </SmallForm>
    </Panel>
  );
}

/** The points of a plan in words. */
export function PointList({ plan }: { readonly plan: IsolationPlan }) {
  return (
    <dl className="grid grid-cols-[8rem_1fr] gap-x-2 text-sm">
      {(Object.keys(PARTS) as Part[]).map((part) => (
        <div key={part} className="contents">
          <dt className="font-bold">{PARTS[part]}</dt>
          <dd className="font-mono">{plan[part].join(' ') || 'nothing'}</dd>
        </div>
      ))}
    </dl>
  );
}
