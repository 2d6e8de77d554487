'use client';

import { Clock3, LogOut } from 'lucide-react';
import Link from 'next/link';
import { usePathname, useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { LiveRefresh } from './live-refresh';
import { useMoments } from './site-moments';
import type { Shown } from './use-beat';

const PLACES = [
  { href: '/watch', label: 'Watch' },
  { href: '/handover', label: 'Handover' },
  { href: '/', label: 'Jobs' },
  { href: '/plant', label: 'Plant' },
  { href: '/locks', label: 'Locks' },
  { href: '/bypasses', label: 'Bypasses' },
  { href: '/bench', label: 'Bench' },
  { href: '/records', label: 'Records' },
  { href: '/rules', label: 'Site rules' },
] as const;

/** The clock of the site, ticking from the instant that the server gave. */
function SiteClock({ now }: { readonly now: string }) {
  const { clock, day, offset } = useMoments();
  const [shown, setShown] = useState(now);
  useEffect(() => {
    const ahead = Date.parse(now) - Date.now();
    const timer = setInterval(() => setShown(new Date(Date.now() + ahead).toISOString()), 1000);
    return () => clearInterval(timer);
  }, [now]);
  return (
    <time dateTime={shown} suppressHydrationWarning className="font-mono text-xl tabular-nums">
      {clock(shown)}
      <span className="ml-2 text-xs">
        {day(shown)} {offset(shown)}
      </span>
    </time>
  );
}

/** How far the clock of the demonstration is moved at a press (h). */
const DEMO_STEPS = [
  ['10 min', 1 / 6],
  ['1 h', 1],
] as const;

/** The slim band over every screen: site, places, clock, who is signed in. */
export function Header({
  me,
  now,
  demo,
  shown,
}: {
  readonly me: { readonly name: string; readonly coordinator: boolean };
  readonly now: string;
  readonly demo: boolean;
  /** Who is in spaces and which alarms stand, as the page was loaded. */
  readonly shown: Shown;
}) {
  const router = useRouter();
  const path = usePathname();
  const call = async (url: string, init: RequestInit) => {
    await fetch(url, init);
    router.refresh();
  };
  const isHere = (href: string) =>
    href === '/' ? path === '/' || path.startsWith('/jobs') : path.startsWith(href);
  const keepsItself = path === '/watch' || path.endsWith('/field');
  return (
    <header className="flex flex-wrap items-center gap-x-2 gap-y-1 bg-neutral px-3 py-1.5 text-neutral-content">
      <span className="font-bold">Quillmere</span>
      <nav aria-label="Places" className="flex flex-wrap">
        {PLACES.map(({ href, label }) => (
          <Link
            key={href}
            href={href}
            aria-current={isHere(href) ? 'page' : undefined}
            className={`px-1 py-1 ${isHere(href) ? 'border-b-2 border-current font-bold' : ''}`}
          >
            {label}
          </Link>
        ))}
      </nav>
      <form action="/find" role="search" className="grow">
        <input
          name="q"
          type="search"
          aria-label="Find a number, tag, person, lock, date or word"
          placeholder="Find"
          className="w-full max-w-20 border border-current px-2 py-0.5 text-sm placeholder:text-current"
        />
      </form>
      <LiveRefresh shown={shown} refreshes={!keepsItself} />
      {demo && me.coordinator && (
        <span className="flex items-center gap-2 text-xs">
          <Clock3 size={14} aria-hidden />
          {DEMO_STEPS.map(([label, hours]) => (
            <button
              key={label}
              className="underline"
              onClick={() =>
                void call('/api/clock', {
                  method: 'POST',
                  headers: { 'content-type': 'application/json' },
                  body: JSON.stringify({ hours }),
                })
              }
            >
              {label} later
            </button>
          ))}
        </span>
      )}
      <SiteClock now={now} key={now} />
      <span>{me.name}</span>
      <button
        className="flex items-center gap-1 underline"
        onClick={() =>
          void call('/api/session', { method: 'DELETE' }).then(() => router.push('/login'))
        }
      >
        <LogOut size={16} aria-hidden />
        <span className="max-2xl:sr-only">Sign out</span>
      </button>
    </header>
  );
}
