import { eq } from 'drizzle-orm';
import { nanoid } from 'nanoid';
import {
  applyDefects,
  decideDefect,
  DEFECTS,
  drawnNow,
  findDevice,
  GUARDING_ROLES,
  isSafetyCritical,
  isStanding,
  listFitting,
  listProvingRoles,
  listStanding,
  nameDefect,
  type Defect,
  sortDefects,
  type DefectCommand,
  type DefectLine,
  type ReportableDevice,
  type StoppedJob,
  type TouchedByDefect,
} from '../core/defects';
import { sayPrice } from '../core/defects/price';
import { gateCritical, gateDefects, isAtWork, listDefectsAt, listOn, siteOf } from '../core/job';
import { findAuthorisation, type Person, type Role } from '../core/people/people';
import { listPlanPoints } from '../core/plant';
import { tables, type Db } from '../db';
import { doFor } from './beside/queue';
import { readNow } from './clock';
import { DEFECTS_OF_SITE, readDefects } from './defects-read';
import { readSiteFor, readState } from './job-state';
import { carryOut } from './jobs';
import { readOpenJobs } from './open-jobs';
import { hasPicture } from './photos';
import { readProblem } from './planning';
import { readNames, readSite } from './registers';
import { writeRecord, type RecordAnswer } from './site-record';

/** Stops every live job whose isolation no longer holds by what was reported, in the name of whoever reported it. */
function stopWhatStands(tx: Db, number: number, actor: string): StoppedJob[] {
  return readOpenJobs(tx).flatMap(({ id, dossier }): StoppedJob[] => {
    const { permit, halt, title } = dossier;
    if (permit.kind !== 'issued' || halt) return [];
    if (gateDefects(dossier, readSiteFor(tx, dossier)).length === 0) return [];
    const reason = `${nameDefect(number)} was reported: the isolation may no longer hold`;
    const done = carryOut(tx, {
      jobId: id,
      command: { kind: 'stop-work', reason },
      expected: readState(tx, id).sequence,
      key: nanoid(),
      actor,
      signed: [actor],
    });
    // Should it not stop, nobody can sign on all the same, and it is at the head of the queue.
    return done.ok ? [{ job: id, title, on: Object.keys(listOn(permit)) }] : [];
  });
}

/** What became of a command; after a report, its number and the jobs that it stopped. */
export type DefectAnswer = RecordAnswer & {
  readonly number?: number;
  readonly stopped?: readonly StoppedJob[];
};

/** Carries out a command about defects. What was reported counts for every plan at once, and stops the jobs that stand on it. */
export function carryOutDefect(
  db: Db,
  given: {
    readonly command: DefectCommand;
    readonly actor: string;
    readonly signed: readonly string[];
  },
): DefectAnswer {
  const { command, actor, signed } = given;
  let reported: Pick<DefectAnswer, 'number' | 'stopped'> = {};
  const answer = writeRecord(db, DEFECTS_OF_SITE, actor, {
    decide: (tx, { record }, now) =>
      decideDefect(record, command, {
        actor,
        now,
        site: readSite(tx),
        signed: new Set(signed),
        hasJob: (id) =>
          tx
            .select({ id: tables.jobRows.id })
            .from(tables.jobRows)
            .where(eq(tables.jobRows.id, id))
            .get() !== undefined,
        hasPicture: (digest) => hasPicture(tx, digest),
      }),
    after: (tx, before, event) => {
      if (event.kind !== 'defect-reported') return;
      const number = before.length + 1;
      reported = { number, stopped: stopWhatStands(tx, number, actor) };
    },
  });
  return answer.ok ? { ...answer, ...reported } : answer;
}

/**
 * What a defect costs a job: its fewest points with the defect and as if it were mended, worked out beside the server. Undefined where there is no such
 * defect that counts, or no such job that is open.
 */
export async function readPrice(
  db: Db,
  { number, job }: { readonly number: number; readonly job: string },
  who: string,
): Promise<string | undefined> {
  const { record } = readDefects(db);
  const standing = listStanding(record);
  const asked = readOpenJobs(db).find(({ id }) => id === job);
  const problem = asked && readProblem(db, job);
  if (!problem || !asked || !standing.some((one) => one.number === number)) return undefined;
  const site = siteOf(asked, readSiteFor(db, asked.dossier));
  const { plant: worn, ...rest } = problem;
  const mended = applyDefects(
    site.sound ?? site.graph,
    standing.filter((one) => one.number !== number),
    drawnNow(site).plant,
    problem.strengths,
  ).plant;
  return sayPrice(await doFor(who, { kind: 'price', question: { ...rest, worn, mended } }));
}

