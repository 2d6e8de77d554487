import { redirect } from 'next/navigation';
import { sharedDatabase } from '../../../server/database';
import { readSite } from '../../../server/registers';
import { findMe } from '../../../server/session';
import { RaiseScreen } from '../../../ui/jobs/raise';

export default async function RaisePage() {
  const me = await findMe();
  if (!me) redirect('/login');
  const { graph, people } = readSite(sharedDatabase());
  return (
    <RaiseScreen
      me={me.id}
      names={Object.fromEntries([...people.values()].map(({ id, name }) => [id, name]))}
      equipment={graph.plant.equipment.map(({ id, name, sections }) => ({ id, name, sections }))}
      sections={graph.sections
        .filter(({ source }) => !source)
        .map(({ id, name }) => ({ id, name }))}
      performers={[...people.values()]
        .filter(({ authorisations }) =>
          authorisations.some(({ role }) => role === 'performing-authority'),
        )
        .map(({ id, name, employer }) => ({ id, label: `${name}, ${employer}` }))}
    />
  );
}
