import { redirect } from 'next/navigation';
import { REGISTER_NAMES } from '../../core/registers/schema';
import { readNow } from '../../server/clock';
import { sharedDatabase } from '../../server/database';
import { listSignInChoices } from '../../server/people';
import { listRegisterPast, readInUse } from '../../server/register-change';
import { readRegisters } from '../../server/registers';
import { findMe, holdsNow } from '../../server/session';
import { RegistersScreen } from '../../ui/registers/registers';

export default async function RegistersPage() {
  const me = await findMe();
  if (!me) redirect('/login');
  const db = sharedDatabase();
  const used = readInUse(db);
  const inUse = Object.fromEntries(
    REGISTER_NAMES.map((name) => [name, Object.fromEntries(used[name])]),
  ) as Record<(typeof REGISTER_NAMES)[number], Record<string, string>>;
  return (
    <RegistersScreen
      {...readRegisters(db)}
      inUse={inUse}
      people={listSignInChoices(db)}
      past={listRegisterPast(db)}
      mayChange={holdsNow(me, ['site-manager', 'coordinator'])}
      now={readNow(db)}
    />
  );
}
