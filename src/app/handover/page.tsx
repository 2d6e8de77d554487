import { redirect } from 'next/navigation';
import { HANDING_OVER } from '../../core/handover';
import { findAuthorisation, type Person } from '../../core/people/people';
import { readNow } from '../../server/clock';
import { sharedDatabase } from '../../server/database';
import { draftReport, readHandovers } from '../../server/handover';
import { listPeople } from '../../server/registers';
import { findMe } from '../../server/session';
import { HandoverScreen } from '../../ui/handover/handover';

export default async function HandoverPage() {
  const me = await findMe();
  if (!me) redirect('/login');
  const db = sharedDatabase();
  const now = readNow(db);
  const people = listPeople(db);
  const mayHandOver = (person: Person) =>
    HANDING_OVER.some((role) => findAuthorisation(person, role, now) === 'held');
  const choose = ({ id, name }: Person) => ({ id, label: name });
  return (
    <HandoverScreen
      me={me.id}
      now={now}
      {...readHandovers(db)}
      {...draftReport(db)}
      names={Object.fromEntries(people.map(({ id, name }) => [id, name]))}
      everybody={people.map(choose)}
      takers={people.filter((one) => one.id !== me.id && mayHandOver(one)).map(choose)}
      mayGive={mayHandOver(me)}
    />
  );
}
