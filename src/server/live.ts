import { listGrown, readHead } from '../ledger';
import { logFault, perProcess, type Db } from '../db';
import { readNow } from './clock';
import { JOB_STREAM } from './job-state';
import { readPresence, type Presence } from './presence';

/** How often the ledger is looked at for something new, and how often it is said that nothing was (ms). */
const LOOK_MS = 250;
const BEAT_MS = 2000;
/** How often it is asked whether a listener may go on (ms): fifty screens ask fifty times. */
const ASK_MS = 1000;

/** What a listener is told: the newest event, the site's time, who is in spaces, which alarms stand. */
interface Beat extends Presence {
  readonly head: number;
  /** The newest event of the beat before, and the jobs that something happened to since. */
  readonly since: number;
  readonly changed: readonly string[];
  readonly now: string;
}

/** How things stand, and what changed after `since`; from the newest event on when it is not given. */
function readBeat(db: Db, since?: number): Beat {
  const head = readHead(db);
  const grown = since === undefined || since === head ? [] : listGrown(db, since);
  return {
    head,
    since: since ?? head,
    changed: grown
      .filter((stream) => stream.startsWith(JOB_STREAM))
      .map((stream) => stream.slice(JOB_STREAM.length)),
    now: readNow(db),
    ...readPresence(db),
  };
}

/** How long a listener may listen: `goesOn` is asked once a second, and once it is false the listener ends. */
interface Leave {
  readonly goesOn: () => boolean;
  readonly end: () => void;
}

interface Listener extends Leave {
  readonly hear: (beat: Beat) => void;
  /** When it was last asked whether it goes on (ms). */
  asked: number;
}

const FOREVER: Leave = { goesOn: () => true, end: () => undefined };

/** Who listens, and what was said last. One look at the ledger serves them all, also for what other processes wrote. */
interface Tower {
  readonly listeners: Set<Listener>;
  last: { head: number; skew: number; at: number };
  timer: NodeJS.Timeout | undefined;
}

const towers = perProcess('towers', () => new WeakMap<Db, Tower>());

/** How far the site's clock is from the machine's (s): it jumps only when the demonstration moves it. */
const skewOf = (now: string) => Math.round((Date.parse(now) - Date.now()) / 1000);

function look(db: Db, tower: Tower): void {
  const at = Date.now();
  for (const listener of tower.listeners) {
    if (at - listener.asked < ASK_MS) continue;
    listener.asked = at;
    if (!listener.goesOn()) listener.end();
  }
  const { last } = tower;
  const beat = readBeat(db, last.head);
  const skew = skewOf(beat.now);
  const isNew = beat.head !== last.head || Math.abs(skew - last.skew) > 1;
  if (!isNew && Date.now() - last.at < BEAT_MS) return;
  tower.last = { head: beat.head, skew, at: Date.now() };
  tower.listeners.forEach(({ hear }) => hear(beat));
}

/** Tells a listener at once how things stand, and then whenever something changes or two seconds have passed. Answers how to leave. */
export function listen(db: Db, hear: Listener['hear'], leave: Leave = FOREVER): () => void {
  const listener: Listener = { hear, ...leave, asked: Date.now() };
  const tower: Tower = towers.get(db) ?? {
    listeners: new Set(),
    last: { head: readHead(db), skew: 0, at: 0 },
    timer: undefined,
  };
  towers.set(db, tower);
  tower.listeners.add(listener);
  tower.timer ??= setInterval(() => {
    try {
      look(db, tower);
    } catch (error) {
      // Screens that hear nothing say so themselves; the next look may succeed.
      logFault('the screens could not be told how things stand', error);
    }
  }, LOOK_MS).unref();
  listener.hear(readBeat(db));
  return () => {
    tower.listeners.delete(listener);
    if (tower.listeners.size > 0) return;
    clearInterval(tower.timer);
    tower.timer = undefined;
  };
}

/**
 * The beats as server-sent events, for as long as `goesOn` says. A reader that comes back is told at once how things stand, and so has
 * missed nothing.
 */
export function streamBeats(
  db: Db,
  signal: AbortSignal,
  goesOn: () => boolean = () => true,
): ReadableStream<Uint8Array> {
  const encoder = new TextEncoder();
  return new ReadableStream({
    start(controller) {
      let isOver = false;
      const end = () => {
        if (isOver) return;
        isOver = true;
        leave();
        controller.close();
      };
      const hear = (beat: Beat) =>
        controller.enqueue(
          encoder.encode(`id: ${beat.head}\nretry: 1000\ndata: ${JSON.stringify(beat)}\n\n`),
        );
      const leave = listen(db, hear, { goesOn, end });
      signal.addEventListener('abort', end);
    },
  });
}
