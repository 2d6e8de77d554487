import Link from 'next/link';
import { redirect } from 'next/navigation';
import { readHead, verifyLedger } from '../../ledger';
import { sharedDatabase } from '../../server/database';
import { listNewest } from '../../server/jobs';
import { findMe } from '../../server/session';

/** What is kept: every job’s record, the ledger’s seals, and the way to checks, exports and the outside. */
export default async function RecordsPage({
  searchParams,
}: {
  readonly searchParams: Promise<{ check?: string }>;
}) {
  if (!(await findMe())) redirect('/login');
  const db = sharedDatabase();
  const { check } = await searchParams;
  const report = check === undefined ? undefined : verifyLedger(db);
  return (
    <main className="mx-auto flex max-w-4xl flex-col gap-3 p-4">
      <h1 className="text-2xl font-bold">Records</h1>
      <p role="status">
        {report === undefined
          ? `The ledger holds ${readHead(db)} events, each chained to the one before. `
          : report.whole
            ? `The ledger is whole: ${report.events} events, each chained to the one before. Newest seal ${report.head.slice(0, 16)}.`
            : `THE LEDGER IS NOT WHOLE: ${report.says}.`}
        {report === undefined && (
          <Link href="/records?check" className="underline">
            Check every seal
          </Link>
        )}
      </p>
      <p className="flex gap-4">
        <Link href="/audits" className="underline">
          Checks at work
        </Link>
        <Link href="/outside" className="underline">
          Import and export: tables, calendar, work orders, tokens
        </Link>
        <Link href="/find" className="underline">
          Find an older record
        </Link>
      </p>
      <ul>
        {listNewest(db).map(({ id, title }) => (
          <li key={id} className="border-t border-base-300 py-1">
            <Link href={`/jobs/${id}/record`} className="underline">
              <span className="font-mono">{id}</span> {title}
            </Link>
          </li>
        ))}
      </ul>
    </main>
  );
}
