import { redirect } from 'next/navigation';
import { sharedDatabase } from '../../server/database';
import { readProceduresPage } from '../../server/procedures';
import { findMe } from '../../server/session';
import { ProcedureList } from '../../ui/procedures/list';

export default async function ProceduresPage() {
  if (!(await findMe())) redirect('/login');
  return <ProcedureList {...readProceduresPage(sharedDatabase())} />;
}
