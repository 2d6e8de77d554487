'use client';

import { PAPERS } from '../../../core/permits/papers';
import { useCommand } from '../../command/use-command';
import { SmallForm, TextField } from '../../kit/field';
import { Panel } from '../../kit/panel';
import type { DossierProps } from '../types';
import { AcceptedGrades } from '../../planning/measures';
import { AssessmentText, AssessPanel } from '../papers/assess-panel';
import { useMoments } from '../../kit/moment';

function CancelForm() {
  const run = useCommand();
  return (
    <details>
      <summary className="cursor-pointer text-sm">Cancel this permit</summary>
      <SmallForm
        button="Cancel the permit"
        onSend={(read) => void run({ kind: 'cancel-permit', reason: read('why') })}
      >
        <TextField label="Why" name="why" />
      </SmallForm>
    </details>
  );
}

/** At the hatch: the questions are asked, both sign, the permit is out. */
function IssueForm({ view, names }: DossierProps) {
  const { beside } = useMoments();
  const run = useCommand();
  const { performer, permit } = view.dossier;
  if (permit.kind !== 'approved') return null;
  return (
    <>
      {view.briefing.counts && view.dossier.briefing ? (
        <p>
          Briefed: {view.briefing.heard.map((id) => names[id] ?? id).join(', ')}, by{' '}
          {names[view.dossier.briefing.by] ?? view.dossier.briefing.by}.
        </p>
      ) : (
        <>
          <p>Ask {names[performer] ?? performer} and the crew, and listen for the answers:</p>
          <ul className="list-disc pl-5 text-lg">
            {permit.assessment.questions.map((question) => (
              <li key={question}>{question}</li>
            ))}
          </ul>
        </>
      )}
      <SmallForm
        button="Issue with both signatures"
        onSend={(read) => {
          const given = read('hours');
          void run({
            kind: 'issue-permit',
            ...(given === '' ? {} : { hours: Number(given) }),
            briefed: read('briefed') === 'on',
            performer,
          });
        }}
      >
        <TextField
          label={`Valid for (h); empty: until ${beside(view.latestEnd, view.now)}`}
          name="hours"
          type="number"
          required={false}
        />
        {!view.briefing.isSigned && (
          <label className="flex items-center gap-1 text-sm">
            <input type="checkbox" name="briefed" className="checkbox checkbox-sm" /> briefing held
            with {names[performer] ?? performer}
          </label>
        )}
      </SmallForm>
    </>
  );
}

/** The permit before work: assess, approve, issue with both signatures. */
export function PermitPanel(props: DossierProps) {
  const run = useCommand();
  const { view, names } = props;
  const { permit, pastPermits, grades } = view.dossier;
  if (permit.kind === 'draft' || permit.kind === 'cancelled') {
    return !view.dossier.papers ? null : (
      <>
        <AssessPanel {...props} />
        {permit.kind === 'draft' && <CancelForm />}
      </>
    );
  }
  return (
    <Panel title={view.papers.kinds.map((kind) => PAPERS[kind]).join(', ')} spot="permit">
      {pastPermits.length > 0 && (
        <p className="text-sm">
          Before this one: {pastPermits.map(({ number }) => number).join(', ')}
        </p>
      )}
      <AcceptedGrades lamps={view.lamps} grades={grades} names={names} />
      {permit.kind === 'approved' && view.stage === 'permit' && <IssueForm {...props} />}
      {permit.kind === 'assessed' && (
        <button
          className="btn btn-primary btn-sm self-start"
          onClick={() => void run({ kind: 'approve-permit' })}
        >
          Approve
        </button>
      )}
      <AssessmentText assessment={permit.assessment} names={names} />
      {permit.kind === 'assessed' && (
        <details>
          <summary className="cursor-pointer text-sm">Assess it anew</summary>
          <AssessPanel {...props} />
        </details>
      )}
      <CancelForm />
    </Panel>
  );
}
