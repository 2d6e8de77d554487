import { redirect } from 'next/navigation';
import { readRegisterOfBypasses } from '../../server/bypasses';
import { sharedDatabase } from '../../server/database';
import { findMe } from '../../server/session';
import { BypassRegister } from '../../ui/bypasses/register';

export default async function BypassesPage() {
  if (!(await findMe())) redirect('/login');
  return <BypassRegister {...readRegisterOfBypasses(sharedDatabase())} />;
}
