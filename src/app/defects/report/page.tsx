import { redirect } from 'next/navigation';
import { readNow } from '../../../server/clock';
import { sharedDatabase } from '../../../server/database';
import { listReportable } from '../../../server/defects';
import { readNames } from '../../../server/registers';
import { findMe } from '../../../server/session';
import { ReportForm } from '../../../ui/defects/report-form';
import { oneText } from '../../one-text';

/** Where anybody reports what is wrong with a device, on a phone. */
export default async function ReportDefectPage({
  searchParams,
}: {
  readonly searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  if (!(await findMe())) redirect('/login');
  const { device, job } = await searchParams;
  const db = sharedDatabase();
  return (
    <main className="mx-auto flex w-full max-w-xl flex-col gap-3 p-3">
      <h1 className="text-xl font-bold">Something is wrong with a device</h1>
      <ReportForm
        devices={listReportable(db)}
        names={readNames(db)}
        now={readNow(db)}
        start={oneText(device)}
        job={oneText(job)}
      />
    </main>
  );
}
