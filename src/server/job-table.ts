import { nameAreasOf } from '../core/plant/areas';
import { findAuthorisation, ROLES, type Person } from '../core/people/people';
import { pickNext, rankStage, sayStage, type JobRow, type NextUp } from '../core/watch';
import type { Db } from '../db';
import { readNow } from './clock';
import { listNewest } from './jobs';
import { readOpenJobs } from './open-jobs';
import { readSite } from './registers';
import { readBoard, readStages } from './watch';

/** The jobs as somebody sees them: every open one and the newest closed, with what is to be done next and whose it is. */
export function readJobTable(db: Db, me: Person): JobRow[] {
  const now = readNow(db);
  const site = readSite(db);
  const areaOf = nameAreasOf(site.graph.plant);
  const performers = new Map(readOpenJobs(db).map(({ id, dossier }) => [id, dossier.performer]));
  const mine = new Set(ROLES.filter((role) => findAuthorisation(me, role, now) === 'held'));
  const { queue } = readBoard(db);
  const stages = readStages(db);
  const nextOf = new Map<string, NextUp[]>();
  for (const one of queue) nextOf.set(one.job, [...(nextOf.get(one.job) ?? []), one]);
  const rank = ({ id, stage }: { readonly id: string; readonly stage: string }) =>
    nextOf.get(id)?.some(({ urgency }) => urgency === 'now') ? -1 : rankStage(stage);
  return listNewest(db)
    .map((row) => ({ ...row, stage: stages.get(row.id) ?? row.stage }))
    .sort((a, b) => rank(a) - rank(b))
    .map(({ id, title, equipment, stage, permit, until }) => {
      const performer = performers.get(id) ?? '';
      const next = pickNext(nextOf.get(id) ?? []);
      return {
        id,
        title,
        equipment,
        area: areaOf.get(equipment) ?? '',
        employer: site.people.get(performer)?.employer ?? '',
        stands: sayStage(stage, permit),
        ...(until === null ? {} : { until }),
        ...(next ? { next } : {}),
        isMine: performer === me.id || (next !== undefined && mine.has(next.role)),
        isClosed: stage === 'closed',
        isAtHatch: stage === 'permit' || stage === 'work',
      };
    });
}
