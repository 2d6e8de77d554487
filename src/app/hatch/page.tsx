import { redirect } from 'next/navigation';
import { sharedDatabase } from '../../server/database';
import { readDossierPage } from '../../server/dossier-page';
import { readJobTable } from '../../server/job-table';
import { readNames } from '../../server/registers';
import { findMe } from '../../server/session';
import { readOrLost } from '../../server/unreadable';
import { readNow } from '../../server/clock';
import { LostJob } from '../../ui/job/lost-job';
import { HatchScreen } from '../../ui/hatch/hatch';

/** The desk of the issuing authority: who waits for what, and the permit at hand. */
export default async function HatchPage({
  searchParams,
}: {
  readonly searchParams: Promise<{ job?: string | string[] }>;
}) {
  const me = await findMe();
  if (!me) redirect('/login');
  const { job } = await searchParams;
  const db = sharedDatabase();
  const waiting = readJobTable(db, me).filter(({ isAtHatch }) => isAtHatch);
  const chosen = waiting.find(({ id }) => id === job) ?? waiting[0];
  const page =
    chosen && (await readOrLost(db, chosen.id, () => readDossierPage(db, chosen.id, me)));
  if (page?.kind === 'lost') return <LostJob job={page.job} names={readNames(db)} />;
  return (
    <HatchScreen
      waiting={waiting}
      now={readNow(db)}
      {...(page?.value ? { at: { ...page.value, me: me.id } } : {})}
    />
  );
}
