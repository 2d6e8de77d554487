import { believe } from '../core/believed';
import {
  decideDefect,
  DEFECTS,
  findDevice,
  findEnd,
  GUARDING_ROLES,
  isCriticalDefect,
  isStanding,
  listDeviceNames,
  listFitting,
  listProvingRoles,
  listStanding,
  nameDefect,
  REPAIRING_ROLES,
  sortDefects,
  type Defect,
  type DefectCommand,
  type DefectLine,
  type ReportableDevice,
  type StoppedJob,
  type TouchedByDefect,
} from '../core/defects';
import { sayPrice } from '../core/defects/price';
import {
  drawnNow,
  gateCritical,
  findAtWork,
  gateDefects,
  listDefectsAt,
  siteOf,
} from '../core/job';
import { findAuthorisation, type Person, type Role } from '../core/people/people';
import { listPlanPoints } from '../core/plant';
import type { Db } from '../db';
import { doFor } from './beside/queue';
import { readChanges } from './changes-read';
import { readNow } from './clock';
import { DEFECTS_OF_SITE, readDefects } from './defects-read';
import { hasJob, readSiteFor } from './job-state';
import { readOpenJobs, type OpenJobRead } from './open-jobs';
import { hasPicture } from './photos';
import { readProblem } from './planning';
import { readNames, readSite } from './registers';
import { writeRecord, type RecordAnswer } from './site-record';
import { isFor, stopJobsOn } from './stop-jobs';
import { readEach } from './unreadable';

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
        hasJob: (id) => hasJob(tx, id),
        hasPicture: (digest) => hasPicture(tx, digest),
      }),
    after: (tx, before, event) => {
      if (event.kind !== 'defect-reported') return;
      const number = before.length + 1;
      reported = { number, stopped: stopJobsOn(tx, nameDefect(number), actor) };
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
  const mended = believe(
    site.sound ?? site.graph,
    {
      defects: standing.filter((one) => one.number !== number),
      changes: readChanges(db).record,
    },
    drawnNow(site).plant,
    problem.strengths,
  ).plant;
  return sayPrice(await doFor(who, { kind: 'price', question: { problem, mended } }));
}

/** What of the site a list of defects needs. */
export interface DefectsPage {
  readonly now: string;
  readonly standing: readonly DefectLine[];
  /** The newest of those that are mended, and how many there are. */
  readonly mended: readonly DefectLine[];
  readonly mendedCount: number;
  readonly names: Readonly<Record<string, string>>;
  readonly mayGuard: boolean;
  readonly mayRepair: boolean;
}

/** So many mended ones are listed. */
const MOST_MENDED = 50;

/** What a job has to do with defects, worked out once for all of them. */
function surveyJob(db: Db, job: OpenJobRead, now: string) {
  const { dossier, id } = job;
  const own = siteOf(job, readSiteFor(db, dossier));
  const points = dossier.plan.kind === 'none' ? [] : listPlanPoints(dossier.plan.plan);
  return {
    job: id,
    title: dossier.title,
    named: new Set(listDefectsAt(points, own).map(({ one }) => one.number)),
    refusals: [...gateDefects(dossier, own), ...gateCritical(dossier, own, now)],
    isAtWork: findAtWork(dossier, own),
  };
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
  const { read: surveyed } = readEach(db, record.some(isStanding) ? open : [], (job) =>
    surveyJob(db, job, now),
  );
  const touched = ({ number, device }: Defect): TouchedByDefect[] =>
    surveyed.flatMap(({ job, title, named, refusals, isAtWork }) => {
      const isHeld = refusals.some((one) => isFor(one, nameDefect(number)));
      return named.has(number) || isHeld || isAtWork(device) ? [{ job, title, isHeld }] : [];
    });
  const lines = record.map((defect): DefectLine => {
    const provers = listProvingRoles(site, defect.device);
    return {
      defect,
      name: nameDefect(defect.number),
      says: DEFECTS[defect.defect].label,
      means: DEFECTS[defect.defect].means,
      isCritical: isCriticalDefect(drawing, defect),
      isDrawn: findDevice(drawing, defect.device) !== undefined,
      isOver: Date.parse(findEnd(defect) ?? now) < Date.parse(now),
      jobs: isStanding(defect) ? touched(defect) : [],
      provers:
        defect.kind === 'repaired'
          ? people
              .filter((person) => person.id !== defect.repair.by && holds(person, provers))
              .map(({ id }) => id)
          : [],
    };
  });
  const standing = lines.filter(({ defect }) => isStanding(defect));
  const mended = lines.filter(({ defect }) => !isStanding(defect));
  return {
    now,
    standing: sortDefects(standing),
    mended: mended.slice(-MOST_MENDED).reverse(),
    mendedCount: mended.length,
    names: readNames(db),
    mayGuard: holds(me, GUARDING_ROLES),
    mayRepair: holds(me, REPAIRING_ROLES),
  };
}

/** Every device of the newest drawing, by id. */
export function listReportable(db: Db): ReportableDevice[] {
  const site = readSite(db);
  const drawing = drawnNow(site);
  const standing = listStanding(readDefects(db).record);
  const told = new Map(
    [...new Set(standing.map(({ device }) => device))].map((device) => [
      device,
      standing
        .filter((one) => one.device === device)
        .map(({ number, defect }) => `${nameDefect(number)}: ${DEFECTS[defect].label}`),
    ]),
  );
  return listDeviceNames(drawing.plant)
    .flatMap(([id, label]): ReportableDevice[] => {
      const device = findDevice(drawing, id);
      return device ? [{ id, label, fits: listFitting(device), known: told.get(id) ?? [] }] : [];
    })
    .sort((a, b) => (a.id < b.id ? -1 : 1));
}
