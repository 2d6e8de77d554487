import { listHanging, type Dossier, type HangingLock } from '../job';
import type { Lock, LockBox } from '../people/people';

/** A lock that hangs for a job. */
export interface Hanging extends HangingLock {
  readonly job: string;
}

/** A box in use: the control lock that shuts it, the keys in it, and the personal locks on it. */
export interface BoxInUse {
  readonly box: string;
  readonly job: string;
  /** The control lock; two of them while one coordinator hands over to another. */
  readonly control: readonly Hanging[];
  readonly crews: readonly Hanging[];
  /** Numbers of the locks whose keys lie in it. */
  readonly keys: readonly string[];
  readonly personal: readonly Hanging[];
}

/** Something about locks that ought not to be. */
export interface LockFinding {
  readonly code: 'lock-twice' | 'lock-not-registered' | 'key-missing' | 'key-idle' | 'lock-not-own';
  readonly subject: string;
  readonly words: string;
}

export interface LockSurvey {
  readonly locks: readonly (Lock & { readonly hangs: readonly Hanging[] })[];
  readonly boxes: readonly (LockBox & { readonly inUse: BoxInUse | undefined })[];
  readonly findings: readonly LockFinding[];
}

/** What hangs for each job, as it was listed once: a dossier never changes. */
const listed = new WeakMap<Dossier, readonly Hanging[]>();

function listOf(job: string, dossier: Dossier): readonly Hanging[] {
  const known = listed.get(dossier);
  if (known?.[0]?.job === job) return known;
  const all = listHanging(dossier).map((one): Hanging => ({ ...one, job }));
  listed.set(dossier, all);
  return all;
}

/** What hangs, by lock, so that a survey of many jobs stays quick. */
function gatherByLock(all: readonly Hanging[]): ReadonlyMap<string, Hanging[]> {
  const gathered = new Map<string, Hanging[]>();
  for (const one of all) {
    const list = gathered.get(one.lock);
    if (list) list.push(one);
    else gathered.set(one.lock, [one]);
  }
  return gathered;
}

function findBox(job: string, { isolation }: Dossier, ofJob: readonly Hanging[]) {
  if (!isolation.box) return [];
  const { box, keys } = isolation.box;
  const on = ofJob.filter((one) => one.where === box);
  const as = (use: Lock['use']) => on.filter((one) => one.as === use);
  return [
    { box, job, keys, control: as('control'), crews: as('crew'), personal: as('personal') },
  ] satisfies BoxInUse[];
}

/** Keys and locks have to balance: the box of a job holds the key of every lock on its points, and no other. */
function checkKeys(ofJob: readonly Hanging[], { box, job, keys }: BoxInUse): LockFinding[] {
  const hung = ofJob.filter(({ as }) => as === 'point').map(({ lock }) => lock);
  return [
    ...hung
      .filter((lock) => !keys.includes(lock))
      .map((lock): LockFinding => {
        const words = `the key of ${lock}, which hangs for ${job}, is not in ${box}`;
        return { code: 'key-missing', subject: lock, words };
      }),
    ...keys
      .filter((lock) => !hung.includes(lock))
      .map((lock): LockFinding => {
        const words = `the key of ${lock} lies in ${box}, and the lock hangs on no point of ${job}`;
        return { code: 'key-idle', subject: lock, words };
      }),
  ];
}

function checkHanging(
  places: ReadonlyMap<string, Hanging[]>,
  register: ReadonlyMap<string, Lock>,
): LockFinding[] {
  return [...places].flatMap(([lock, all]): LockFinding[] => {
    const known = register.get(lock);
    const notOwn = all.find(({ as, by }) => as === 'personal' && known?.owner !== by);
    if (known && !notOwn && all.length === 1) return [];
    const where = all.map((one) => `${one.where} (${one.job})`).join(' and ');
    return [
      ...(all.length > 1
        ? [
            {
              code: 'lock-twice',
              subject: lock,
              words: `${lock} is said to hang on ${where}`,
            } as const,
          ]
        : []),
      ...(known
        ? []
        : [
            {
              code: 'lock-not-registered',
              subject: lock,
              words: `${lock} hangs on ${where} and is in no register`,
            } as const,
          ]),
      ...(known && notOwn
        ? [
            {
              code: 'lock-not-own',
              subject: lock,
              words: `${lock} hangs for ${notOwn.by} and belongs to ${known.owner ?? 'nobody'}`,
            } as const,
          ]
        : []),
    ];
  });
}

/** What needs a look of a site's locks: how many hang, and what does not balance. Quick enough for every look at the board. */
export function checkLocks(
  register: ReadonlyMap<string, Lock>,
  jobs: readonly { readonly id: string; readonly dossier: Dossier }[],
): { readonly hanging: number; readonly findings: readonly LockFinding[] } {
  const byJob = new Map(jobs.map(({ id, dossier }) => [id, listOf(id, dossier)]));
  const byLock = gatherByLock([...byJob.values()].flat());
  const inUse = jobs.flatMap(({ id, dossier }) => findBox(id, dossier, byJob.get(id) ?? []));
  return {
    hanging: byLock.size,
    findings: [
      ...checkHanging(byLock, register),
      ...inUse.flatMap((one) => checkKeys(byJob.get(one.job) ?? [], one)),
    ],
  };
}

/** Surveys every lock and box of a site over its open jobs: what hangs where and for whom, and what does not balance. */
export function surveyLocks(
  locks: Iterable<Lock>,
  boxes: Iterable<LockBox>,
  jobs: readonly { readonly id: string; readonly dossier: Dossier }[],
): LockSurvey {
  const byJob = new Map(jobs.map(({ id, dossier }) => [id, listOf(id, dossier)]));
  const byLock = gatherByLock([...byJob.values()].flat());
  const inUse = jobs.flatMap(({ id, dossier }) => findBox(id, dossier, byJob.get(id) ?? []));
  const register = new Map([...locks].map((lock) => [lock.id, lock]));
  return {
    locks: [...register.values()].map((lock) => ({
      ...lock,
      hangs: byLock.get(lock.id) ?? [],
    })),
    boxes: [...boxes].map((box) => ({
      ...box,
      inUse: inUse.find((one) => one.box === box.id),
    })),
    findings: checkLocks(register, jobs).findings,
  };
}