/** What of the site a list of defects needs. */
export interface DefectsPage {
  readonly now: string;
  readonly standing: readonly DefectLine[];
  readonly mended: readonly DefectLine[];
  readonly names: Readonly<Record<string, string>>;
  readonly mayGuard: boolean;
}

/** Every defect, safety-critical ones first, then those that hold jobs up, then those at a job; then the oldest. Mended ones the newest first. */
export function readDefectsPage(db: Db, me: Person): DefectsPage {
  const now = readNow(db);
  const site = readSite(db);
  const { record } = readDefects(db);
  const open = readOpenJobs(db);
  const drawing = drawnNow(site);
  const people = [...site.people.values()];
  const holds = (person: Person, roles: readonly Role[]) =>
    roles.some((role) => findAuthorisation(person, role, now) === 'held');
  const touched = (one: Defect): TouchedByDefect[] =>
    open.flatMap((job) => {
      const own = siteOf(job, readSiteFor(db, job.dossier));
      const { plan, title } = job.dossier;
      const points = plan.kind === 'none' ? [] : listPlanPoints(plan.plan);
      const isNamed = listDefectsAt(points, own).some((at) => at.one.number === one.number);
      const refusals = [...gateDefects(job.dossier, own), ...gateCritical(job.dossier, own, now)];
      const isHeld = refusals.some(({ facts }) =>
        String(facts['name'] ?? facts['names'])
          .split(', ')
          .includes(nameDefect(one.number)),
      );
      const isOnWay = isAtWork(job.dossier, one.device, own);
      return isNamed || isHeld || isOnWay ? [{ job: job.id, title, isHeld, isOnWay }] : [];
    });
  const lines = record.map((defect): DefectLine => {
    const device = findDevice(drawing, defect.device);
    const provers = listProvingRoles(site, defect.device);
    const repairer = defect.kind === 'open' ? undefined : defect.repair.by;
    return {
      defect,
      name: nameDefect(defect.number),
      says: DEFECTS[defect.defect].label,
      means: DEFECTS[defect.defect].means,
      isCritical: device !== undefined && isSafetyCritical(device) && defect.defect !== 'label',
      isDrawn: device !== undefined,
      isOver: Date.parse(defect.guard?.until ?? defect.until ?? now) < Date.parse(now),
      jobs: isStanding(defect) ? touched(defect) : [],
      provers: people
        .filter((person) => person.id !== repairer && holds(person, provers))
        .map(({ id }) => id),
    };
  });
  const standing = lines.filter(({ defect }) => isStanding(defect));
  return {
    now,
    standing: sortDefects(standing),
    mended: lines.filter(({ defect }) => !isStanding(defect)).reverse(),
    names: readNames(db),
    mayGuard: holds(me, GUARDING_ROLES),
  };
}

/** Every device of the newest drawing, by id. */
export function listReportable(db: Db): ReportableDevice[] {
  const site = readSite(db);
  const drawing = drawnNow(site);
  const { links, outlets, gauges, equipment } = drawing.plant;
  const standing = listStanding(readDefects(db).record);
  const told = new Map(
    [...new Set(standing.map(({ device }) => device))].map((device) => [
      device,
      standing
        .filter((one) => one.device === device)
        .map(({ number, defect }) => `${nameDefect(number)}: ${DEFECTS[defect].label}`),
    ]),
  );
  const ids = [
    ...links.map(({ id, name, kind }) => [id, name ?? kind] as const),
    ...outlets.map(({ id, kind, section }) => [id, `${kind} on ${section}`] as const),
    ...gauges.map(({ id, reads, section }) => [id, `${reads} gauge on ${section}`] as const),
    ...equipment.map(({ id, name }) => [id, name] as const),
  ];
  return ids
    .flatMap(([id, words]): ReportableDevice[] => {
      const device = findDevice(drawing, id);
      return device
        ? [{ id, label: `${id}, ${words}`, fits: listFitting(device), known: told.get(id) ?? [] }]
        : [];
    })
    .sort((a, b) => (a.id < b.id ? -1 : 1));
}
