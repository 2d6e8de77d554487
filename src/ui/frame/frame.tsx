'use client';

import dynamic from 'next/dynamic';
import Link from 'next/link';
import { usePathname, useRouter } from 'next/navigation';
import { useCallback, useEffect, useState, useSyncExternalStore, type ReactNode } from 'react';
import { useMoments } from '../kit/moment';
import type { Shown } from '../shell/use-beat';
import { AlarmLines, TroubleLine } from './alarm-lines';
import { useShowing } from '../practice/showing';
import { isFieldPage, listPlaces } from './places';
import { useFrameKeys } from './keys';
import { NarrowPlaces } from './narrow-places';
import type { Deed } from './deed';
import { PersonMenu } from './person-menu';
import { Rail } from './rail';
import { InSpaces, SiteClock, TopBar } from './top-bar';
import { useLive } from './use-live';

/** What the keyboard or a menu opens is loaded when it is first asked for. */
const loadPalette = () => import('./palette').then((part) => part.Palette);
const Palette = dynamic(loadPalette, { ssr: false });
const TakeOver = dynamic(() => import('./take-over').then((part) => part.TakeOver), { ssr: false });
const ShowMe = dynamic(() => import('../practice/show-me').then((part) => part.ShowMe), {
  ssr: false,
});
const KeysDialog = dynamic(() => import('./keys-dialog').then((part) => part.KeysDialog), {
  ssr: false,
});

/** How far the clock of the demonstration is moved at a press (h). */
const DEMO_STEPS = [
  ['10 min', 1 / 6],
  ['1 h', 1],
] as const;

const DRAWN_IN = 'rail-drawn-in';

/** Whether the rail is drawn in, kept on this device. */
function useDrawnIn(): readonly [boolean, () => void] {
  const isDrawnIn = useSyncExternalStore(
    (onChange) => {
      window.addEventListener('storage', onChange);
      return () => window.removeEventListener('storage', onChange);
    },
    () => localStorage.getItem(DRAWN_IN) === 'yes',
    () => false,
  );
  const turn = () => {
    localStorage.setItem(DRAWN_IN, isDrawnIn ? 'no' : 'yes');
    window.dispatchEvent(new Event('storage'));
  };
  return [isDrawnIn, turn];
}

interface FrameFacts {
  readonly site: string;
  readonly me: { readonly name: string; readonly coordinator: boolean };
  readonly now: string;
  readonly demo: boolean;
  /** Who is in spaces and which alarms stand, as the page was loaded. */
  readonly shown: Shown;
}

/** What can be done from anywhere by whoever is signed in: what is about them, and all of it. */
function useDeeds({ me, demo }: FrameFacts, onTakeOver: () => void) {
  const router = useRouter();
  const call = async (url: string, init: RequestInit) => {
    await fetch(url, init);
    router.refresh();
  };
  const later = (hours: number) =>
    call('/api/clock', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ hours }),
    });
  const ofPerson: readonly Deed[] = [
    { label: 'Somebody else takes over', does: onTakeOver },
    ...(demo && me.coordinator
      ? DEMO_STEPS.map(([words, hours]) => ({
          label: `Move the clock of the demonstration ${words} on`,
          does: () => void later(hours),
        }))
      : []),
    {
      label: 'Sign out',
      does: () => void call('/api/session', { method: 'DELETE' }).then(() => router.push('/login')),
    },
  ];
  const raise = { label: 'Raise a job', does: () => router.push('/jobs/new') };
  return { ofPerson, all: me.coordinator ? [raise, ...ofPerson] : ofPerson };
}

/** What stands over the page of a step in the field: the job, the clock, who it is; no rail. */
function FieldBar({
  path,
  facts,
  inside,
  person,
}: {
  readonly path: string;
  readonly facts: FrameFacts;
  readonly inside: number;
  readonly person: ReactNode;
}) {
  const job = path.startsWith('/jobs/') ? path.split('/')[2] : undefined;
  return (
    <header className="flex h-11 items-center gap-2 border-b border-base-300 bg-base-200 px-3">
      <Link
        href={job === undefined ? '/defects' : `/jobs/${job}`}
        className={`grow font-bold underline ${job === undefined ? '' : 'font-mono'}`}
      >
        {job ?? 'Defects'}
      </Link>
      <InSpaces inside={inside} />
      <SiteClock now={facts.now} key={facts.now} />
      {person}
    </header>
  );
}

/** What stands round every page: the rail, the top bar, alarms, and what the keyboard opens. */
export function Frame({
  children,
  welcome,
  ...facts
}: FrameFacts & {
  readonly children: ReactNode;
  /** What a role is told at its first visit. */
  readonly welcome: ReactNode;
}) {
  const path = usePathname();
  const places = listPlaces(facts.demo);
  const showing = useShowing();
  const { heard, silent } = useLive(facts.shown);
  const [isDrawnIn, turnRail] = useDrawnIn();
  const [open, setOpen] = useState<'find' | 'keys' | 'take-over'>();
  const { seconds, offset } = useMoments();
  const deeds = useDeeds(facts, () => setOpen('take-over'));
  const onFind = useCallback(() => setOpen('find'), []);
  const onKeys = useCallback(() => setOpen('keys'), []);
  useFrameKeys(onFind, onKeys);
  // Ahead of time, so that what is typed right after Ctrl K is not lost.
  useEffect(() => void loadPalette().catch(() => undefined), []);
  const isField = isFieldPage(path);
  const person = <PersonMenu name={facts.me.name} deeds={deeds.ofPerson} />;
  const close = () => setOpen(undefined);
  return (
    <div className="flex min-h-screen">
      {!isField && <Rail path={path} places={places} isDrawnIn={isDrawnIn} onDraw={turnRail} />}
      <div className="flex min-w-0 grow flex-col">
        <div className="sticky top-0 z-30 print:hidden">
          {isField ? (
            <FieldBar path={path} facts={facts} inside={heard.inside} person={person} />
          ) : (
            <TopBar
              site={facts.site}
              now={facts.now}
              inside={heard.inside}
              onFind={onFind}
              before={<NarrowPlaces path={path} places={places} />}
              person={person}
            />
          )}
          <TroubleLine trouble={heard.trouble} />
          <AlarmLines alarms={heard.alarms} />
          {silent !== undefined && (
            <p role="status" className="bg-error px-3 py-1 font-bold text-error-content">
              NOT UP TO DATE since {seconds(silent)} {offset(silent)}
            </p>
          )}
        </div>
        {!isField && welcome}
        {children}
      </div>
      {open === 'find' && <Palette onClose={close} deeds={deeds.all} places={places} />}
      {open === 'take-over' && <TakeOver onClose={close} />}
      {facts.demo && showing && <ShowMe showing={showing} />}
      {open === 'keys' && <KeysDialog onClose={close} />}
    </div>
  );
}
