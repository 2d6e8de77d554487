import { redirect } from 'next/navigation';
import { sharedDatabase } from '../server/database';
import { listNewest } from '../server/jobs';
import { readNow } from '../server/clock';
import { findMe, holdsNow } from '../server/session';
import { listOrders } from '../server/work-orders';
import { JobList } from '../ui/jobs/job-list';

export default async function HomePage() {
  const me = await findMe();
  if (!me) redirect('/login');
  const db = sharedDatabase();
  return (
    <JobList
      jobs={listNewest(db)}
      orders={listOrders(db).filter(({ job }) => job === undefined)}
      now={readNow(db)}
      mayRaise={holdsNow(me, ['coordinator'])}
    />
  );
}
