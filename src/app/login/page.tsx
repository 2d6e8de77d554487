import { redirect } from 'next/navigation';
import { sharedDatabase } from '../../server/database';
import { findNamesToShow } from '../../server/session';
import { isSetUp } from '../../server/set-up';
import { SignIn } from '../../ui/shell/sign-in';

export default async function LoginPage() {
  if (!isSetUp(sharedDatabase())) redirect('/set-up');
  return <SignIn people={await findNamesToShow()} />;
}
