import { ArrowRight, Search } from 'lucide-react';
import Link from 'next/link';
import type { JobRow } from '../../core/watch';
import { Standing } from '../kit/standing';

/** What the ledger says of itself. */
interface Ledger {
  readonly events: number;
  /** Once every seal was checked: the newest seal, or what is wrong. */
  readonly checked?:
    | { readonly whole: true; readonly head: string }
    | { readonly whole: false; readonly says: string };
}

const PLACES = [
  [
    '/audits',
    'Checks at work',
    'What was found at live permits, and what is still to be put right.',
  ],
  ['/outside', 'Import and export', 'Tables, a calendar, work orders, tokens for other programs.'],
] as const;

function LedgerCard({ events, checked }: Ledger) {
  const isBroken = checked?.whole === false;
  return (
    <section
      aria-label="Ledger"
      className={`flex flex-col gap-2 rounded-box p-3 ${isBroken ? 'border-2 border-error' : 'bg-base-200'}`}
    >
      <h2 className="font-bold">Ledger</h2>
      <p className="font-mono text-2xl font-bold">{events}</p>
      <p role="status" className={isBroken ? 'font-bold text-error' : ''}>
        {checked === undefined
          ? 'events, each chained to the one before.'
          : checked.whole
            ? `The ledger is whole: every seal fits. Newest seal ${checked.head.slice(0, 16)}.`
            : `THE LEDGER IS NOT WHOLE: ${checked.says}.`}
      </p>
      <Link href="/records?check" className="btn btn-sm self-start">
        Check every seal
      </Link>
    </section>
  );
}

/** What is kept: the record of every job, the seals of the ledger, and the ways to checks, exports and older records. */
export function RecordsScreen({
  jobs,
  ledger,
}: {
  readonly jobs: readonly JobRow[];
  readonly ledger: Ledger;
}) {
  return (
    <main className="grid items-start gap-4 p-4 lg:grid-cols-[minmax(0,1fr)_19rem]">
      <section aria-label="Records of jobs" className="flex min-w-0 flex-col gap-3">
        <h1 className="text-xl font-bold">Records</h1>
        <form action="/find" role="search" className="flex gap-2">
          <input
            name="q"
            aria-label="Find a record"
            placeholder="A permit, job, tag, lock, person, day or word of any year"
            className="input input-sm grow"
          />
          <button className="btn btn-primary btn-sm">
            <Search size={14} aria-hidden /> Find
          </button>
        </form>
        <table className="table table-sm">
          <thead className="bg-base-200 text-base-content">
            <tr>
              <th>Job</th>
              <th>Work</th>
              <th className="max-sm:hidden">Equipment</th>
              <th>Stands</th>
            </tr>
          </thead>
          <tbody>
            {jobs.map(({ id, title, equipment, stands }) => (
              <tr key={id}>
                <td>
                  <Link href={`/jobs/${id}/record`} className="font-mono underline">
                    {id}
                  </Link>
                </td>
                <td className="font-bold">{title}</td>
                <td className="font-mono max-sm:hidden">{equipment}</td>
                <td>
                  <Standing words={stands} />
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        {jobs.length === 0 && (
          <p>
            No job has been raised yet. Each job writes its own record from its raising on; nothing
            in it can be changed afterwards.
          </p>
        )}
      </section>
      <aside className="flex flex-col gap-3">
        <LedgerCard {...ledger} />
        {PLACES.map(([href, title, words]) => (
          <Link
            key={href}
            href={href}
            className="flex flex-col rounded-box bg-base-200 p-3 hover:bg-base-300"
          >
            <span className="flex items-center gap-1 font-bold">
              {title} <ArrowRight size={14} aria-hidden />
            </span>
            <span className="text-sm">{words}</span>
          </Link>
        ))}
      </aside>
    </main>
  );
}
