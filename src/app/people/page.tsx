import { redirect } from 'next/navigation';
import { DUE_DAYS, listDue } from '../../core/due';
import { mayWitness } from '../../core/people/pin-code';
import { readNow } from '../../server/clock';
import { sharedDatabase } from '../../server/database';
import {
  listHolds,
  listPersonPast,
  listSignInChoices,
  listWithPin,
  readPeopleVersion,
} from '../../server/people';
import { readGraph } from '../../server/plant';
import { findPerson, listPeople, readRegisters, readSite } from '../../server/registers';
import { findMe, holdsNow } from '../../server/session';
import { PeopleScreen } from '../../ui/people/people';

export default async function PeoplePage({
  searchParams,
}: {
  readonly searchParams: Promise<{ person?: string; new?: string }>;
}) {
  const me = await findMe();
  if (!me) redirect('/login');
  const db = sharedDatabase();
  const now = readNow(db);
  const { person, new: isNew } = await searchParams;
  const { registers } = readRegisters(db);
  const people = listPeople(db).sort((a, b) => a.name.localeCompare(b.name));
  return (
    <PeopleScreen
      people={people}
      version={readPeopleVersion(db)}
      shown={person}
      isNew={isNew !== undefined}
      withPin={listWithPin(db)}
      holds={person === undefined ? [] : listHolds(db, person)}
      past={person === undefined ? [] : listPersonPast(db, person)}
      witnesses={listSignInChoices(db).filter(({ id }) => {
        const one = findPerson(db, id);
        return one && mayWitness(one, now);
      })}
      due={listDue(readSite(db), now, DUE_DAYS)}
      me={me.id}
      firms={registers.employers.map(({ name }) => name)}
      bundles={registers.bundles}
      areas={readGraph(db).plant.areas.map(({ id }) => id)}
      mayChange={holdsNow(me, ['site-manager'])}
    />
  );
}
