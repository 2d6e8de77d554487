import Link from 'next/link';
import { nameProcedure, type Procedure } from '../../core/procedures/record';
import { Instant } from '../kit/moment';
import { DueBy, StandsOn, type Standing } from './standing';

interface Line extends Standing {
  readonly procedure: Procedure;
  readonly name: string;
  readonly version: number;
  readonly equipment: string;
}

/** The written procedures of a site: of which machine and task, how each stands on the plant of today, by when it has to be inspected. */
export function ProcedureList({
  now,
  lines,
  withdrawn,
  names,
}: {
  readonly now: string;
  readonly lines: readonly Line[];
  readonly withdrawn: readonly Procedure[];
  readonly names: Readonly<Record<string, string>>;
}) {
  return (
    <main className="flex flex-col gap-3 p-4">
      <h1 className="text-xl font-bold">Procedures</h1>
      <p className="max-w-prose text-sm">
        A plan that was carried out is written down as the procedure of its machine and task on the
        page of its job. Whoever raises a job on that machine is offered it; it is reviewed and
        walked down like any other plan.
      </p>
      {lines.length === 0 ? (
        <p className="rounded-box bg-base-200 p-4">
          None is written yet. Open a job whose permit was issued, and press <em>Write it down</em>.
        </p>
      ) : (
        <ul className="flex flex-col gap-2">
          {lines.map((line) => (
            <li
              key={line.name}
              data-procedure={line.name}
              className="flex flex-col gap-0.5 rounded-box bg-base-200 p-3 text-sm"
            >
              <Link href={`/procedures/${line.procedure.number}`} className="text-base underline">
                <strong>
                  <span className="font-mono">{line.name}</span> {line.procedure.task}
                </strong>
              </Link>
              <span>
                <span className="font-mono">{line.equipment}</span>, version {line.version}
              </span>
              <StandsOn {...line} />
              <DueBy {...line} now={now} />
            </li>
          ))}
        </ul>
      )}
      {withdrawn.length > 0 && (
        <details>
          <summary className="cursor-pointer font-bold">Withdrawn: {withdrawn.length}</summary>
          <ul className="text-sm">
            {withdrawn.map(({ number, task, withdrawn: gone }) => (
              <li key={number}>
                <Link href={`/procedures/${number}`} className="underline">
                  <span className="font-mono">{nameProcedure(number)}</span> {task}
                </Link>
                {gone && (
                  <>
                    : {gone.why}, {names[gone.by] ?? gone.by}, <Instant at={gone.at} />
                  </>
                )}
              </li>
            ))}
          </ul>
        </details>
      )}
    </main>
  );
}
