import { eq } from 'drizzle-orm';
import type { Dossier, JobEvent, SiteFacts } from '../core/job';
import { findAuthorisation, type Person } from '../core/people/people';
import { pointsOf, type Diagram, type PlantGraph } from '../core/plant';
import {
  checkProcedure,
  decideProcedure,
  findInspectionEnd,
  INSPECTING,
  isCarriedOut,
  isHolding,
  nameProcedure,
  newestOf,
  WRITING,
  type Procedure,
  type ProcedureCheck,
  type ProcedureCommand,
  type ProcedureText,
} from '../core/procedures';
import type { JobProcedures, OfferedProcedure } from '../core/procedures/offered';
import { tables, type Db } from '../db';
import type { StoredEvent } from '../ledger';
import { readNow } from './clock';
import { drawAround } from './diagram';
import { readJob, readSiteFor, readState } from './job-state';
import { hasPlantVersion, readGraph } from './plant';
import { PROCEDURES_OF_SITE, readProcedures } from './procedures-read';
import { readNames, readSite } from './registers';
import { writeRecord, type RecordAnswer } from './site-record';

const findDrawing = (db: Db, version: number): PlantGraph | undefined => {
  try {
    return hasPlantVersion(db, version) ? readGraph(db, version) : undefined;
  } catch {
    // A version that cannot be read says nothing of what has changed since.
    return undefined;
  }
};

/** What somebody does who works by a procedure. */
const USES: readonly JobEvent['kind'][] = ['point-locked', 'outlet-opened', 'proved'];

/** Who worked by a procedure in an event of a job: who did a step of it, or who signed on to its isolation. */
function findUser({ payload, actor }: StoredEvent): string[] {
  const event = payload as JobEvent;
  if (event.kind === 'signed-on') return [event.person];
  return USES.includes(event.kind) ? [actor] : [];
}

/** Who has worked by a procedure: those who locked, let down, proved or signed on at the jobs that took it over, and who led them. */
function listUsers(db: Db, { number, versions }: Procedure): string[] {
  const { equipment } = versions[0].text;
  const { jobRows } = tables;
  const jobs = db
    .select({ id: jobRows.id })
    .from(jobRows)
    .where(eq(jobRows.equipment, equipment))
    .all();
  const all = jobs.flatMap(({ id }) => {
    const { state, history } = readJob(db, id);
    const isUsed = state && state.plan.kind !== 'none' && state.plan.procedure?.number === number;
    const isSource = versions.some(({ job }) => job === id);
    if (!state || !(isUsed || isSource)) return [];
    return [state.performer, ...history.flatMap(findUser)];
  });
  return [...new Set(all)];
}

/** Carries out a command about procedures. */
export function carryOutProcedure(
  db: Db,
  given: {
    readonly command: ProcedureCommand;
    readonly actor: string;
    readonly signed: readonly string[];
  },
): RecordAnswer {
  const { command, actor, signed } = given;
  return writeRecord(db, PROCEDURES_OF_SITE, actor, {
    decide: (tx, { record }, now) =>
      decideProcedure(record, command, {
        actor,
        now,
        signed: new Set(signed),
        site: readSite(tx),
        findJob: (id) => {
          const { state: dossier } = readState(tx, id);
          return dossier && { dossier, site: readSiteFor(tx, dossier) };
        },
        findDrawing: (version) => findDrawing(tx, version),
        listUsers: (number) => {
          const one = record[number - 1];
          return one ? listUsers(tx, one) : [];
        },
      }),
  });
}

/** A procedure as a screen shows it: its newest version, how it stands on the plant of today, and by when it has to be inspected. */
export interface ProcedureLine {
  readonly procedure: Procedure;
  readonly name: string;
  readonly version: number;
  readonly equipment: string;
  readonly check: ProcedureCheck;
  readonly isHolding: boolean;
  readonly due: string;
  readonly isOverdue: boolean;
}

type Checked = Pick<SiteFacts, 'graph' | 'policy'> & { readonly check: ProcedureCheck };
const checked = new WeakMap<ProcedureText, Checked>();

