import { redirect } from 'next/navigation';
import { sharedDatabase } from '../../server/database';
import { listSignInChoices } from '../../server/people';
import { isSetUp } from '../../server/set-up';
import { SignIn } from '../../ui/shell/sign-in';

export default function LoginPage() {
  const db = sharedDatabase();
  if (!isSetUp(db)) redirect('/set-up');
  return <SignIn people={listSignInChoices(db)} />;
}
