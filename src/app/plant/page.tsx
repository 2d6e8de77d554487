import Link from 'next/link';
import { redirect } from 'next/navigation';
import { describeAsBuilt } from '../../server/as-built';
import { readPlantMap } from '../../server/ask-section';
import { sharedDatabase } from '../../server/database';
import { listPlantVersions, readGraph } from '../../server/plant';
import { listPeople } from '../../server/registers';
import { findCoordinator, findMe } from '../../server/session';
import { findSectionOf, groupCautions, lintPlant } from '../../core/plant';
import { DrawingCautions } from '../../ui/plant/cautions';
import { PlantScreen } from '../../ui/plant/plant';
import { Instant } from '../../ui/kit/moment';

const FORMATS = [
  { id: 'json', label: 'JSON' },
  { id: 'zip', label: 'CSV sheets' },
  { id: 'graphml', label: 'GraphML' },
] as const;

/** So many cautions of one kind are named. */
const MOST_CAUTIONS = 100;

/** The plant; with `section` that section is asked about, with `at` the one that a link or outlet of that tag belongs to. */
export default async function PlantPage({
  searchParams,
}: {
  readonly searchParams: Promise<{ section?: string; area?: string; at?: string }>;
}) {
  const me = await findMe();
  if (!me) redirect('/login');
  const db = sharedDatabase();
  const graph = readGraph(db);
  const { section, area, at } = await searchParams;
  const names = new Map(listPeople(db).map(({ id, name }) => [id, name]));
  const mayChange = (await findCoordinator()).ok;
  const asked = section ?? at;
  return (
    <PlantScreen
      // Another address is another look.
      key={`${asked ?? ''} ${area ?? ''}`}
      name={graph.plant.name}
      map={readPlantMap(db)}
      asBuilt={describeAsBuilt(db)}
      start={{
        section: asked === undefined ? undefined : findSectionOf(graph, asked),
        area: graph.plant.areas.find(({ id }) => id === area)?.id,
      }}
      tools={
        <>
          <span className="flex gap-2 text-sm">
            Export as
            {FORMATS.map(({ id, label }) => (
              <a key={id} href={`/api/plant/export?format=${id}`} className="underline">
                {label}
              </a>
            ))}
          </span>
          {mayChange && (
            <Link href="/plant/edit" className="btn btn-primary btn-sm">
              Change or load a plant
            </Link>
          )}
        </>
      }
    >
      <p className="text-sm">
        {graph.sections.length} sections, {graph.plant.links.length} links. Round chips are sources;
        filled ones have a job on them. Press a section to ask what can reach it, an area to see it
        drawn.
      </p>
      <DrawingCautions groups={groupCautions(lintPlant(graph), MOST_CAUTIONS)} />
      <section aria-labelledby="versions">
        <h2 id="versions" className="text-lg font-bold">
          Versions
        </h2>
        <ul>
          {listPlantVersions(db).map(({ version, note, actor, at: saved }) => (
            <li key={version} className="border-t border-base-300 py-1 text-sm">
              <a
                href={`/api/plant/export?format=json&version=${version}`}
                className="font-mono underline"
              >
                version {version}
              </a>{' '}
              {note}: {names.get(actor) ?? actor}, <Instant at={saved} />
            </li>
          ))}
        </ul>
      </section>
    </PlantScreen>
  );
}
