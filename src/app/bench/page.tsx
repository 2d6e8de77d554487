import Link from 'next/link';
import { redirect } from 'next/navigation';
import { CALCULATIONS } from '../../core/bench';
import { findMe } from '../../server/session';

export default async function BenchListPage() {
  if (!(await findMe())) redirect('/login');
  return (
    <main className="mx-auto flex max-w-4xl flex-col gap-3 p-4">
      <h1 className="text-2xl font-bold">Bench</h1>
      <p>
        Figures for stored energy, letting down, draining and waiting. Each shows its formula and
        where it comes from, and can be used in a job. A figure proves nothing: a reading does.
      </p>
      <ul>
        {CALCULATIONS.map(({ id, title, about }) => (
          <li key={id} className="border-t border-base-300 py-2">
            <Link href={`/bench/${id}`} className="font-bold underline">
              {title}
            </Link>
            <p className="text-sm">{about}</p>
          </li>
        ))}
      </ul>
    </main>
  );
}
