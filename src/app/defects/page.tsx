import { redirect } from 'next/navigation';
import { sharedDatabase } from '../../server/database';
import { readDefectsPage } from '../../server/defects';
import { findMe } from '../../server/session';
import { DefectsScreen } from '../../ui/defects/defects';

export default async function DefectsPage() {
  const me = await findMe();
  if (!me) redirect('/login');
  return <DefectsScreen {...readDefectsPage(sharedDatabase(), me)} me={me.id} />;
}
