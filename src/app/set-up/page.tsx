import { redirect } from 'next/navigation';
import { sharedDatabase } from '../../server/database';
import { isSetUp } from '../../server/set-up';
import { SetUpScreen } from '../../ui/set-up/set-up';

export default function SetUpPage() {
  if (isSetUp(sharedDatabase())) redirect('/login');
  const zones = ['UTC', ...Intl.supportedValuesOf('timeZone').filter((one) => one !== 'UTC')];
  return <SetUpScreen zones={zones} today={new Date().toISOString()} />;
}
