'use client';

import { nanoid } from 'nanoid';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Command } from '../../core/job';
import { send } from '../command/send';
import { findReach, onDevice } from './device';
import { sendKept, type Entry, type RoundEnd } from './outbox';

/** How often what is kept is tried again (ms). */
const RETRY_MS = 5000;

/** So many of the newest that were sent are remembered. */
const MOST_SHOWN = 50;

export interface Outbox {
  /** Everything kept on this device, oldest first; those with refusals wait for a person. */
  readonly entries: readonly Entry[];
  /** What the server has taken and the page does not show as done yet. */
  readonly taken: readonly Entry[];
  /** How the last try to send ended. */
  readonly end: RoundEnd;
  /** Keeps a command and tries to send it; true when the server took it at once. */
  readonly add: (command: Command) => Promise<boolean>;
  readonly drop: (key: string) => void;
}

/**
 * Keeps what is entered on the device first and sends it in order, once. Entries of someone else stay until they are signed in.
 * `onTaken` is called after each that the server has taken; until the page has come to its number, it counts as taken here.
 */
export function useOutbox(
  {
    jobId,
    me,
    now,
    sequence,
  }: {
    readonly jobId: string;
    readonly me: string;
    readonly now: string;
    /** The newest event that the page shows. */
    readonly sequence: number;
  },
  onTaken: () => void,
): Outbox {
  const [entries, setEntries] = useState<readonly Entry[]>([]);
  const [sentNow, setSentNow] = useState<readonly { entry: Entry; sequence: number }[]>([]);
  const [end, setEnd] = useState<RoundEnd>({ kind: 'through' });
  const ahead = useRef(0);
  const round = useRef<Promise<void>>(undefined);
  const tellTaken = useRef(onTaken);
  useEffect(() => {
    tellTaken.current = onTaken;
    ahead.current = Date.parse(now) - Date.now();
  }, [onTaken, now]);

  const show = useCallback(async () => setEntries(await onDevice.read()), []);
  const flush = useCallback(async () => {
    const before = round.current ?? Promise.resolve();
    const mine = before.then(async () => {
      const sent = await sendKept(onDevice, me, send, (entry, number) => {
        setSentNow((all) => [...all.slice(-MOST_SHOWN), { entry, sequence: number }]);
        tellTaken.current();
      });
      const ended: RoundEnd = sent.kind === 'through' ? await findReach() : sent;
      setEnd((before) => (before.kind === ended.kind && ended.kind !== 'held' ? before : ended));
      await show();
    });
    round.current = mine;
    await mine;
  }, [me, show]);

  useEffect(() => {
    const retry = () => void flush();
    retry();
    const timer = setInterval(retry, RETRY_MS);
    window.addEventListener('online', retry);
    return () => {
      clearInterval(timer);
      window.removeEventListener('online', retry);
    };
  }, [flush]);

  const add = async (command: Command): Promise<boolean> => {
    const enteredAt = new Date(Date.now() + ahead.current).toISOString();
    const entry: Entry = { key: nanoid(), jobId, actor: me, command, enteredAt };
    await onDevice.change((kept) => [...kept, entry]);
    await show();
    await flush();
    const left = await onDevice.read();
    return !left.some(({ key }) => key === entry.key);
  };
  const drop = (key: string) =>
    void onDevice.change((kept) => kept.filter((entry) => entry.key !== key)).then(show);
  const taken = sentNow
    .filter((one) => one.entry.jobId === jobId && one.sequence > sequence)
    .map(({ entry }) => entry);
  return { entries, taken, end, add, drop };
}
