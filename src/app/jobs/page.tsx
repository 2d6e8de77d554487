import { redirect } from 'next/navigation';
import { readNow } from '../../server/clock';
import { sharedDatabase } from '../../server/database';
import { readJobTable } from '../../server/job-table';
import { findMe, holdsNow } from '../../server/session';
import { listOrders } from '../../server/work-orders';
import { JobList } from '../../ui/jobs/job-list';

export default async function JobsPage() {
  const me = await findMe();
  if (!me) redirect('/login');
  const db = sharedDatabase();
  return (
    <JobList
      jobs={readJobTable(db, me)}
      orders={listOrders(db).filter(({ job }) => job === undefined)}
      now={readNow(db)}
      mayRaise={holdsNow(me, ['coordinator'])}
    />
  );
}
