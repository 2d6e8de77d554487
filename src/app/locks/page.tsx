import { redirect } from 'next/navigation';
import { sharedDatabase } from '../../server/database';
import { viewLocks } from '../../server/locks';
import { findMe } from '../../server/session';
import { LocksScreen } from '../../ui/locks/locks';

export default async function LocksPage() {
  if (!(await findMe())) redirect('/login');
  return <LocksScreen {...viewLocks(sharedDatabase())} />;
}
