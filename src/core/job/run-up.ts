import { refuse, type Refusal } from '../rules/refuse';
import { computeRunUp, type RunUpTimes } from '../run-up/run-up';
import { computeCost } from '../isolation';
import { findPlant, type SiteFacts } from './site';
import { listNoted } from './sums';
import type { Dossier } from './state';

/** Where a job has something to do before its hour: the plant is given over by a call, and back. */
const isAgreed = ({ runUp }: Dossier): boolean => runUp.length > 0;

/** Refuses to stop plant or lock a point before operations have called that it is ready. */
export const gateCalled = (dossier: Dossier): Refusal[] =>
  isAgreed(dossier) && !dossier.calls.ready ? [refuse('window-not-called')] : [];

/** Plant that was given over by a call is given back by one. */
export const gateCalledBack = ({ calls }: Dossier): Refusal[] =>
  calls.ready && !calls.back ? [refuse('window-not-returned')] : [];

/** How long the cooling takes that was worked out for a job (min), the longest; undefined where none was. */
export function findCoolingMinutes(dossier: Dossier): number | undefined {
  const seconds = listNoted(dossier, 'cooling').flatMap((one) => one.seconds ?? []);
  return seconds.length === 0 ? undefined : Math.ceil(Math.max(...seconds) / 60);
}

/** What is done before the hour of a stop, as its page shows it. */
export interface RunUpView extends RunUpTimes {
  readonly hour: string;
  /** What an hour of lost supply under the plan costs; undefined before there is a plan. */
  readonly outage: number | undefined;
  /** What the plant being late costs, at that. */
  readonly lateCost: number | undefined;
  /** Operations have called that the plant is ready. */
  readonly isCalled: boolean;
}

/** Counts the run-up of a job back from its hour; undefined where no hour is agreed or nothing is planned. */
export function viewRunUp(dossier: Dossier, site: SiteFacts, now: string): RunUpView | undefined {
  const { runUp, window, calls, plan } = dossier;
  const times =
    window && runUp.length > 0
      ? computeRunUp(runUp, window.from, calls.ready?.at ?? now)
      : undefined;
  if (window === undefined || times === undefined) return undefined;
  const outage =
    plan.kind === 'none' ? undefined : computeCost(findPlant(dossier, site), plan.plan).outage;
  return {
    ...times,
    hour: window.from,
    outage,
    lateCost: outage === undefined ? undefined : Math.round((outage * times.slip_min) / 60),
    isCalled: calls.ready !== undefined,
  };
}
