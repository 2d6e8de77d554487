import { redirect } from 'next/navigation';
import { findAuthorisation } from '../../core/people/people';
import { readNow } from '../../server/clock';
import { sharedDatabase } from '../../server/database';
import { listPeople } from '../../server/registers';
import { findMe } from '../../server/session';
import { listSavedValues, readValues } from '../../server/site-rules';
import { RulesScreen } from '../../ui/site/rules';

export default async function RulesPage() {
  const me = await findMe();
  if (!me) redirect('/login');
  const db = sharedDatabase();
  return (
    <RulesScreen
      {...readValues(db)}
      saved={listSavedValues(db)}
      mayChange={findAuthorisation(me, 'site-manager', readNow(db)) === 'held'}
      names={Object.fromEntries(listPeople(db).map(({ id, name }) => [id, name]))}
    />
  );
}
