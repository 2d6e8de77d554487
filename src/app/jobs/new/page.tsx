import { redirect } from 'next/navigation';
import { ACTIVITIES } from '../../../core/plant';
import { sharedDatabase } from '../../../server/database';
import { listOffered } from '../../../server/choices';
import { offerProcedures } from '../../../server/procedures';
import { readSite } from '../../../server/registers';
import { findMe } from '../../../server/session';
import { findOrder } from '../../../server/work-orders';
import { RaiseScreen } from '../../../ui/jobs/raise';

/** Raising a job, from a work order when one is named, at a section when one was asked about. */
export default async function RaisePage({
  searchParams,
}: {
  readonly searchParams: Promise<{ order?: string; section?: string; activity?: string }>;
}) {
  const me = await findMe();
  if (!me) redirect('/login');
  const db = sharedDatabase();
  const site = readSite(db);
  const { graph, people } = site;
  const { order, section = '', activity: asked } = await searchParams;
  const activity = ACTIVITIES.find((one) => one === asked) ?? 'open';
  const found = order === undefined ? undefined : findOrder(db, order);
  return (
    <RaiseScreen
      me={me.id}
      order={found?.order}
      place={graph.sectionAt.has(section) ? { section, activity } : undefined}
      names={Object.fromEntries([...people.values()].map(({ id, name }) => [id, name]))}
      equipment={graph.plant.equipment.map(({ id, name, sections }) => ({ id, name, sections }))}
      sections={listOffered(site)}
      procedures={offerProcedures(db)}
      performers={[...people.values()]
        .filter(({ authorisations }) =>
          authorisations.some(({ role }) => role === 'performing-authority'),
        )
        .map(({ id, name, employer }) => ({ id, label: `${name}, ${employer}` }))}
    />
  );
}
