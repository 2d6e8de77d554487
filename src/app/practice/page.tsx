import { notFound, redirect } from 'next/navigation';
import { isPractice, listPracticePeople } from '../../server/practice';
import { findMe } from '../../server/session';
import { PracticeScreen } from '../../ui/practice/practice';

/** Where the demonstration is tried; there is no such place on a site of one's own. */
export default async function PracticePage() {
  if (!isPractice()) notFound();
  if (!(await findMe())) redirect('/login');
  return <PracticeScreen people={listPracticePeople()} />;
}
