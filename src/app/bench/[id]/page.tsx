import { notFound, redirect } from 'next/navigation';
import { findCalculation } from '../../../core/bench';
import { sharedDatabase } from '../../../server/database';
import { findGiven, listJobChoices } from '../../../server/bench';
import { listPeople, readSite } from '../../../server/registers';
import { findMe } from '../../../server/session';
import { BenchScreen } from '../../../ui/bench/bench';

export default async function BenchPage({
  params,
  searchParams,
}: {
  readonly params: Promise<{ id: string }>;
  readonly searchParams: Promise<{ job?: string; subject?: string }>;
}) {
  const me = await findMe();
  if (!me) redirect('/login');
  const { id } = await params;
  if (!findCalculation(id)) notFound();
  const { job, subject } = await searchParams;
  const db = sharedDatabase();
  return (
    <BenchScreen
      id={id}
      given={job && subject ? findGiven(db, job, subject, id) : undefined}
      values={readSite(db).values}
      jobs={listJobChoices(db)}
      job={job}
      subject={subject}
      me={me.id}
      names={Object.fromEntries(listPeople(db).map(({ id: one, name }) => [one, name]))}
    />
  );
}
