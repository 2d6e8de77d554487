import { redirect } from 'next/navigation';
import { listChangeable, readChangesPage } from '../../server/changes';
import { sharedDatabase } from '../../server/database';
import { findMe } from '../../server/session';
import { ChangesScreen } from '../../ui/changes/changes';
import { oneText } from '../one-text';

export default async function ChangesPage({
  searchParams,
}: {
  readonly searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const me = await findMe();
  if (!me) redirect('/login');
  const { job, place } = await searchParams;
  const db = sharedDatabase();
  return (
    <ChangesScreen
      {...readChangesPage(db, me.id)}
      places={listChangeable(db)}
      me={me.id}
      job={oneText(job)}
      start={oneText(place)}
    />
  );
}
