'use client';

import { useState } from 'react';
import type { Answers, PaperKind, QuestionCode } from '../../../core/permits';
import { PAPER_KINDS, PAPERS } from '../../../core/permits/papers';
import { addAnswers, QUESTION_CODES, QUESTIONS } from '../../../core/permits/screening';
import { useCommand } from '../../command/use-command';
import { Panel } from '../../kit/panel';
import type { DossierProps } from '../types';

function Question({
  code,
  answer,
  onAnswer,
}: {
  readonly code: QuestionCode;
  readonly answer: 'yes' | 'no' | undefined;
  readonly onAnswer: (answer: 'yes' | 'no') => void;
}) {
  return (
    <fieldset
      className="flex items-center gap-3 border-t border-base-300 py-1"
      data-question={code}
    >
      <legend className="contents">
        <span className="grow text-sm">{QUESTIONS[code].asks}</span>
      </legend>
      {(['yes', 'no'] as const).map((value) => (
        <label key={value} className="flex items-center gap-1 text-sm">
          <input
            type="radio"
            name={code}
            className="radio radio-sm"
            checked={answer === value}
            onChange={() => onAnswer(value)}
          />
          {value}
        </label>
      ))}
    </fieldset>
  );
}

function ScreeningForm({ view }: DossierProps) {
  const run = useCommand();
  const decided = view.dossier.papers;
  const [answers, setAnswers] = useState<Answers>(decided?.answers ?? {});
  const [left, setLeft] = useState<Readonly<Partial<Record<PaperKind, string>>>>(
    decided?.left ?? {},
  );
  const [more, setMore] = useState<readonly PaperKind[]>([]);
  const proposals = addAnswers(view.papers.proposed, answers);
  const proposed = proposals.map(({ kind }) => kind);
  const kinds = PAPER_KINDS.filter(
    (kind) => (proposed.includes(kind) && left[kind] === undefined) || more.includes(kind),
  );
  const open = QUESTION_CODES.filter((code) => answers[code] === undefined).length;
  return (
    <div className="flex flex-col gap-2">
      {QUESTION_CODES.map((code) => (
        <Question
          key={code}
          code={code}
          answer={answers[code]}
          onAnswer={(answer) => setAnswers({ ...answers, [code]: answer })}
        />
      ))}
      <ul aria-label="Papers">
        {proposals.map(({ kind, reasons, must }) => (
          <li key={kind} data-paper={kind} className="border-t border-base-300 py-1 text-sm">
            <p>
              <strong>{PAPERS[kind]}</strong>: {reasons.join('; ')}
            </p>
            {!must && (
              <label className="flex items-center gap-2">
                Leave it out because
                <input
                  className="input input-sm grow"
                  value={left[kind] ?? ''}
                  placeholder="empty: it is taken up"
                  onChange={({ target: { value } }) => {
                    setLeft({ ...left, [kind]: value === '' ? undefined : value });
                  }}
                />
              </label>
            )}
          </li>
        ))}
      </ul>
      <details>
        <summary className="cursor-pointer text-sm">Take up one that is not proposed</summary>
        <div className="flex flex-wrap gap-3">
          {PAPER_KINDS.filter((kind) => !proposed.includes(kind)).map((kind) => (
            <label key={kind} className="flex items-center gap-1 text-sm">
              <input
                type="checkbox"
                className="checkbox checkbox-sm"
                checked={more.includes(kind)}
                onChange={({ target: { checked } }) =>
                  setMore(checked ? [...more, kind] : more.filter((one) => one !== kind))
                }
              />
              {PAPERS[kind]}
            </label>
          ))}
        </div>
      </details>
      <button
        type="button"
        className="btn btn-primary btn-sm self-start"
        onClick={() => void run({ kind: 'screen-job', answers, kinds: [...kinds], left })}
      >
        Decide on these papers{open > 0 ? ` (${open} open)` : ''}
      </button>
    </div>
  );
}

/** Which permits and certificates the job needs: proposed with reasons, decided by a person, both kept. */
export function PapersPanel(props: DossierProps) {
  const { view, names } = props;
  const { papers } = view.dossier;
  const settled = view.stage === 'work' || view.stage === 'restore' || view.stage === 'closed';
  return (
    <Panel title="Papers" spot="papers">
      <p>
        {papers
          ? `${papers.kinds.map((kind) => PAPERS[kind]).join(', ')} (decided by ${names[papers.by] ?? papers.by})`
          : `Proposed: ${view.papers.kinds.map((kind) => PAPERS[kind]).join(', ')}`}
      </p>
      {papers &&
        Object.entries(papers.left).map(([kind, why]) => (
          <p key={kind} className="text-sm">
            Left out: {PAPERS[kind as PaperKind]}, because {why}
          </p>
        ))}
      {!settled && (
        <details open={!papers && view.stage === 'permit'}>
          <summary className="cursor-pointer text-sm">
            {papers ? 'Answer the questions anew' : 'Answer the questions and decide'}
          </summary>
          <ScreeningForm {...props} />
        </details>
      )}
    </Panel>
  );
}
