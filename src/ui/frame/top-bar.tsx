'use client';

import { Search } from 'lucide-react';
import { useEffect, useState, type ReactNode } from 'react';
import { useMoments } from '../kit/moment';

/** The clock of the site, ticking from the instant that the server gave. */
export function SiteClock({ now }: { readonly now: string }) {
  const { clock, day, offset } = useMoments();
  const [shown, setShown] = useState(now);
  useEffect(() => {
    const ahead = Date.parse(now) - Date.now();
    const timer = setInterval(() => setShown(new Date(Date.now() + ahead).toISOString()), 1000);
    return () => clearInterval(timer);
  }, [now]);
  return (
    <time
      dateTime={shown}
      suppressHydrationWarning
      className="whitespace-nowrap font-mono text-base tabular-nums"
    >
      {clock(shown)}
      <span className="ml-2 text-xs max-lg:hidden">
        {day(shown)} {offset(shown)}
      </span>
    </time>
  );
}

/** How many people are in confined spaces now. */
export function InSpaces({ inside }: { readonly inside: number }) {
  return (
    <span
      data-testid="in-spaces"
      title="People in confined spaces now"
      className={`whitespace-nowrap rounded px-2 py-0.5 text-sm ${inside > 0 ? 'bg-base-content font-bold text-base-100' : ''}`}
    >
      in spaces: <span className="font-mono">{inside}</span>
    </span>
  );
}

/** The slim bar over every screen: the site, what is looked for or done next, who is in spaces, the clock, who is signed in. */
export function TopBar({
  site,
  now,
  inside,
  onFind,
  before,
  person,
}: {
  readonly site: string;
  readonly now: string;
  readonly inside: number;
  readonly onFind: () => void;
  /** What stands before the site's name: the menu of places on a narrow screen. */
  readonly before?: ReactNode;
  readonly person: ReactNode;
}) {
  return (
    <header className="flex h-11 items-center gap-3 border-b border-base-300 bg-base-200 px-3">
      {before}
      <span className="truncate font-bold max-sm:hidden">{site}</span>
      <button
        className="flex min-w-0 grow items-center gap-2 rounded border border-base-300 bg-base-100 px-2 py-1 text-left text-sm max-sm:grow-0"
        onClick={onFind}
        aria-keyshortcuts="Control+K"
      >
        <Search size={14} aria-hidden className="shrink-0" />
        <span className="grow truncate max-sm:sr-only">
          Find a job, tag, lock or person, or do something
        </span>
        <kbd className="kbd kbd-xs max-lg:hidden">Ctrl K</kbd>
      </button>
      <InSpaces inside={inside} />
      <SiteClock now={now} key={now} />
      {person}
    </header>
  );
}
