import { perProcess, type Db } from '../db';

/** An alarm that could not be written down yet: it is shown all the same, and tried again until it is. */
export interface HeldAlarm {
  /** The job at which the device stands; undefined when that cannot be read. */
  readonly job: string | undefined;
  readonly device: string;
  /** What is not fit, in words. */
  readonly why: string;
  /** Why it is not written yet. */
  readonly unwritten: string;
}

interface Held extends HeldAlarm {
  /** Tries to write it; true once that is done, or it has become needless. */
  readonly tryAgain: () => boolean;
}

const held = perProcess('held alarms', () => new WeakMap<Db['$client'], Map<string, Held>>());

const allOf = (db: Db): Map<string, Held> => {
  const all = held.get(db.$client) ?? new Map<string, Held>();
  held.set(db.$client, all);
  return all;
};

/** Keeps an alarm in memory; the newest of a device at a job stands for all of it. */
export const holdAlarm = (db: Db, alarm: Held): void => {
  allOf(db).set(`${alarm.job ?? ''} ${alarm.device}`, alarm);
};

/** Alarms that are not written yet. */
export const listHeldAlarms = (db: Db): readonly HeldAlarm[] => [...allOf(db).values()];

/** Tries to write every alarm that is held. One that still cannot be stays. */
export function retryHeldAlarms(db: Db): void {
  for (const [key, alarm] of allOf(db)) {
    try {
      if (alarm.tryAgain()) allOf(db).delete(key);
    } catch {
      // It stays, and is tried again.
    }
  }
}
