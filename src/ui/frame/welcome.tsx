'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { ROLE_NAMES, type Role } from '../../core/people/people';
import { WELCOMED } from './welcomed';
import { WELCOME_LINES } from './welcome-lines';

/** For a year (s) nobody is told again. */
const YEAR_S = 31_536_000;

/** The first visit of a role: what it does here, and where, in three lines. */
export function Welcome({
  roles,
  told,
}: {
  /** Roles that have not been told yet, the first of them is told now. */
  readonly roles: readonly Role[];
  readonly told: readonly string[];
}) {
  const router = useRouter();
  const [role] = roles;
  if (role === undefined) return null;
  const close = () => {
    const all = [...told, role].join('.');
    document.cookie = `${WELCOMED}=${all}; path=/; max-age=${YEAR_S}; samesite=lax`;
    router.refresh();
  };
  return (
    <section
      aria-label="What you do here"
      className="flex flex-wrap items-start gap-x-6 gap-y-2 border-b border-base-300 bg-base-200 px-4 py-2 print:hidden"
    >
      <p className="font-bold">You are the {ROLE_NAMES[role]} here.</p>
      <ol className="flex list-decimal flex-col pl-5">
        {WELCOME_LINES[role].map(({ words, href, where }) => (
          <li key={words}>
            {words}{' '}
            <Link href={href} className="underline">
              {where}
            </Link>
          </li>
        ))}
      </ol>
      <button type="button" className="btn btn-sm ml-auto" onClick={close}>
        I know my way
      </button>
    </section>
  );
}
