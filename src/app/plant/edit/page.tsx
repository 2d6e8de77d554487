import { redirect } from 'next/navigation';
import { sharedDatabase } from '../../../server/database';
import { readGraph, readPlantVersion } from '../../../server/plant';
import { findCoordinator, findMe } from '../../../server/session';
import { PlantEditor } from '../../../ui/plant/editor';

export default async function PlantEditPage() {
  if (!(await findMe())) redirect('/login');
  if (!(await findCoordinator()).ok) redirect('/plant');
  const db = sharedDatabase();
  const version = readPlantVersion(db);
  return <PlantEditor key={version} start={readGraph(db, version).plant} version={version} />;
}
