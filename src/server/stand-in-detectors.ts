import { listDetectors } from '../core/job';
import type { Db } from '../db';
import { playDetector } from '../sim';
import { readNow } from './clock';
import { surveyOpenJobs } from './open-jobs';
import { findHeardAt, nextNumber, receiveReadings } from './readings';
import { readSite } from './registers';
import { readFaults } from './stand-ins';

/** How often a stand-in detector reads, and how often it sends (s). */
const READS_S = 10;
const SENDS_S = 20;

/**
 * Has the stand-in of every detector that stands at an open job send what it has read since it sent last: clean air. A muted one sends
 * nothing. Only in the demonstration.
 */
export function playStandInDetectors(db: Db): void {
  const until = readNow(db);
  const { instruments } = readSite(db);
  const muted = new Set(
    readFaults(db).flatMap(({ kind, item }) => (kind === 'mute-detector' ? [item] : [])),
  );
  const standing = surveyOpenJobs(db).jobs.flatMap(({ dossier }) => listDetectors(dossier));
  for (const { device } of standing) {
    const detector = instruments.get(device)?.detector;
    if (!detector || muted.has(device)) continue;
    const heardAt = findHeardAt(db, device);
    const gap = heardAt === undefined ? SENDS_S : (Date.parse(until) - Date.parse(heardAt)) / 1000;
    if (gap < SENDS_S) continue;
    const batch = playDetector(device, detector, {
      scene: 'calm',
      until,
      seconds: Math.min(gap - READS_S, SENDS_S),
      every_s: READS_S,
      from: nextNumber(db, device),
    });
    receiveReadings(db, device, batch);
  }
}
