import {
  describeLine,
  listUnfit,
  type AirUse,
  type GasReading,
  type StreamedReading,
} from '../core/gas';
import {
  airLimits,
  findAirAlarm,
  findAirTest,
  listDetectors,
  type Command,
  type Dossier,
} from '../core/job';
import type { Db } from '../db';
import { readNow } from './clock';
import { holdAlarm } from './held-alarms';
import { readState, readSiteFor } from './job-state';
import { carryOut } from './jobs';
import { surveyOpenJobs } from './open-jobs';
import { describeTrouble } from './trouble';

/** Readings of one instant, judged together. */
export interface Instant {
  readonly at: string;
  readonly readings: readonly GasReading[];
}

/** Readings by the instant at which they were made, oldest first. */
export function groupByInstant(readings: readonly StreamedReading[]): Instant[] {
  const groups = new Map<string, GasReading[]>();
  for (const { at, gas, shown, unit } of readings) {
    groups.set(at, [...(groups.get(at) ?? []), { gas, shown, unit }]);
  }
  return [...groups].map(([at, some]) => ({ at, readings: some }));
}

/** A job may change while its device speaks: then it speaks again. */
const TRIES = 5;

/** Has a device give a command on the job at which it stands. Answers why it was not carried out; undefined when it was. */
export function speakFor(
  db: Db,
  jobId: string,
  device: string,
  make: (dossier: Dossier) => Command | undefined,
): { readonly done: boolean; readonly why?: string } {
  for (let tried = 0; tried < TRIES; tried++) {
    const { state, sequence } = readState(db, jobId);
    const command = state && make(state);
    if (!command) return { done: false };
    const answer = carryOut(db, {
      jobId,
      command,
      expected: sequence,
      key: `${command.kind} ${jobId} ${sequence}`,
      actor: device,
      device,
      signed: [],
    });
    if (answer.ok) return { done: true };
    if (answer.kind === 'refused') {
      return { done: false, why: answer.refusals.map(({ says }) => says).join(' ') };
    }
  }
  return { done: false, why: 'the job kept changing' };
}

/** What of a device's readings is not fit for the work at which it stands, by the first bad instant; undefined when all is fit. */
function findBad(
  db: Db,
  dossier: Dossier,
  device: string,
  { use, instants, isBelieved }: Heard & { readonly use: AirUse },
) {
  const site = readSiteFor(db, dossier);
  const detector = site.instruments.get(device)?.detector;
  if (!detector) return undefined;
  const limits = airLimits(site.values, use);
  // What is older than the last test of the air is history, where its time can be believed.
  const since = isBelieved ? Date.parse(findAirTest(dossier, use)?.at ?? '1970-01-01') : -Infinity;
  for (const { at, readings } of instants) {
    const lines = Date.parse(at) > since ? listUnfit(readings, detector, limits) : [];
    if (lines.length > 0) return { at, readings, words: lines.map(describeLine).join('; ') };
  }
  return undefined;
}

/** What was heard of a device, and whether the times of it can be believed. */
export interface Heard {
  readonly instants: readonly Instant[];
  readonly isBelieved: boolean;
}

/** Stops a job on the first reading that is not fit; true when it did. What cannot be written is held, shown and tried again. */
function alarmJob(db: Db, jobId: string, device: string, heard: Heard): boolean {
  const find = (dossier: Dossier) => {
    const standing = listDetectors(dossier).find((one) => one.device === device);
    // While an alarm of before holds the job, another one would say nothing new.
    if (!standing || findAirAlarm(dossier, standing.use)) return undefined;
    return findBad(db, dossier, device, { ...heard, use: standing.use });
  };
  let words = 'air not fit';
  const speak = () =>
    speakFor(db, jobId, device, (dossier) => {
      const bad = find(dossier);
      if (!bad) return undefined;
      words = bad.words;
      return { kind: 'report-air', device, readAt: bad.at, readings: [...bad.readings] };
    });
  const tryOnce = (): { done: boolean; why?: string } => {
    try {
      return speak();
    } catch (error) {
      return { done: false, why: describeTrouble(error) };
    }
  };
  const first = tryOnce();
  if (first.why !== undefined) {
    holdAlarm(db, {
      job: jobId,
      device,
      why: `alarm of ${device}: ${words}`,
      unwritten: first.why,
      tryAgain: () => tryOnce().why === undefined,
    });
  }
  return first.done || first.why !== undefined;
}

/** Whether a device's readings are not fit by the limits of some work, where nobody can tell which it is. */
function alarmUnreadable(db: Db, device: string, { instants }: Heard): void {
  const site = readSiteFor(db, undefined);
  const detector = site.instruments.get(device)?.detector;
  if (!detector) return;
  const limits = airLimits(site.values, 'entry');
  const bad = instants.flatMap(({ readings }) => listUnfit(readings, detector, limits));
  if (bad.length === 0) return;
  holdAlarm(db, {
    job: undefined,
    device,
    why: `alarm of ${device}: ${bad.map(describeLine).join('; ')}`,
    unwritten: 'the job at which it stands may be one that cannot be read',
    tryAgain: () => surveyOpenJobs(db).unreadable.length === 0,
  });
}

/** Stops every job at which a device stands and reads what is not fit; answers which. */
export function raiseAirAlarms(db: Db, device: string, heard: Heard): string[] {
  const { jobs, unreadable } = surveyOpenJobs(db);
  const standing = jobs.filter(({ dossier }) =>
    listDetectors(dossier).some((one) => one.device === device),
  );
  if (standing.length === 0 && unreadable.length > 0) alarmUnreadable(db, device, heard);
  return standing.filter(({ id }) => alarmJob(db, id, device, heard)).map(({ id }) => id);
}

/** Writes on each job at which a device stands what is wrong with it. The same again is not written twice. */
export function reportFault(
  db: Db,
  device: string,
  fault: { readonly why: 'silent' | 'refused'; readonly words: string; readonly since?: string },
): void {
  const { why } = fault;
  // It stands within sentences of the screens.
  const words = fault.words.slice(0, 2000).replace(/\.$/, '');
  for (const { id, dossier } of surveyOpenJobs(db).jobs) {
    if (!listDetectors(dossier).some((one) => one.device === device)) continue;
    speakFor(db, id, device, ({ faults: { [device]: known } }) => {
      // A silent device that sends what cannot be believed is still not heard.
      const isSaid = known?.words === words || (known?.why === 'silent' && why === 'refused');
      if (isSaid) return undefined;
      const since = fault.since ?? readNow(db);
      return { kind: 'report-fault', device, why, words, since };
    });
  }
}

/** A device can be believed again: says so on each job that held it faulty. */
export function clearFaults(db: Db, device: string): void {
  for (const { id, dossier } of surveyOpenJobs(db).jobs) {
    if (!(device in dossier.faults)) continue;
    speakFor(db, id, device, ({ faults }) =>
      device in faults ? { kind: 'hear-detector', device } : undefined,
    );
  }
}
