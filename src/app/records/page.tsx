import { redirect } from 'next/navigation';
import { readHead, verifyLedger } from '../../ledger';
import { sharedDatabase } from '../../server/database';
import { readJobTable } from '../../server/job-table';
import { findMe } from '../../server/session';
import { RecordsScreen } from '../../ui/records/records';

/** What is kept: every job’s record, the ledger’s seals, and the way to checks, exports and the outside. */
export default async function RecordsPage({
  searchParams,
}: {
  readonly searchParams: Promise<{ check?: string }>;
}) {
  const me = await findMe();
  if (!me) redirect('/login');
  const db = sharedDatabase();
  const { check } = await searchParams;
  const report = check === undefined ? undefined : verifyLedger(db);
  const checked =
    report === undefined
      ? {}
      : report.whole
        ? { checked: { whole: true, head: report.head } as const }
        : { checked: { whole: false, says: report.says } as const };
  return (
    <RecordsScreen
      jobs={readJobTable(db, me)}
      ledger={{ events: report?.whole ? report.events : readHead(db), ...checked }}
    />
  );
}
