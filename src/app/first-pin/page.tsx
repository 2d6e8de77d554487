import { redirect } from 'next/navigation';
import { sharedDatabase } from '../../server/database';
import { findNamesToShow } from '../../server/session';
import { isSetUp } from '../../server/set-up';
import { FirstPin } from '../../ui/set-up/first-pin';

export default async function FirstPinPage() {
  if (!isSetUp(sharedDatabase())) redirect('/set-up');
  return <FirstPin people={await findNamesToShow()} />;
}
