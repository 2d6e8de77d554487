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

function findBox(job: string, { isolation }: Dossier, hanging: readonly Hanging[]) {
  if (!isolation.box) return [];
  const { box, keys } = isolation.box;
  const on = hanging.filter((one) => one.job === job && one.where === box);
  const as = (use: Lock['use']) => on.filter((one) => one.as === use);
  return [
    { box, job, keys, control: as('control'), crews: as('crew'), personal: as('personal') },
  ] satisfies BoxInUse[];
}

/** Keys and locks have to balance: the box of a job holds the key of every lock on its points, and no other. */
function checkKeys(points: readonly Hanging[], { box, job, keys }: BoxInUse): LockFinding[] {
  const hung = points.filter((one) => one.job === job).map(({ lock }) => lock);
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
  hanging: readonly Hanging[],
  register: ReadonlyMap<string, Lock>,
): LockFinding[] {
  const places = new Map<string, Hanging[]>();
  for (const one of hanging) places.set(one.lock, [...(places.get(one.lock) ?? []), one]);
  return [...places].flatMap(([lock, all]): LockFinding[] => {
    const known = register.get(lock);
    const where = all.map((one) => `${one.where} (${one.job})`).join(' and ');
    const notOwn = all.find(({ as, by }) => as === 'personal' && known?.owner !== by);
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

/** Surveys every lock and box of a site over its open jobs: what hangs where and for whom, and what does not balance. */
export function surveyLocks(
  locks: Iterable<Lock>,
  boxes: Iterable<LockBox>,
  jobs: readonly { readonly id: string; readonly dossier: Dossier }[],
): LockSurvey {
  const hanging = jobs.flatMap(({ id, dossier }) =>
    listHanging(dossier).map((one): Hanging => ({ ...one, job: id })),
  );
  const points = hanging.filter(({ as }) => as === 'point');
  const inUse = jobs.flatMap(({ id, dossier }) => findBox(id, dossier, hanging));
  const register = new Map([...locks].map((lock) => [lock.id, lock]));
  return {
    locks: [...register.values()].map((lock) => ({
      ...lock,
      hangs: hanging.filter((one) => one.lock === lock.id),
    })),
    boxes: [...boxes].map((box) => ({
      ...box,
      inUse: inUse.find((one) => one.box === box.id),
    })),
    findings: [
      ...checkHanging(hanging, register),
      ...inUse.flatMap((one) => checkKeys(points, one)),
    ],
  };
}