/** How a version stands on the plant of today, worked out once for each drawing, its defects and the grades. */
function checkOnce(db: Db, text: ProcedureText, site: SiteFacts): ProcedureCheck {
  const { graph, policy } = site;
  const known = checked.get(text);
  if (known?.graph === graph && known.policy === policy) return known.check;
  const check = checkProcedure(text, site, findDrawing(db, text.plantVersion));
  checked.set(text, { graph, policy, check });
  return check;
}

function toLine(db: Db, procedure: Procedure, now: string): ProcedureLine {
  const site = readSite(db);
  const { version, text } = newestOf(procedure);
  const check = checkOnce(db, text, site);
  const due = findInspectionEnd(procedure, site.values['procedure-inspect-d']);
  return {
    procedure,
    name: nameProcedure(procedure.number),
    version,
    equipment: check.text.equipment,
    check,
    isHolding: isHolding(check),
    due,
    isOverdue: Date.parse(now) > Date.parse(due),
  };
}

/** The procedures that count, each as it stands today; of one machine alone where that is named. */
export function listProcedures(db: Db, equipment?: string): ProcedureLine[] {
  const now = readNow(db);
  return readProcedures(db)
    .record.filter(({ withdrawn }) => withdrawn === undefined)
    .map((one) => toLine(db, one, now))
    .filter((line) => equipment === undefined || line.equipment === equipment);
}

/** The procedures that count, as they are offered to whoever raises or plans a job; of one machine alone where that is named. */
export const offerProcedures = (db: Db, equipment?: string): OfferedProcedure[] =>
  listProcedures(db, equipment).map((line) => {
    const { procedure, name, version, isOverdue, isHolding: holdsNow, check } = line;
    const { number, task } = procedure;
    const { scope } = check.text;
    return {
      number,
      name,
      task,
      version,
      equipment: line.equipment,
      scope,
      isOverdue,
      isHolding: holdsNow,
    };
  });

/** The procedures of a job's machine for whoever may write its plan down; undefined where there is nothing to be written yet, or not by them. */
export function readJobProcedures(
  db: Db,
  job: string,
  dossier: Dossier,
  me: Person,
): JobProcedures | undefined {
  if (!isCarriedOut(dossier) || !holds(me, WRITING, readNow(db))) return undefined;
  const all = offerProcedures(db, dossier.equipment);
  const { record } = readProcedures(db);
  const mine = all.find(({ number }) =>
    record[number - 1]?.versions.some((version) => version.job === job),
  );
  return { ...(mine ? { mine } : {}), all };
}

const holds = (person: Person, roles: typeof INSPECTING, now: string): boolean =>
  roles.some((role) => findAuthorisation(person, role, now) === 'held');

/** What the list of procedures shows. */
export const readProceduresPage = (db: Db) => ({
  now: readNow(db),
  lines: listProcedures(db),
  withdrawn: readProcedures(db).record.filter(({ withdrawn }) => withdrawn !== undefined),
  names: readNames(db),
});

/** One procedure with its diagram and what may be done about it by whoever looks; undefined where there is none of that number. */
export async function readProcedurePage(db: Db, number: number, me: Person) {
  const procedure = readProcedures(db).record[number - 1];
  if (!procedure) return undefined;
  const now = readNow(db);
  const site = readSite(db);
  const line = toLine(db, procedure, now);
  const { plan, scope } = line.check.text;
  const has = (id: string) => site.graph.sectionAt.has(id);
  const vented = site.graph.outlets.flatMap(({ id, section }) =>
    plan.open.includes(id) ? [section] : [],
  );
  const drawing: Diagram = await drawAround(
    db,
    site.graph,
    {
      work: scope.work.map(({ section }) => section).filter(has),
      links: [...plan.close, ...pointsOf(plan, 'stand')].filter((id) => site.graph.linkAt.has(id)),
      sections: vented,
      opened: [],
    },
    me.id,
  );
  const users = listUsers(db, procedure);
  return {
    ...line,
    now,
    drawing,
    users,
    names: readNames(db),
    people: [...site.people.values()].map(({ id, name }) => ({ id, label: name })),
    mayWrite: holds(me, WRITING, now),
    mayInspect: holds(me, INSPECTING, now) && !users.includes(me.id),
  };
}
