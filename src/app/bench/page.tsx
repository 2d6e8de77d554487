import Link from 'next/link';
import { redirect } from 'next/navigation';
import { BENCH_GROUPS } from '../../core/bench';
import { findMe } from '../../server/session';

export default async function BenchListPage() {
  if (!(await findMe())) redirect('/login');
  return (
    <main className="mx-auto flex max-w-6xl flex-col gap-3 p-4">
      <h1 className="text-xl font-bold">Bench</h1>
      <p>
        Sums that people otherwise work out by hand. Each answers in a sentence, shows its formula
        and where it comes from, and can be printed or used in a job. A figure proves nothing: a
        reading does.
      </p>
      <div className="grid items-start gap-x-6 gap-y-4 md:grid-cols-2 lg:grid-cols-3">
        {Object.entries(BENCH_GROUPS).map(([group, calculations]) => (
          <section key={group} aria-label={group} className="flex flex-col gap-1">
            <h2 className="font-bold">{group}</h2>
            <ul className="flex flex-col gap-1">
              {calculations.map(({ id, title, question }) => (
                <li key={id}>
                  <Link
                    href={`/bench/${id}`}
                    className="flex flex-col rounded-box bg-base-200 px-3 py-2 hover:outline-2 hover:outline-primary"
                  >
                    <span className="font-bold">{question}</span>
                    <span className="text-sm">{title}</span>
                  </Link>
                </li>
              ))}
            </ul>
          </section>
        ))}
      </div>
    </main>
  );
}
