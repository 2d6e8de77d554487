'use client';

import { useEffect, useRef } from 'react';
import { findSubject } from '../../core/job/scan';
import { Reasons } from '../command/reasons';
import type { DossierProps } from '../job/types';
import { isWaiting, type Entry } from './outbox';
import type { Outbox } from './use-outbox';
import { Time } from '../kit/moment';

const NO_NETWORK =
  'No network. What you enter is kept on this device and sent, in order, once it is back.';

/** What is kept on this device: how much, why, and what the server would not take. */
export function Kept({
  outbox,
  me,
  names,
}: { readonly outbox: Outbox } & Pick<DossierProps, 'me' | 'names'>) {
  const { entries, end, drop } = outbox;
  const waiting = entries.filter(isWaiting);
  const others = waiting.filter(({ actor }) => actor !== me);
  const isFine = end.kind === 'through';
  return (
    <>
      <p
        role="status"
        data-testid="network"
        className={`sticky top-0 z-10 px-3 py-2 ${isFine ? 'bg-base-200' : 'bg-warning font-bold text-warning-content'}`}
      >
        {end.kind === 'through' && 'In reach of the server.'}
        {end.kind === 'unreached' && NO_NETWORK}
        {end.kind === 'held' && `Kept on this device: ${end.why}`}{' '}
        {waiting.length > 0 && (
          <span>
            <strong className="font-mono">{waiting.length}</strong> not yet sent.
          </span>
        )}
      </p>
      {others.length > 0 && (
        <p className="px-3">
          {[...new Set(others.map(({ actor }) => names[actor] ?? actor))].join(', ')} entered steps
          on this device: they go out when they sign in here.
        </p>
      )}
      {entries
        .filter((entry) => !isWaiting(entry))
        .map((entry) => (
          <RefusedEntry key={entry.key} entry={entry} onDrop={() => drop(entry.key)} />
        ))}
    </>
  );
}

function RefusedEntry({ entry, onDrop }: { readonly entry: Entry; readonly onDrop: () => void }) {
  const shown = useRef<HTMLElement>(null);
  useEffect(() => shown.current?.scrollIntoView({ block: 'center' }), []);
  return (
    <section
      ref={shown}
      aria-label="Not taken"
      data-refused={findSubject(entry.command)}
      className="m-3 border-2 border-error p-3"
    >
      <h2 className="font-bold">
        Not taken: {entry.command.kind.replace('-', ' ')}{' '}
        <span className="font-mono">{findSubject(entry.command)}</span> on {entry.jobId}, entered{' '}
        <Time at={entry.enteredAt} />
      </h2>
      {entry.error !== undefined && <p>{entry.error}</p>}
      <Reasons refusals={entry.refusals ?? []} />
      <button className="btn mt-2 h-12" onClick={onDrop}>
        Understood, take it off the list
      </button>
    </section>
  );
}
