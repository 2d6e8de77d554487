import { nanoid } from 'nanoid';
import { findTouch, isAsked } from '../core/job';
import { buildGraph, type Plant } from '../core/plant';
import { ProgrammerFault } from '../core/result';
import { nameFew } from '../core/text';
import type { Db } from '../db';
import { readState } from './job-state';
import { carryOut } from './jobs';
import { surveyOpenJobs } from './open-jobs';
import { findNewestVersion, readGraph, type Becomes, type TouchedJob } from './plant';

/** Open jobs about which a plant asks, but for those of which it has been said what they become. */
export function listTouchedJobs(
  db: Db,
  plant: Plant,
  become: Readonly<Record<string, Becomes>> = {},
): TouchedJob[] {
  const graph = buildGraph(plant);
  const before = findNewestVersion(db) === 0 ? undefined : readGraph(db);
  return surveyOpenJobs(db).jobs.flatMap(({ id, dossier }) => {
    const touch = findTouch(dossier, graph);
    const answer = become[id];
    const isAnswered = answer === 'keep' || (answer === 'follow' && touch.mayFollow);
    if (isAnswered || !isAsked(touch, dossier, before)) return [];
    return [{ job: id, title: dossier.title, ...touch }];
  });
}

/** A job that a plant touches, in words. */
export function sayTouched({ job, title, gone, renamed }: TouchedJob): string {
  const are = gone.length === 1 ? 'is' : 'are';
  const lost = `${nameFew(gone, 8)} ${are} not on this plant (what only has another id is named under Old ids)`;
  const parts = [
    ...(gone.length > 0 ? [lost] : []),
    ...renamed.map(({ from, to }) => `${from} is called ${to} on it`),
  ];
  return `${job} ${title}: ${parts.join('; ')}`;
}

/** Has jobs take over the ids of the newest drawing. Call it in the transaction that saves that one. */
export function followNames(
  tx: Db,
  become: Readonly<Record<string, Becomes>>,
  actor: string,
): void {
  const graph = readGraph(tx);
  const may = new Set(
    surveyOpenJobs(tx).jobs.flatMap(({ id, dossier }) =>
      findTouch(dossier, graph).mayFollow ? [id] : [],
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
