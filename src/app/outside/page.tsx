import { redirect } from 'next/navigation';
import { findAuthorisation } from '../../core/people/people';
import { readNow } from '../../server/clock';
import { sharedDatabase } from '../../server/database';
import { EXPORT_NAMES } from '../../server/exports';
import { listPeople } from '../../server/registers';
import { findMe } from '../../server/session';
import { listTokens } from '../../server/tokens';
import { OutsideScreen } from '../../ui/outside/outside';

export default async function OutsidePage() {
  const me = await findMe();
  if (!me) redirect('/login');
  const db = sharedDatabase();
  const holds = (role: 'site-manager' | 'coordinator') =>
    findAuthorisation(me, role, readNow(db)) === 'held';
  return (
    <OutsideScreen
      tables={EXPORT_NAMES}
      tokens={listTokens(db).map(({ id, name, scope, by, at, revokedAt }) => {
        return { id, name, scope, by, at, ...(revokedAt === undefined ? {} : { revokedAt }) };
      })}
      names={Object.fromEntries(listPeople(db).map(({ id, name }) => [id, name]))}
      mayMake={holds('site-manager')}
      mayBring={holds('coordinator')}
    />
  );
}
