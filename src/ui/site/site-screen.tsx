import { CircleCheck, CircleDashed } from 'lucide-react';
import Link from 'next/link';
import type { ReactNode } from 'react';
import type { Due } from '../../core/due';
import type { SetUpStep } from '../../core/readiness';
import { Day } from '../kit/moment';

const PLACES = [
  { href: '/people', label: 'People', says: 'who may do what, on what evidence, until when' },
  {
    href: '/registers',
    label: 'Registers',
    says: 'locks, boxes, instruments, earthing sets, kit, employers, bundles of roles',
  },
  { href: '/rules', label: 'Rules', says: 'values that the site sets, and the whole rule book' },
  { href: '/plant', label: 'Plant', says: 'the drawing and its versions' },
  { href: '/outside', label: 'Interfaces', says: 'work orders, exports, tokens for devices' },
  { href: '/records', label: 'Records', says: 'what was done, and whether the ledger is whole' },
] as const;

/** Authorisations and tests that have run out or soon will. */
function DueList({ due }: { readonly due: readonly Due[] }) {
  return (
    <section aria-label="What runs out" className="border-t-2 border-base-content pt-2">
      <h2 className="text-lg font-bold">What runs out</h2>
      {due.length === 0 ? (
        <p className="text-sm">Nothing within two months.</p>
      ) : (
        <ul className="max-h-64 overflow-auto text-sm" tabIndex={0}>
          {due.map(({ kind, id, what, until, isOver, href }) => (
            <li key={`${kind} ${id}`} className="border-t border-base-300 py-1">
              <Link href={href} className={isOver ? 'font-bold text-error underline' : 'underline'}>
                {what}
              </Link>
              {isOver ? ': over since ' : ': until '}
              <Day at={until} />
            </li>
          ))}
        </ul>
      )}
      <p className="text-sm">The calendar feed shows a year ahead (see Interfaces).</p>
    </section>
  );
}

/** What the site still needs before it can work, and where everything about it is kept. */
export function SiteScreen({
  name,
  steps,
  due,
  children,
}: {
  readonly name: string;
  readonly steps: readonly SetUpStep[];
  readonly due: readonly Due[];
  /** What only a site manager sees. */
  readonly children?: ReactNode;
}) {
  const left = steps.filter(({ isDone }) => !isDone).length;
  return (
    <main className="flex max-w-5xl flex-col gap-4 p-4">
      <h1 className="text-xl font-bold">{name}</h1>
      <div className="grid items-start gap-6 lg:grid-cols-2">
        <section aria-label="What the site needs" className="flex flex-col gap-1">
          <h2 className="text-lg font-bold">
            {left === 0 ? 'The site has what it needs' : `What the site still needs: ${left}`}
          </h2>
          <ul className="flex flex-col">
            {steps.map(({ id, title, isDone, says, href }) => (
              <li key={id} data-step={id} className="border-t border-base-300 py-2">
                <Link href={href} className="flex items-start gap-3">
                  {isDone ? (
                    <CircleCheck
                      aria-label="done"
                      className="mt-0.5 size-5 shrink-0 text-success"
                    />
                  ) : (
                    <CircleDashed
                      aria-label="missing"
                      className="mt-0.5 size-5 shrink-0 text-warning"
                    />
                  )}
                  <span>
                    <strong className="underline">{title}</strong>
                    <span className="block text-sm">{says}</span>
                  </span>
                </Link>
              </li>
            ))}
          </ul>
        </section>
        <nav aria-label="About the site" className="flex flex-col gap-2">
          <h2 className="text-lg font-bold">About the site</h2>
          {PLACES.map(({ href, label, says }) => (
            <Link
              key={href}
              href={href}
              className="rounded-box bg-base-200 px-3 py-2 hover:outline-2 hover:outline-primary"
            >
              <span className="block font-bold">{label}</span>
              <span className="text-sm">{says}</span>
            </Link>
          ))}
          <DueList due={due} />
          {children}
        </nav>
      </div>
    </main>
  );
}
