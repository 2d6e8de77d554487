import { redirect } from 'next/navigation';
import { sharedDatabase } from '../../server/database';
import { findMe } from '../../server/session';
import { readBoard } from '../../server/watch';
import { WatchScreen } from '../../ui/watch/watch';

export default async function WatchPage() {
  if (!(await findMe())) redirect('/login');
  return <WatchScreen first={readBoard(sharedDatabase())} />;
}
