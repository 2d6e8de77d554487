'use client';

import { Command } from 'cmdk';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import type { Found, FoundThing } from '../../core/found';
import type { Deed } from './deed';
import type { Place } from './places';

/** No more is asked for at once. */
const MOST_ASKED = 200;
/** So long after the last key the server is asked (ms). */
const PAUSE_MS = 150;

/** Where something of the site that no job holds is looked at. */
const WHERE: Readonly<Record<FoundThing['kind'], (id: string) => string>> = {
  plant: (id) => `/plant?at=${encodeURIComponent(id)}`,
  lock: () => '/locks',
  person: () => '/watch',
};

/** What the server finds for what is typed. */
function useFound(question: string): Found | undefined {
  const [found, setFound] = useState<{ readonly question: string; readonly found: Found }>();
  useEffect(() => {
    if (question.trim() === '') return;
    const stop = new AbortController();
    const timer = setTimeout(() => {
      fetch(`/api/v1/find?q=${encodeURIComponent(question.slice(0, MOST_ASKED))}`, {
        signal: stop.signal,
      })
        .then((answer) => (answer.ok ? (answer.json() as Promise<Found>) : undefined))
        .then((made) => made && setFound({ question, found: made }))
        .catch(() => undefined);
    }, PAUSE_MS);
    return () => {
      clearTimeout(timer);
      stop.abort();
    };
  }, [question]);
  return found?.question === question ? found.found : undefined;
}

const GROUP =
  '[&_[cmdk-group-heading]]:px-3 [&_[cmdk-group-heading]]:pt-2 [&_[cmdk-group-heading]]:text-xs [&_[cmdk-group-heading]]:font-bold';
const ITEM =
  'flex cursor-pointer items-baseline gap-2 rounded px-3 py-1.5 data-[selected=true]:bg-primary data-[selected=true]:text-primary-content';

/** Finds anything, goes anywhere and does what can be done from anywhere, by the keyboard alone. */
export function Palette({
  onClose: close,
  deeds,
  places: all,
}: {
  readonly onClose: () => void;
  readonly deeds: readonly Deed[];
  readonly places: readonly Place[];
}) {
  const router = useRouter();
  const [question, setQuestion] = useState('');
  const found = useFound(question);
  const go = (href: string) => {
    close();
    router.push(href);
  };
  /** What is chosen: the first that was found, until somebody steps on. */
  const [picked, setPicked] = useState<{ readonly found?: Found; readonly value: string }>();
  const [firstJob] = found?.jobs ?? [];
  const [firstThing] = found?.things ?? [];
  const first = firstJob
    ? `job ${firstJob.job}`
    : firstThing && `${firstThing.kind} ${firstThing.id}`;
  const isStale = picked === undefined || picked.found !== found;
  const needle = question.trim().toLowerCase();
  const has = (words: string) => words.toLowerCase().includes(needle);
  const places = all.filter(({ label }) => has(label));
  const fitting = deeds.filter(({ label }) => has(label));
  return (
    <Command.Dialog
      open
      onOpenChange={(isOpen) => !isOpen && close()}
      label="Find or do"
      shouldFilter={false}
      {...(isStale && first === undefined ? {} : { value: isStale ? first : picked.value })}
      onValueChange={(value) => setPicked({ ...(found ? { found } : {}), value })}
      overlayClassName="fixed inset-0 z-40 bg-black/40"
      contentClassName="fixed left-1/2 top-16 z-50 w-[min(40rem,calc(100vw-2rem))] -translate-x-1/2 rounded-box border border-base-300 bg-base-100 shadow-xl"
    >
      <Command.Input
        value={question}
        onValueChange={setQuestion}
        placeholder="A number, tag, person, lock, date or word; or where to go"
        className="w-full rounded-t-box border-b border-base-300 bg-base-100 px-4 py-3 text-base outline-none"
      />
      <Command.List className="max-h-[60vh] overflow-y-auto p-1">
        {needle !== '' && (
          <Command.Empty className="px-3 py-2">
            {found ? 'Nothing has that in it.' : 'Looking…'}
          </Command.Empty>
        )}
        {found && found.jobs.length > 0 && (
          <Command.Group heading="Jobs and permits" className={GROUP}>
            {found.jobs.map(({ job, title, equipment, stage, permits }) => (
              <Command.Item
                key={job}
                value={`job ${job}`}
                className={ITEM}
                onSelect={() => go(`/jobs/${job}`)}
              >
                <span className="font-mono">{job}</span>
                <span className="grow truncate font-bold">{title}</span>
                <span className="font-mono text-sm">{equipment}</span>
                <span className="text-sm">{permits.at(-1) ?? stage}</span>
              </Command.Item>
            ))}
          </Command.Group>
        )}
        {found && found.things.length > 0 && (
          <Command.Group heading="Points, locks and people" className={GROUP}>
            {found.things.map(({ kind, id, name, job }) => (
              <Command.Item
                key={`${kind} ${id}`}
                value={`${kind} ${id}`}
                className={ITEM}
                onSelect={() => go(job === undefined ? WHERE[kind](id) : `/jobs/${job}`)}
              >
                {kind !== 'person' && <span className="font-mono">{id}</span>}
                <span className="grow truncate">{name}</span>
                {job !== undefined && (
                  <span className="text-sm">
                    {kind === 'person' ? 'signed on at' : 'hangs at'} {job}
                  </span>
                )}
              </Command.Item>
            ))}
          </Command.Group>
        )}
        {fitting.length > 0 && (
          <Command.Group heading="Do" className={GROUP}>
            {fitting.map(({ label, does }) => (
              <Command.Item
                key={label}
                value={`do ${label}`}
                className={ITEM}
                onSelect={() => {
                  close();
                  does();
                }}
              >
                {label}
              </Command.Item>
            ))}
          </Command.Group>
        )}
        {places.length > 0 && (
          <Command.Group heading="Go to" className={GROUP}>
            {places.map(({ href, label, Icon }) => (
              <Command.Item
                key={href}
                value={`go ${href}`}
                className={ITEM}
                onSelect={() => go(href)}
              >
                <Icon size={16} aria-hidden className="self-center" />
                {label}
              </Command.Item>
            ))}
          </Command.Group>
        )}
        {needle !== '' && (
          <Command.Item
            value="all"
            className={`${ITEM} border-t border-base-300`}
            onSelect={() => go(`/find?q=${encodeURIComponent(question)}`)}
          >
            Everything found for “{question.trim()}”
          </Command.Item>
        )}
      </Command.List>
    </Command.Dialog>
  );
}
