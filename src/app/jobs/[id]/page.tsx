import { notFound, redirect } from 'next/navigation';
import { viewDossier } from '../../../core/job';
import type { Role } from '../../../core/people/people';
import { readNow } from '../../../server/clock';
import { sharedDatabase } from '../../../server/database';
import { describeAsBuilt } from '../../../server/as-built';
import { drawAround } from '../../../server/diagram';
import { listHeld, readJob, readSiteFor } from '../../../server/jobs';
import { findMe } from '../../../server/session';
import { DossierScreen } from '../../../ui/dossier/dossier';

export default async function JobPage({
  params,
  searchParams,
}: {
  readonly params: Promise<{ id: string }>;
  readonly searchParams: Promise<{ source?: string }>;
}) {
  const me = await findMe();
  if (!me) redirect('/login');
  const { id } = await params;
  const { source } = await searchParams;
  const db = sharedDatabase();
  const { state, sequence } = readJob(db, id);
  if (!state) notFound();
  const site = readSiteFor(db, state);
  const view = viewDossier(state, site, readNow(db));
  const route = (view.sources.find((one) => one.id === source) ?? view.sources[0])?.route ?? [];
  const work = state.scope.work.map(({ section }) => section);
  const drawing = await drawAround(site.graph, work, view.plan, route);
  const held = listHeld(db);
  return (
    <DossierScreen
      jobId={id}
      sequence={sequence}
      me={me.id}
      source={source}
      names={Object.fromEntries([...site.people.values()].map(({ id: one, name }) => [one, name]))}
      view={view}
      drawing={drawing}
      route={route}
      asBuilt={describeAsBuilt(db)}
      choices={{
        locks: [...site.locks.values()].map((lock) => ({ ...lock, busy: held.has(lock.id) })),
        boxes: [...site.boxes.values()].map((box) => ({ ...box, busy: held.has(box.id) })),
        instruments: [...site.instruments.values()],
        earths: [...site.earths.values()],
        people: [...site.people.values()].map(({ id: one, name, employer, authorisations }) => {
          const holds = (...roles: Role[]) =>
            authorisations.some(({ role }) => roles.includes(role));
          return {
            id: one,
            name,
            employer,
            worker: holds('worker', 'performing-authority'),
            leads: holds('performing-authority'),
            issues: holds('issuing-authority'),
            watches: holds(
              'area-operator',
              'isolating-process',
              'isolating-mechanical',
              'isolating-electrical',
            ),
            standsBy: holds('isolating-electrical', 'area-operator'),
            manager: holds('site-manager'),
          };
        }),
      }}
    />
  );
}
