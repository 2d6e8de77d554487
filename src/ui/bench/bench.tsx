'use client';

import Link from 'next/link';
import { useMemo, useState } from 'react';
import type { Figure, TypedInputs } from '../../core/bench';
import { listStartInputs } from '../../core/bench/define';
import { sayAnswer } from '../../core/bench/describe';
import { findCalculation } from '../../core/bench/list';
import type { SiteValues } from '../../core/rules/values';
import { fromSi, writeFigure, writeUnit } from '../../core/units/quantity';
import { CurveChart } from './chart';
import { BenchInputs, fill, readFilled } from './inputs';
import { UseInJob, type JobChoice } from './use-in-job';
import { Note } from '../kit/note';

const sayFigure = ({ value, quantity, unit }: Figure): string =>
  `${writeFigure(fromSi(value, quantity, unit))} ${writeUnit(unit)}`;

/** Every figure that came out. */
function Figures({ figures }: { readonly figures: readonly Figure[] }) {
  return (
    <dl aria-label="Worked out" className="flex flex-col">
      {figures.map((figure) => (
        <div
          key={figure.label}
          className="grid grid-cols-[minmax(0,1fr)_auto] items-baseline gap-3 border-t border-base-300 py-1"
        >
          <dt>
            {figure.label} <span className="font-mono text-xs">{figure.symbol}</span>
          </dt>
          <dd className="font-mono">{sayFigure(figure)}</dd>
        </div>
      ))}
    </dl>
  );
}

/** One calculation: what is given on the left, what comes of it on the right, worked out with every key. */
export function BenchScreen({
  id,
  given,
  values,
  jobs,
  job,
  subject,
  me,
  names,
}: {
  readonly id: string;
  readonly given: TypedInputs | undefined;
  readonly values: SiteValues;
  readonly jobs: readonly JobChoice[];
  readonly job: string | undefined;
  readonly subject: string | undefined;
  readonly me: string;
  readonly names: Readonly<Record<string, string>>;
}) {
  const calculation = findCalculation(id);
  const [filled, setFilled] = useState(() =>
    calculation ? fill(calculation, given ?? listStartInputs(calculation.fields, values)) : {},
  );
  const inputs = useMemo(
    () => (calculation ? readFilled(calculation, filled) : {}),
    [calculation, filled],
  );
  const result = useMemo(() => calculation?.run(inputs), [calculation, inputs]);
  if (!calculation || !result) return null;
  const problems = new Map(
    result.ok ? [] : result.problems.map(({ field, message }) => [field, message] as const),
  );
  const elsewhere = problems.get('');
  return (
    <main className="flex flex-col gap-3 p-4">
      <div>
        <Link href="/bench" className="no-print text-sm underline">
          Bench
        </Link>
        <div className="flex items-start gap-3">
          <h1 className="text-xl font-bold">{calculation.question}</h1>
          <button className="btn btn-sm no-print ml-auto" onClick={() => window.print()}>
            Print
          </button>
        </div>
        <p className="hidden text-sm print:block">Worked out by {names[me] ?? me}.</p>
        <p>
          <strong>{calculation.title}.</strong> {calculation.about}
        </p>
      </div>
      <div className="grid grid-cols-[minmax(0,1fr)] items-start gap-6 lg:grid-cols-[minmax(0,28rem)_minmax(0,1fr)]">
        <div className="flex flex-col gap-3">
          <BenchInputs
            calculation={calculation}
            filled={filled}
            problems={problems}
            onChange={setFilled}
          />
        </div>
        <div className="flex flex-col gap-3" aria-live="polite">
          {result.ok ? (
            <>
              <section
                aria-label="Answer"
                className="rounded-box bg-primary p-3 text-2xl font-bold text-primary-content"
              >
                {sayAnswer(calculation, result.figures)}
              </section>
              {result.notes.map((note) => (
                <p key={note} className="border-l-4 border-info pl-2">
                  {note}
                </p>
              ))}
              {result.curve && <CurveChart curve={result.curve} />}
              <Figures figures={result.figures} />
            </>
          ) : (
            <Note tone="error">
              {elsewhere ?? 'No figure can be given until the fields marked are mended.'}
            </Note>
          )}
          <Note tone="warning" isSmall>
            {calculation.caution} A figure proves nothing: a reading does. Local codes and the
            judgement of a competent engineer come first.
          </Note>
          <details className="rounded-box bg-base-200 p-3 text-sm">
            <summary className="cursor-pointer font-bold">Formula, and where it comes from</summary>
            {calculation.formula.map((one) => (
              <p key={one} className="font-mono">
                {one}
              </p>
            ))}
            <p className="mt-2">Source: {calculation.source}.</p>
          </details>
          <UseInJob
            jobs={jobs}
            job={job}
            subject={subject}
            calculation={id}
            inputs={result.ok ? inputs : undefined}
            me={me}
            names={names}
          />
        </div>
      </div>
    </main>
  );
}
