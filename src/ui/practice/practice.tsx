'use client';

import Link from 'next/link';
import { startShowing } from './showing';

interface Somebody {
  readonly id: string;
  readonly name: string;
  readonly employer: string;
  readonly roles: string;
  readonly pin: string;
}

/** Where the demonstration is tried: one job shown with real presses, who one can be, and what is simulated. */
export function PracticeScreen({ people }: { readonly people: readonly Somebody[] }) {
  return (
    <main className="grid gap-6 p-4 lg:grid-cols-[minmax(0,24rem)_minmax(0,1fr)]">
      <div className="flex flex-col gap-6">
        <section aria-label="Show me" className="flex flex-col gap-2 rounded-box bg-base-200 p-4">
          <h1 className="text-xl font-bold">Practice</h1>
          <p>
            This is a demonstration: made-up people, a made-up plant, and nothing you press here
            reaches a real one.
          </p>
          <p>
            <strong>Show me</strong> raises a job on a pump, has its isolation computed, gets it
            reviewed and starts the walk-down, on the real screens. You press each button yourself
            or let it be pressed. It takes about three minutes, and the job stays afterwards.
          </p>
          <button
            className="btn btn-primary self-start"
            onClick={() => startShowing(Object.fromEntries(people.map(({ id, pin }) => [id, pin])))}
          >
            Show me one job
          </button>
        </section>
        <section aria-label="What is simulated" className="flex flex-col gap-2">
          <h2 className="text-lg font-bold">What is simulated</h2>
          <ul className="list-disc pl-5">
            <li>
              Gauges, voltage testers, gas detectors and the key cabinet: a dashed button at a step
              of the field page fills in what the stand-in shows.
            </li>
            <li>
              Faults: the coordinator puts them in on the field page of a job, and nobody in the
              field sees the list.
            </li>
            <li>
              The clock: the menu with your name moves it on, so that you need not wait for a purge.
            </li>
            <li>
              Work orders: they are brought in under{' '}
              <Link href="/outside" className="underline">
                Import and export
              </Link>
              .
            </li>
          </ul>
        </section>
        <p>
          Every piece that the screens are built of is shown in its states on{' '}
          <Link href="/kit" className="underline">
            one page
          </Link>
          .
        </p>
      </div>
      <section aria-label="Who you can be" className="flex min-w-0 flex-col gap-2">
        <h2 className="text-lg font-bold">Who you can be</h2>
        <p>
          Press your name, top right, to let somebody else take over. A signature asks for the PIN.
        </p>
        <div className="overflow-x-auto" role="region" aria-label="People and PINs" tabIndex={0}>
          <table className="table table-sm">
            <thead className="text-base-content">
              <tr>
                <th>Name</th>
                <th>PIN</th>
                <th>Employer</th>
                <th>May act as</th>
              </tr>
            </thead>
            <tbody>
              {people.map(({ id, name, employer, roles, pin }) => (
                <tr key={id}>
                  <td className="whitespace-nowrap font-bold">{name}</td>
                  <td className="font-mono">{pin}</td>
                  <td>{employer}</td>
                  <td>{roles}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      </section>
    </main>
  );
}
