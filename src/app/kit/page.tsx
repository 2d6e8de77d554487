import { notFound, redirect } from 'next/navigation';
import { readNow } from '../../server/clock';
import { sharedDatabase } from '../../server/database';
import { isPractice } from '../../server/practice';
import { findMe } from '../../server/session';
import { KitScreen } from '../../ui/kit/kit-screen';

/** Every shared piece of the screens in its states, on the demonstration. */
export default async function KitPage() {
  if (!isPractice()) notFound();
  if (!(await findMe())) redirect('/login');
  return <KitScreen now={readNow(sharedDatabase())} />;
}
