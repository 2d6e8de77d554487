'use client';

import { useEffect, useState } from 'react';
import type { Template } from '../../core/job';
import type { IsolationPlan } from '../../core/plant/schema';
import { Instant } from '../kit/moment';

function Since({ template }: { readonly template: Template }) {
  const { changes, version, newest, gone } = template;
  if (version === newest) return <p>The plant is as it was (version {version}).</p>;
  const near = changes.filter(({ touches }) => touches);
  return (
    <div>
      <p className={near.length > 0 ? 'font-bold' : ''}>
        Made on version {version}; version {newest} is in force. {changes.length} changes since,{' '}
        {near.length} of them on this plan or its routes.
        {gone.length > 0 && ` No longer in the plant: ${gone.join(', ')}.`}
      </p>
      <ul className="list-disc pl-5 font-mono text-xs">
        {changes.map(({ words, touches }) => (
          <li key={words}>
            {touches && <strong>near: </strong>}
            {words}
          </li>
        ))}
      </ul>
    </div>
  );
}

/** What a plan used before is called: the number of its procedure, or of its job. */
const nameOf = ({ job, procedure }: Template): string => procedure?.name ?? job;

/** What speaks against taking a procedure over as it is. */
function Overdue({ stops, overdue }: NonNullable<Template['procedure']>) {
  return (
    <>
      {overdue !== undefined && (
        <p className="font-bold">
          Its inspection was due <Instant at={overdue} />: it cannot be taken over before that.
        </p>
      )}
      {stops.length > 0 && (
        <p className="font-bold">It no longer holds on the plant as it is: {stops[0]}.</p>
      )}
    </>
  );
}

/** Plans used before on the same equipment, each with what has changed in the plant since. */
export function Templates({
  jobId,
  onTake,
}: {
  readonly jobId: string;
  readonly onTake: (plan: IsolationPlan, from: string, procedure?: number) => void;
}) {
  const [templates, setTemplates] = useState<readonly Template[]>();
  useEffect(() => {
    let current = true;
    void fetch(`/api/jobs/${jobId}/templates`)
      .then((answer) => (answer.ok ? (answer.json() as Promise<Template[]>) : []))
      .catch(() => [])
      .then((found) => {
        if (current) setTemplates(found);
      });
    return () => {
      current = false;
    };
  }, [jobId]);
  if (!templates || templates.length === 0) return null;
  return (
    <details open={templates.some(({ procedure }) => procedure !== undefined)}>
      <summary>Take a plan used before ({templates.length})</summary>
      <ul>
        {templates.map((template) => (
          <li key={nameOf(template)} className="border-t border-base-300 py-2 text-sm">
            <div className="flex items-center gap-3">
              <span className={`grow ${template.procedure ? 'font-bold' : ''}`}>
                <span className="font-mono">{nameOf(template)}</span> {template.title}
                {template.procedure && ', written procedure'}
              </span>
              <button
                type="button"
                className={`btn btn-xs ${template.procedure ? 'btn-primary' : ''}`}
                onClick={() => onTake(template.plan, template.job, template.procedure?.number)}
              >
                Take the plan of {nameOf(template)}
              </button>
            </div>
            {template.procedure && <Overdue {...template.procedure} />}
            <Since template={template} />
          </li>
        ))}
      </ul>
      <p className="text-sm">
        A plan taken over is checked on the plant as it is now, reviewed and walked down like any
        other.
      </p>
    </details>
  );
}
