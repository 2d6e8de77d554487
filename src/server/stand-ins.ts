import { eq } from 'drizzle-orm';
import { z } from 'zod';
import { findWorkOrder } from '../core/job';
import { emptyOut, listEmptied } from '../core/plant';
import { tables, type Db } from '../db';
import {
  type askSchema,
  faultSchema,
  lookAt,
  openCabinet,
  readPositions,
  readProof,
  takeFirst,
  tryStart,
  type AsIs,
  type Fault,
  type SimAnswer,
} from '../sim';
import { readNow } from './clock';
import { readJob, readSiteFor } from './job-state';
import { listHeld } from './jobs';
import { readOpenJobs } from './open-jobs';
import { saveRegister } from './registers';

const REGISTER = 'stand-in-faults';

/** What is wrong with the stand-in plant, as whoever leads the practice has set it. */
export function readFaults(db: Db): Fault[] {
  const row = db.select().from(tables.registers).where(eq(tables.registers.name, REGISTER)).get();
  return row ? z.array(faultSchema).parse(JSON.parse(row.document)) : [];
}

const isSameFault = (a: Fault, b: Fault): boolean =>
  a.kind === b.kind &&
  a.item === b.item &&
  (a.kind !== 'stuck-blade' || b.kind !== 'stuck-blade' || a.conductor === b.conductor);

export const faultChangeSchema = z.strictObject({ fault: faultSchema, on: z.boolean() });

/** Puts a fault in, or takes it out again; answers all that are in. Undefined when the plant has no such item. */
export function changeFault(
  db: Db,
  { fault, on }: z.infer<typeof faultChangeSchema>,
  actor?: string,
): Fault[] | undefined {
  const { graph, instruments, locks } = readSiteFor(db, undefined);
  const known = {
    passing: graph.linkAt,
    'stuck-blade': graph.linkAt,
    plugged: graph.outletAt,
    'dead-tester': instruments,
    'key-gone': locks,
    'mute-detector': instruments,
  }[fault.kind];
  if (!known.has(fault.item)) return undefined;
  const others = readFaults(db).filter((one) => !isSameFault(one, fault));
  const all = on ? [...others, fault] : others;
  saveRegister(db, REGISTER, all, actor);
  return all;
}

function lookNow(db: Db, graph: AsIs['graph']): AsIs {
  const jobs = readOpenJobs(db).map(({ dossier }) => dossier);
  const empty = jobs
    .filter(({ isolation, restoring }) => isolation.stopped && !restoring)
    .flatMap(({ scope }) => listEmptied(graph, scope));
  const positions = readPositions(jobs.map(({ isolation }) => isolation));
  return lookAt(emptyOut(graph, empty), positions, readFaults(db), Date.parse(readNow(db)));
}

/**
 * Asks the stand-ins: the plant, a tester, the key cabinet. Only for practice: nothing that they say is kept, a person enters it.
 * Undefined when there is no such job.
 */
export function askStandIns(
  db: Db,
  jobId: string,
  ask: z.infer<typeof askSchema>,
): SimAnswer | undefined {
  const { state } = readJob(db, jobId);
  if (!state) return undefined;
  const site = readSiteFor(db, state);
  switch (ask.kind) {
    case 'proof': {
      const demand = findWorkOrder(state, site)?.proofs.find((one) => one.id === ask.proof);
      if (!demand) return { kind: 'unknown', what: ask.proof };
      return { kind: 'proof', ...readProof(lookNow(db, site.graph), demand, ask) };
    }
    case 'try-start': {
      const isKnown = findWorkOrder(state, site)?.stations.includes(ask.station);
      if (!isKnown) return { kind: 'unknown', what: ask.station };
      return { kind: 'try-start', moved: tryStart(lookNow(db, site.graph), ask.station) };
    }
    case 'take-lock': {
      const held = listHeld(db);
      const isHung = (lock: string) => held.has(lock);
      const slots = openCabinet(site.locks.values(), ask.use, isHung, readFaults(db));
      return { kind: 'take-lock', lock: takeFirst(slots, ask.prefix) };
    }
  }
}
