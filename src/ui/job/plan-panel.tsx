'use client';

import { useState } from 'react';
import type { CheckResult, ExplainedPoint, Failure, Mend, PlanCost } from '../../core/isolation';
import {
  listPlanPoints,
  mapPlan,
  pointsOf,
  type IsolationPlan,
} from '../../core/plant/isolation-plan';
import { GRADES, type Grade } from '../../core/plant/vocabulary';
import { useCommand } from '../command/use-command';
import { gatherByArrival } from '../../core/job/arrivals';
import { usePlanDraft } from '../planning/draft';
import { Templates } from '../planning/templates';
import { FailureTable } from '../planning/failures';
import { AcceptedGrades } from '../planning/measures';
import { PART_NAMES, PARTS, PointTable, type Part } from '../planning/points';
import { useAsked } from '../planning/use-asked';
import { Answers } from '../planning/answers';
import { CheckReport } from '../planning/check-report';
import { PickField } from '../kit/combobox';
import { ChoiceField, SmallForm, TextField } from '../kit/field';
import { Panel } from '../kit/panel';
import type { DossierProps } from './types';

interface Explained {
  readonly points: readonly ExplainedPoint[];
  readonly failures: readonly Failure[];
}

type Tried = CheckResult & { readonly cost: PlanCost };

function applyMend(plan: IsolationPlan, mend: Mend): IsolationPlan {
  if (mend.action === 'accept') return plan;
  if (mend.action === 'drop') {
    return mapPlan(plan, (ids) => ids.filter((id) => id !== mend.id));
  }
  return { ...plan, [mend.action]: [...new Set([...plan[mend.action], mend.id])].sort() };
}

/** Planning: three computed answers, editing with the check answering at once, putting up for review. */
export function PlanPanel({ jobId, view, names }: DossierProps) {
  const run = useCommand();
  const stored = view.plan;
  const { plan, origin, template, procedure, take, change, toggle, undo } = usePlanDraft();
  const [drawingChecked, setDrawingChecked] = useState(false);
  const { close, open, restrain } = plan;
  const isEmpty = listPlanPoints(plan).length === 0;
  const asked = useAsked<Tried>(`/api/jobs/${jobId}/check`, plan, 60);
  const tried = asked ?? (stored && { ...stored.check, cost: stored.cost });
  const explained = useAsked<Explained>(`/api/jobs/${jobId}/explain`, plan, 300);
  const returned = view.dossier.plan.kind === 'drafted' ? view.dossier.plan.returned : undefined;
  return (
    <Panel title="Plan the isolation" spot="plan">
      {returned && (
        <p role="note" className="border border-error p-2">
          Sent back by the reviewer: {returned}
        </p>
      )}
      <Answers
        jobId={jobId}
        accepted={view.dossier.grades}
        lamps={view.lamps}
        onAccept={(command) => void run(command)}
        onTake={take}
      />
      <Templates jobId={jobId} onTake={(...taken) => take('template', ...taken)} />
      <AcceptedGrades grades={view.dossier.grades} lamps={view.lamps} names={names} />
      <PointTable
        plan={plan}
        points={explained?.points ?? []}
        passes={tried?.passes ?? false}
        onDrop={toggle}
      />
      <SmallForm
        button="Add point"
        onSend={(read) => {
          const part = read('part') as Part;
          change({
            ...plan,
            [part]: [...new Set([...pointsOf(plan, part), read('id').trim()])].sort(),
          });
        }}
      >
        <TextField label="Point to add (its tag)" name="id" />
        <label className="flex flex-col text-sm">
          How
          <select name="part" className="select select-sm">
            {PART_NAMES.map((part) => (
              <option key={part} value={part}>
                {PARTS[part]}
              </option>
            ))}
          </select>
        </label>
      </SmallForm>
      {tried && !isEmpty && (
        <CheckReport
          check={tried}
          lamps={view.lamps}
          now={view.now}
          onMend={(mend) => change(applyMend(plan, mend))}
        />
      )}
      {isEmpty && (
        <p data-testid="check-verdict">
          Nothing is closed yet: every lamp beside this can still reach the crew. Compute the
          isolation, take a template, or add the first point by its tag. The check answers from the
          first point on.
        </p>
      )}
      {explained && explained.failures.length > 0 && (
        <details>
          <summary>One failure more: what would come of each barrier that passes</summary>
          <FailureTable failures={explained.failures} />
        </details>
      )}
      <details>
        <summary>Raise or lower a grade by name</summary>
        <SmallForm
          button="Set the grade and sign"
          onSend={(read) =>
            void run({
              kind: 'set-grade',
              sources: read('sources').split(' '),
              grade: read('grade') as Grade,
              reason: read('reason'),
              measures: [read('measure')].filter((words) => words.trim() !== ''),
            })
          }
        >
          <PickField
            label="Arrival"
            name="sources"
            options={gatherByArrival(
              view.sources.map(({ id, grade }) => ({ subject: id, grade })),
              view.lamps,
              ({ grade }) => grade,
            ).map(({ name, items }) => ({
              id: items.map(({ subject }) => subject).join(' '),
              label: `${name} (${items[0]?.grade ?? ''})`,
            }))}
          />
          <ChoiceField
            label="Grade"
            name="grade"
            options={GRADES.map((grade) => ({ id: grade, label: grade }))}
          />
          <TextField label="Reason" name="reason" />
          <TextField label="When lowered: what is done instead" name="measure" required={false} />
        </SmallForm>
      </details>
      {view.sources.length === 0 && (
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            className="checkbox checkbox-sm"
            checked={drawingChecked}
            onChange={({ target }) => setDrawingChecked(target.checked)}
          />
          I have walked the plant: nothing feeds this work that the drawing does not show.
        </label>
      )}
      <div className="flex gap-2">
        <button type="button" className="btn btn-sm" disabled={!undo} onClick={undo}>
          Undo
        </button>
        <button
          className="btn btn-sm"
          onClick={() =>
            void run({
              kind: 'draft-plan',
              origin,
              template,
              procedure,
              close: [...close],
              open: [...open],
              restrain: [...restrain],
              stand: [...pointsOf(plan, 'stand')],
            })
          }
        >
          Keep this plan
        </button>
        <button
          className="btn btn-primary btn-sm"
          disabled={!stored}
          onClick={() => void run({ kind: 'submit-plan', drawingChecked })}
        >
          Send it for review
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
    <Panel title="Review by a second person" spot="review">
      <p>
        Drawn up by {names[plan.author] ?? plan.author}. Whoever reviews it may not be its author.
      </p>
      <PointList plan={view.plan} />
      <AcceptedGrades grades={view.dossier.grades} lamps={view.lamps} names={names} />
      <CheckReport check={view.plan.check} lamps={view.lamps} />
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
      {PART_NAMES.map((part) => (
        <div key={part} className="contents">
          <dt className="font-bold">{PARTS[part]}</dt>
          <dd className="font-mono">{pointsOf(plan, part).join(' ') || 'nothing'}</dd>
        </div>
      ))}
    </dl>
  );
}
