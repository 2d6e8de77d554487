import { notFound, redirect } from 'next/navigation';
import { EMPTY_PLAN } from '../../../../core/plant';
import { sharedDatabase } from '../../../../server/database';
import { readDossierPage } from '../../../../server/dossier-page';
import { readNames } from '../../../../server/registers';
import { drawJob } from '../../../../server/planning';
import { findMe } from '../../../../server/session';
import { readOrLost } from '../../../../server/unreadable';
import { LostJob } from '../../../../ui/job/lost-job';
import { FieldScreen } from '../../../../ui/field/field-screen';

export default async function FieldPage({ params }: { readonly params: Promise<{ id: string }> }) {
  const me = await findMe();
  if (!me) redirect('/login');
  const { id } = await params;
  const db = sharedDatabase();
  const page = await readOrLost(db, id, async () => {
    const read = readDossierPage(db, id, me);
    const plan = read?.view.plan ?? EMPTY_PLAN;
    const drawing = await drawJob(db, id, { plan, opened: [], sources: [] }, me.id);
    return read && drawing && { ...read, drawing };
  });
  if (page.kind === 'lost') return <LostJob job={page.job} names={readNames(db)} />;
  if (!page.value) notFound();
  return <FieldScreen {...page.value} me={me.id} />;
}
