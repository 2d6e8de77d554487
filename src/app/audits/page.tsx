import { redirect } from 'next/navigation';
import { listFollowUps } from '../../core/audit';
import { listAudits, readAuditFigures } from '../../server/audits';
import { readNow } from '../../server/clock';
import { sharedDatabase } from '../../server/database';
import { listPeople } from '../../server/registers';
import { findMe } from '../../server/session';
import { AuditsScreen } from '../../ui/records/audits';

export default async function AuditsPage() {
  if (!(await findMe())) redirect('/login');
  const db = sharedDatabase();
  const now = readNow(db);
  return (
    <AuditsScreen
      figures={readAuditFigures(db)}
      followUps={listFollowUps(listAudits(db), now).filter(({ state }) => state !== 'done')}
      names={Object.fromEntries(listPeople(db).map(({ id, name }) => [id, name]))}
      now={now}
    />
  );
}
