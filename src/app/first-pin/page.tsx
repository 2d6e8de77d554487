import { redirect } from 'next/navigation';
import { sharedDatabase } from '../../server/database';
import { listSignInChoices } from '../../server/people';
import { isSetUp } from '../../server/set-up';
import { FirstPin } from '../../ui/set-up/first-pin';

export default function FirstPinPage() {
  const db = sharedDatabase();
  if (!isSetUp(db)) redirect('/set-up');
  return <FirstPin people={listSignInChoices(db)} />;
}
