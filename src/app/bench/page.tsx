import Link from 'next/link';
import { redirect } from 'next/navigation';
import { CALCULATIONS } from '../../core/bench';
import { findMe } from '../../server/session';

export default async function BenchListPage() {
  if (!(await findMe())) redirect('/login');
  return (
    <main className="mx-auto flex max-w-6xl flex-col gap-3 p-4">
      <h1 className="text-xl font-bold">Bench</h1>
      <p>
        Figures for stored energy, letting down, draining and waiting. Each shows its formula and
        where it comes from, and can be used in a job. A figure proves nothing: a reading does.
      </p>
      <ul className="grid gap-2 sm:grid-cols-2 lg:grid-cols-3">
        {CALCULATIONS.map(({ id, title, question }) => (
          <li key={id}>
            <Link
              href={`/bench/${id}`}
              className="flex h-full flex-col gap-1 rounded-box bg-base-200 p-3 hover:outline-2 hover:outline-primary"
            >
              <span className="text-base font-bold">{question}</span>
              <span className="text-sm">{title}</span>
            </Link>
          </li>
        ))}
      </ul>
    </main>
  );
}
