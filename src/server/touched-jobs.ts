import { nanoid } from 'nanoid';
import { findNames, whyTied } from '../core/job';
import { buildGraph, type Plant } from '../core/plant';
import { ProgrammerFault } from '../core/result';
import { nameFew } from '../core/text';
import type { Db } from '../db';
import { readState } from './job-state';
import { carryOut } from './jobs';
import { surveyOpenJobs } from './open-jobs';
import { readGraph, type Becomes, type TouchedJob } from './plant';

/**
 * Open jobs that name what a plant does not have under that id, but for those of which it has been said what they become. Who is tied to the drawing that they
 * were planned on and only has old ids is not touched: the new ones are known for the old there.
 */
export function listTouchedJobs(
  db: Db,
  plant: Plant,
  become: Readonly<Record<string, Becomes>> = {},
): TouchedJob[] {
  const graph = buildGraph(plant);
  return surveyOpenJobs(db).jobs.flatMap(({ id, dossier }) => {
    const { gone, renamed } = findNames(dossier, graph);
    const isTied = whyTied(dossier) !== undefined;
    const mayFollow = !isTied && gone.length === 0 && renamed.length > 0;
    const isTouched = gone.length > 0 || mayFollow;
    const answer = become[id];
    const isAnswered = answer === 'keep' || (answer === 'follow' && mayFollow);
    if (!isTouched || isAnswered) return [];
    return [{ job: id, title: dossier.title, gone, renamed, mayFollow }];
  });
}

/** A job that a plant touches, in words. */
export const sayTouched = ({ job, title, gone, renamed }: TouchedJob): string =>
  [
    `${job} ${title}:`,
    ...(gone.length > 0 ? [`${nameFew(gone, 8)} ${gone.length === 1 ? 'is' : 'are'} not on this plant (what only has another id is named under Old ids)`] : []), // prettier-ignore
    ...renamed.map(({ from, to }) => `${from} is called ${to} on it`),
  ]
    .join('; ')
    .replace(':;', ':');

/** Has jobs take over the ids of the newest drawing. Call it in the transaction that saves that one. */
export function followNames(
  tx: Db,
  become: Readonly<Record<string, Becomes>>,
  actor: string,
): void {
  const may = new Set(
    listTouchedJobs(tx, readGraph(tx).plant).flatMap((one) => (one.mayFollow ? [one.job] : [])),
  );
  for (const [jobId, answer] of Object.entries(become)) {
    if (answer !== 'follow' || !may.has(jobId)) continue;
    const done = carryOut(tx, {
      jobId,
      command: { kind: 'take-over-names' },
      expected: readState(tx, jobId).sequence,
      key: nanoid(),
      actor,
      signed: [actor],
    });
    // It was looked at in this very transaction.
    if (!done.ok) throw new ProgrammerFault(`${jobId} could not take over the ids`);
  }
}
