'use client';

import { useEffect, useState } from 'react';
import type { Template } from '../../core/job';
import type { IsolationPlan } from '../../core/plant/schema';

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

/** Plans used before on the same equipment, each with what has changed in the plant since. */
export function Templates({
  jobId,
  onTake,
}: {
  readonly jobId: string;
  readonly onTake: (plan: IsolationPlan, from: string) => void;
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
    <details>
      <summary>Take a plan used before ({templates.length})</summary>
      <ul>
        {templates.map((template) => (
          <li key={template.job} className="border-t border-base-300 py-2 text-sm">
            <div className="flex items-center gap-3">
              <span className="grow">
                <span className="font-mono">{template.job}</span> {template.title}
              </span>
              <button
                type="button"
                className="btn btn-xs"
                onClick={() => onTake(template.plan, template.job)}
              >
                Take the plan of {template.job}
              </button>
            </div>
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
