import Link from 'next/link';
import type { AuditFigures, FollowUpLine } from '../../core/audit';
import { AUDIT_CHECKS } from '../../core/audit/checks';
import { MonthChart } from './month-chart';
import { Beside } from '../kit/moment';

const percent = (part: number, whole: number): string =>
  whole === 0 ? '–' : `${Math.round((part / whole) * 100)} %`;

function MonthTable({ months }: Pick<AuditFigures, 'months'>) {
  return (
    <table className="table table-sm">
      <thead className="text-base-content">
        <tr>
          <th>Month</th>
          <th className="text-right">Checks</th>
          <th className="text-right">Permits issued</th>
          <th className="text-right">Checks a permit</th>
          <th className="text-right">As written</th>
        </tr>
      </thead>
      <tbody>
        {[...months].reverse().map(({ month, audits, issued, looked, asWritten }) => (
          <tr key={month} className="font-mono">
            <td>{month}</td>
            <td className="text-right">{audits}</td>
            <td className="text-right">{issued}</td>
            <td className="text-right">{percent(audits, issued)}</td>
            <td className="text-right">{percent(asWritten, looked)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Checks of live permits at the place: what is still to be done after them, and figures over time. */
export function AuditsScreen({
  figures,
  followUps,
  names,
  now,
}: {
  readonly figures: AuditFigures;
  readonly followUps: readonly FollowUpLine[];
  readonly names: Readonly<Record<string, string>>;
  readonly now: string;
}) {
  const { months, differs } = figures;
  return (
    <main className="mx-auto flex max-w-5xl flex-col gap-4 p-4">
      <h1 className="text-xl font-bold">Checks at work</h1>
      <p className="text-sm">
        A check is made on the job of a live permit, under “Checked at the place”, by someone who
        has no part in it.
      </p>
      <section aria-label="To be done">
        <h2 className="text-lg font-bold">To be done</h2>
        {followUps.length === 0 && <p>Nothing is open.</p>}
        <ul>
          {followUps.map(({ job, audit, code, what, who, until, state }) => (
            <li
              key={`${job} ${audit} ${code}`}
              className="flex flex-wrap gap-x-3 border-t border-base-300 py-1"
            >
              <Link href={`/jobs/${job}`} className="font-mono underline">
                {job}
              </Link>
              <span className="grow">{what}</span>
              <span>{names[who] ?? who}</span>
              <span className={state === 'overdue' ? 'font-bold text-error' : ''}>
                {state === 'overdue' ? 'OVERDUE ' : ''}
                <Beside at={until} now={now} />
              </span>
            </li>
          ))}
        </ul>
      </section>
      <section aria-label="Over time">
        <h2 className="text-lg font-bold">Over time</h2>
        {months.length === 0 ? (
          <p>No permit has been issued yet.</p>
        ) : (
          <>
            <MonthChart months={months.slice(-36)} />
            <MonthTable months={months.slice(-36)} />
          </>
        )}
      </section>
      {differs.length > 0 && (
        <section aria-label="What differs most">
          <h2 className="text-lg font-bold">What differs most</h2>
          <ol>
            {differs.map(({ code, times, of }) => (
              <li key={code} className="flex gap-3 border-t border-base-300 py-1 text-sm">
                <span className="w-24 font-mono">
                  {times} of {of}
                </span>
                {AUDIT_CHECKS[code].asks}
              </li>
            ))}
          </ol>
        </section>
      )}
    </main>
  );
}
