'use client';

import dynamic from 'next/dynamic';
import { useState } from 'react';
import type { EarlierJob } from '../../../core/job';
import type { TaskAssessment } from '../../../core/permits';
import { nameHazard } from '../../../core/permits/hazards';
import { Panel } from '../../kit/panel';
import type { DossierProps } from '../types';
import { Day } from '../../kit/moment';

const AssessForm = dynamic(() => import('./assess-form').then((part) => part.AssessForm));

/** An assessment to read: hazards with controls, what is worn, what is arranged, what is asked. */
export function AssessmentText({
  assessment,
  names,
}: {
  readonly assessment: TaskAssessment;
  readonly names: Readonly<Record<string, string>>;
}) {
  const { steps, left, wear, emergency, questions } = assessment;
  return (
    <div className="flex flex-col gap-2 text-sm">
      {steps.map(({ step, hazards }) => (
        <section key={step}>
          <h3 className="font-bold">{step}</h3>
          <ul className="list-disc pl-5">
            {hazards.map(({ hazard, controls, remains, accepter }) => (
              <li key={hazard}>
                <strong>{nameHazard(hazard)}</strong>:{' '}
                {controls.map(({ control }) => control).join('; ')}. Remains: {remains}
                {accepter === undefined ? '' : `, accepted by ${names[accepter] ?? accepter}`}
              </li>
            ))}
          </ul>
        </section>
      ))}
      {Object.entries(left).map(([code, why]) => (
        <p key={code}>
          {nameHazard(code)}: does not apply, because {why}
        </p>
      ))}
      <p>
        <strong>Protective equipment:</strong> {wear.join(', ')}
      </p>
      <p>
        <strong>For an emergency:</strong> {emergency.join('; ')}
      </p>
      <div>
        <strong>Asked at the briefing:</strong>
        <ul className="list-disc pl-5">
          {questions.map((question) => (
            <li key={question}>{question}</li>
          ))}
        </ul>
      </div>
    </div>
  );
}

/** What happened on an earlier job on this equipment, and what has changed since its assessment. */
function Earlier({
  earlier,
  onTake,
}: {
  readonly earlier: EarlierJob;
  readonly onTake: () => void;
}) {
  const { job, title, raisedAt, mishaps, assessment, drift } = earlier;
  return (
    <li className="border-l-4 border-base-300 pl-2 text-sm" data-earlier={job}>
      <p>
        <a href={`/jobs/${job}`} className="font-mono underline">
          {job}
        </a>{' '}
        {title}, <Day at={raisedAt} />
      </p>
      {mishaps.map(({ what, at }, n) => (
        <p key={`${at} ${n}`} className="font-bold">
          Then: {what}
        </p>
      ))}
      {assessment && drift && (
        <p>
          Assessed {drift.days === 0 ? 'today' : `${drift.days} days ago`}.{' '}
          {drift.fresh.length > 0
            ? `New since: ${drift.fresh.map(({ code }) => nameHazard(code)).join(', ')}. `
            : 'Nothing new has come up since. '}
          {drift.gone.length > 0
            ? `No longer suggested: ${drift.gone.map(nameHazard).join(', ')}. `
            : ''}
          <button type="button" className="btn btn-xs" onClick={onTake}>
            Begin with this one
          </button>
        </p>
      )}
    </li>
  );
}

/** The task is assessed: earlier jobs first, then the form, begun from what is suggested. */
export function AssessPanel(props: DossierProps) {
  const [from, setFrom] = useState<EarlierJob>();
  const { permit } = props.view.dossier;
  const told = props.earlier.filter(({ mishaps, assessment }) => mishaps.length > 0 || assessment);
  return (
    <Panel title="Assess the task" spot="assess">
      {told.length > 0 && (
        <ul aria-label="Earlier jobs on this equipment" className="flex flex-col gap-1">
          {told.map((earlier) => (
            <Earlier key={earlier.job} earlier={earlier} onTake={() => setFrom(earlier)} />
          ))}
        </ul>
      )}
      {permit.kind === 'cancelled' && <p>The last permit was cancelled: {permit.reason}</p>}
      <AssessForm key={from?.job ?? props.view.papers.kinds.join()} props={props} from={from} />
    </Panel>
  );
}
