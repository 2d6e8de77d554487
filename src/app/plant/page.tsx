import Link from 'next/link';
import { redirect } from 'next/navigation';
import { describeAsBuilt } from '../../server/as-built';
import { sharedDatabase } from '../../server/database';
import { drawPlant } from '../../server/diagram';
import { listPlantVersions, readGraph } from '../../server/plant';
import { listPeople } from '../../server/registers';
import { findCoordinator, findMe } from '../../server/session';
import { lintPlant } from '../../core/plant';
import { DrawingCautions } from '../../ui/plant/cautions';
import { PlantDiagram } from '../../ui/diagram/diagram';
import { Instant } from '../../ui/shell/site-moments';

const FORMATS = [
  { id: 'json', label: 'JSON' },
  { id: 'zip', label: 'zip of CSV sheets' },
  { id: 'graphml', label: 'GraphML' },
] as const;

export default async function PlantPage() {
  const me = await findMe();
  if (!me) redirect('/login');
  const db = sharedDatabase();
  const graph = readGraph(db);
  const names = new Map(listPeople(db).map(({ id, name }) => [id, name]));
  const mayChange = (await findCoordinator()).ok;
  return (
    <main className="flex flex-col gap-2 p-4">
      <div className="flex flex-wrap items-center gap-4">
        <h1 className="grow text-xl font-bold">{graph.plant.name}</h1>
        {FORMATS.map(({ id, label }) => (
          <a key={id} href={`/api/plant/export?format=${id}`} className="text-sm underline">
            Export as {label}
          </a>
        ))}
        {mayChange && (
          <Link href="/plant/edit" className="btn btn-primary btn-sm">
            Change or load a plant
          </Link>
        )}
      </div>
      <p className="text-sm">
        {graph.sections.length} sections, {graph.plant.links.length} links. Rounded plates are
        sources. E electrical, M mechanical, P pressure, F process, G gravity. A tick marks what was
        found in the field as drawn. Drag to move, Ctrl and wheel to zoom.
      </p>
      <PlantDiagram
        drawing={await drawPlant(graph, me.id)}
        height={560}
        asBuilt={describeAsBuilt(db)}
      />
      <DrawingCautions cautions={lintPlant(graph)} />
      <h2 className="text-lg font-bold">Versions</h2>
      <ul>
        {listPlantVersions(db).map(({ version, note, actor, at }) => (
          <li key={version} className="border-t border-base-300 py-1 text-sm">
            <a
              href={`/api/plant/export?format=json&version=${version}`}
              className="font-mono underline"
            >
              version {version}
            </a>{' '}
            {note}: {names.get(actor) ?? actor}, <Instant at={at} />
          </li>
        ))}
      </ul>
    </main>
  );
}
