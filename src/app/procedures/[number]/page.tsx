import { notFound, redirect } from 'next/navigation';
import { sharedDatabase } from '../../../server/database';
import { readProcedurePage } from '../../../server/procedures';
import { findMe } from '../../../server/session';
import { ProcedureScreen } from '../../../ui/procedures/procedure';

export default async function ProcedurePage({
  params,
}: {
  readonly params: Promise<{ number: string }>;
}) {
  const me = await findMe();
  if (!me) redirect('/login');
  const { number } = await params;
  if (!/^\d{1,6}$/.test(number)) notFound();
  const page = await readProcedurePage(sharedDatabase(), Number(number), me);
  if (!page) notFound();
  return <ProcedureScreen {...page} me={me.id} />;
}
