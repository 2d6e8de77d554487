import Link from 'next/link';
import { redirect } from 'next/navigation';
import { verifyLedger } from '../../ledger';
import { sharedDatabase } from '../../server/database';
import { listJobs } from '../../server/jobs';
import { findMe } from '../../server/session';

export default async function RecordsPage() {
  if (!(await findMe())) redirect('/login');
  const db = sharedDatabase();
  const report = verifyLedger(db);
  return (
    <main className="mx-auto flex max-w-4xl flex-col gap-3 p-4">
      <h1 className="text-2xl font-bold">Records</h1>
      <p role="status">
        {report.whole
          ? `The ledger is whole: ${report.events} events, each chained to the one before. Newest seal ${report.head.slice(0, 16)}.`
          : `THE LEDGER IS NOT WHOLE: ${report.says}.`}
      </p>
      <ul>
        {listJobs(db).map(({ id, title }) => (
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
