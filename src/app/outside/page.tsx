import { redirect } from 'next/navigation';
import { sharedDatabase } from '../../server/database';
import { EXPORT_NAMES, EXPORT_READERS } from '../../server/exports';
import { listPeople } from '../../server/registers';
import { findMe, holdsNow } from '../../server/session';
import { listTokens } from '../../server/tokens';
import { OutsideScreen } from '../../ui/records/outside';

export default async function OutsidePage() {
  const me = await findMe();
  if (!me) redirect('/login');
  const db = sharedDatabase();
  return (
    <OutsideScreen
      tables={holdsNow(me, EXPORT_READERS) ? EXPORT_NAMES : []}
      tokens={listTokens(db).map(({ id, name, scope, by, at, revokedAt }) => {
        return { id, name, scope, by, at, ...(revokedAt === undefined ? {} : { revokedAt }) };
      })}
      names={Object.fromEntries(listPeople(db).map(({ id, name }) => [id, name]))}
      mayMake={holdsNow(me, ['site-manager'])}
      mayBring={holdsNow(me, ['coordinator'])}
    />
  );
}
