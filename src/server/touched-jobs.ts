import { nanoid } from 'nanoid';
import { findNames, whyTied, type Dossier } from '../core/job';
import { buildGraph, type Plant, type PlantGraph } from '../core/plant';
import { ProgrammerFault } from '../core/result';
import { nameFew } from '../core/text';
import type { Db } from '../db';
import { readState } from './job-state';
import { carryOut } from './jobs';
import { surveyOpenJobs } from './open-jobs';
import { findNewestVersion, readGraph, type Becomes, type TouchedJob } from './plant';

/** What a job names that a drawing does not have under that id, and whether it may go on under the new ones. */
function lookFor(dossier: Dossier, graph: PlantGraph) {
  const names = findNames(dossier, graph);
  const isFree = whyTied(dossier) === undefined;
  return { ...names, mayFollow: isFree && names.gone.length === 0 && names.renamed.length > 0 };
}

/**
 * Open jobs that name what a plant does not have under that id, but for those of which it has been said what they become, and those about which it was asked
 * when an earlier version was saved. Who is tied to the drawing that they were planned on and only has old ids is not touched: the new ones are known for the
 * old there.
 */
export function listTouchedJobs(
  db: Db,
  plant: Plant,
  become: Readonly<Record<string, Becomes>> = {},
): TouchedJob[] {
  const graph = buildGraph(plant);
  const before = findNewestVersion(db) === 0 ? undefined : readGraph(db);
  return surveyOpenJobs(db).jobs.flatMap(({ id, dossier }) => {
    const { gone, renamed, mayFollow } = lookFor(dossier, graph);
    const known = before && findNames(dossier, before);
    const isGone = gone.some((one) => !known?.gone.includes(one));
    const isRenamed = renamed.some(({ from }) => !known?.renamed.some((one) => one.from === from));
    const answer = become[id];
    const isAnswered = answer === 'keep' || (answer === 'follow' && mayFollow);
    if (isAnswered || !(isGone || (mayFollow && isRenamed))) return [];
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
  const graph = readGraph(tx);
  const may = new Set(
    surveyOpenJobs(tx).jobs.flatMap(({ id, dossier }) =>
      lookFor(dossier, graph).mayFollow ? [id] : [],
    ),
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
