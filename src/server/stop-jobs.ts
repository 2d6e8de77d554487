import { nanoid } from 'nanoid';
import type { StoppedJob } from '../core/defects';
import { gateDefects, listOn } from '../core/job';
import type { Refusal } from '../core/rules/refuse';
import type { Db } from '../db';
import { readSiteFor, readState } from './job-state';
import { carryOut } from './jobs';
import { readOpenJobs } from './open-jobs';
import { readEach } from './unreadable';

/** Whether a refusal is for a defect or a change, or for it among others. */
export const isFor = ({ facts }: Refusal, name: string): boolean =>
  String(facts['name'] ?? facts['names'])
    .split(', ')
    .includes(name);

/**
 * Stops every live job whose isolation no longer holds by what was reported, in the name of whoever reported it. A job that cannot be read keeps nobody from
 * reporting: it stands in every list as one that may be live.
 */
export function stopJobsOn(tx: Db, name: string, actor: string): StoppedJob[] {
  const live = readOpenJobs(tx).filter(
    ({ dossier: { permit, halt } }) => permit.kind === 'issued' && !halt,
  );
  const { read: hit } = readEach(tx, live, (job) => {
    const refusals = gateDefects(job.dossier, readSiteFor(tx, job.dossier));
    return refusals.some((one) => isFor(one, name)) ? [job] : [];
  });
  return hit.flat().flatMap(({ id, dossier }): StoppedJob[] => {
    const reason = `${name} was reported: the isolation may no longer hold`;
    const done = carryOut(tx, {
      jobId: id,
      command: { kind: 'stop-work', reason },
      expected: readState(tx, id).sequence,
      key: nanoid(),
      actor,
      signed: [actor],
    });
    // Should it not stop, nobody can sign on all the same, and it is at the head of the queue.
    return done.ok
      ? [{ job: id, title: dossier.title, on: Object.keys(listOn(dossier.permit)) }]
      : [];
  });
}
