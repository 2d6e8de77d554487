import { findSilence, listDetectors } from '../core/job';
import { logFault, perProcess, type Db } from '../db';
import { reportFault } from './air-alarms';
import { readNow } from './clock';
import { retryHeldAlarms } from './held-alarms';
import { surveyOpenJobs } from './open-jobs';
import { findNewestVersion } from './plant';
import { findHeardAt } from './readings';
import { readValues } from './site-rules';
import { playStandInDetectors } from './stand-in-detectors';
import { recheckTrouble } from './trouble';

/** How often is looked for detectors that have fallen silent, and for alarms that are not written yet (ms). */
const LOOK_MS = 1000;

/** Finds every detector that stands at an open job and has been silent for longer than the site allows, and says so on its job. */
export function checkSilence(db: Db, listeningSince: string): void {
  const now = readNow(db);
  const most_s = readValues(db).values['detector-silence-s'];
  for (const { dossier } of surveyOpenJobs(db).jobs) {
    for (const standing of listDetectors(dossier)) {
      const { device } = standing;
      if (dossier.faults[device]?.why === 'silent') continue;
      const heardAt = findHeardAt(db, device);
      const since = findSilence(standing, heardAt, { now, listeningSince, most_s });
      if (since === undefined) continue;
      const words = `it has sent nothing for more than ${most_s} s: nobody knows what the air is there`;
      reportFault(db, device, { why: 'silent', words, since });
    }
  }
}

const watching = perProcess('watching', () => new WeakSet<Db['$client']>());

/**
 * Watches while the server runs, whether a screen is open or not. One look that fails is followed by the next: what it could not write is
 * still wrong then.
 */
export function keepWatch(db: Db): void {
  if (watching.has(db.$client)) return;
  watching.add(db.$client);
  const listeningSince = readNow(db);
  setInterval(() => {
    try {
      recheckTrouble(db);
      if (findNewestVersion(db) === 0) return;
      if (process.env.LANTERN_DEMO === '1') playStandInDetectors(db);
      retryHeldAlarms(db);
      checkSilence(db, listeningSince);
    } catch (error) {
      logFault('the watch over detectors failed once', error);
    }
  }, LOOK_MS).unref();
}
