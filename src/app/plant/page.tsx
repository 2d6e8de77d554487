import { redirect } from 'next/navigation';
import { sharedDatabase } from '../../server/database';
import { drawPlant } from '../../server/diagram';
import { readGraph } from '../../server/registers';
import { findMe } from '../../server/session';
import { PlantDiagram } from '../../ui/diagram/diagram';

export default async function PlantPage() {
  if (!(await findMe())) redirect('/login');
  const graph = readGraph(sharedDatabase());
  return (
    <main className="flex flex-col gap-2 p-4">
      <h1 className="text-xl font-bold">{graph.plant.name}</h1>
      <p className="text-sm">
        {graph.sections.length} sections, {graph.links.length} links. Rounded plates are sources. E
        electrical, M mechanical, P pressure, F process, G gravity. Drag to move, Ctrl and wheel to
        zoom.
      </p>
      <PlantDiagram drawing={await drawPlant(graph)} height={620} />
    </main>
  );
}
