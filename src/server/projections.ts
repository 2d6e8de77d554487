import { eq } from 'drizzle-orm';
import {
  isHeld,
  isNumbered,
  listHanging,
  listOn,
  type Dossier,
  type DossierState,
} from '../core/job';
import { tables, type Db } from '../db';

export type HoldingKind = (typeof tables.holdings.$inferSelect)['kind'];

/** What a job holds: locks that hang, its box, people signed on, locks found unfit, owners to be told. */
export function listHoldings(jobId: string, dossier: Dossier) {
  const { isolation, permit } = dossier;
  const on = Object.keys(listOn(permit));
  const hold = (kind: HoldingKind, item: string) => ({ kind, item, job: jobId });
  const untold = Object.entries(dossier.absent).filter(([, { told }]) => !told);
  return [
    ...listHanging(dossier).map(({ lock }) => hold('lock', lock)),
    ...(isolation.box ? [hold('box', isolation.box.box)] : []),
    ...on.map((person) => hold('person', person)),
    ...Object.keys(isolation.unfit).map((lock) => hold('unfit', lock)),
    // One person may have to be told on several jobs.
    ...untold.map(([person]) => hold('untold', `${person}\n${jobId}`)),
  ];
}

function projectJob(tx: Db, jobId: string, dossier: Dossier): void {
  const { permit } = dossier;
  const row = {
    id: jobId,
    title: dossier.title,
    equipment: dossier.equipment,
    // Where an open job stands follows from the plant, the rules and the defects of today, not from its record alone.
    stage: dossier.kind === 'closed' ? 'closed' : 'open',
    raisedAt: dossier.raised.at,
    until: isHeld(permit) ? permit.until : null,
  };
  tx.insert(tables.jobRows)
    .values(row)
    .onConflictDoUpdate({ target: tables.jobRows.id, set: row })
    .run();
}

function projectHoldings(tx: Db, jobId: string, before: DossierState, dossier: Dossier): void {
  if (before && text(listHoldings(jobId, before)) === text(listHoldings(jobId, dossier))) return;
  tx.delete(tables.holdings).where(eq(tables.holdings.job, jobId)).run();
  const held = listHoldings(jobId, dossier);
  if (held.length > 0) tx.insert(tables.holdings).values(held).run();
}

function projectAsBuilt(tx: Db, jobId: string, before: DossierState, { plan }: Dossier): void {
  if (plan.kind !== 'accepted' || plan === before?.plan) return;
  for (const [point, { by, at }] of Object.entries(plan.labels)) {
    const seen = { point, job: jobId, actor: by, at };
    tx.insert(tables.asBuilt)
      .values(seen)
      .onConflictDoUpdate({ target: tables.asBuilt.point, set: seen })
      .run();
  }
}

/** Rows of the newest permit of a job: the one at hand, or the last that was closed with work left. */
export function listPermits(jobId: string, { permit, pastPermits, performer }: Dossier) {
  return [...pastPermits.slice(-1), permit].filter(isNumbered).map((one) => ({
    number: one.number,
    job: jobId,
    state: one.kind,
    papers: JSON.stringify(one.papers),
    performer,
    issuer: one.issuer,
    issuedAt: one.issuedAt,
    until: one.until,
    handedBackAt: isHeld(one) ? null : one.handedBack.at,
    closedAt: one.kind === 'closed' ? one.closed.at : null,
  }));
}

function projectPermits(tx: Db, jobId: string, before: DossierState, dossier: Dossier): void {
  if (before?.permit === dossier.permit) return;
  for (const row of listPermits(jobId, dossier)) {
    tx.insert(tables.permitRows)
      .values(row)
      .onConflictDoUpdate({ target: tables.permitRows.number, set: row })
      .run();
  }
}

function projectAudits(tx: Db, jobId: string, before: DossierState, { audits }: Dossier): void {
  if (before?.audits === audits) return;
  audits.forEach((audit, number) => {
    const row = { job: jobId, number, at: audit.at, document: JSON.stringify(audit) };
    tx.insert(tables.auditRows)
      .values(row)
      .onConflictDoUpdate({ target: [tables.auditRows.job, tables.auditRows.number], set: row })
      .run();
  });
}

/** What depends on the order of events among jobs: points found as drawn, and each permit that a job ever had. */
export function projectInOrder(
  tx: Db,
  jobId: string,
  before: DossierState,
  dossier: Dossier,
): void {
  projectAsBuilt(tx, jobId, before, dossier);
  projectPermits(tx, jobId, before, dossier);
}

/** How a job stands now: its row, what it holds, its checks, the work order it was raised from. */
export function projectStanding(
  tx: Db,
  jobId: string,
  before: DossierState,
  dossier: Dossier,
): void {
  projectJob(tx, jobId, dossier);
  projectHoldings(tx, jobId, before, dossier);
  projectAudits(tx, jobId, before, dossier);
  if (dossier.workOrder !== undefined && before === undefined) {
    tx.update(tables.workOrders)
      .set({ job: jobId })
      .where(eq(tables.workOrders.number, dossier.workOrder))
      .run();
  }
}

/** Rewrites what lists show of one job, as far as that differs from what it was `before`. */
export function project(tx: Db, jobId: string, before: DossierState, dossier: Dossier): void {
  projectInOrder(tx, jobId, before, dossier);
  projectStanding(tx, jobId, before, dossier);
}

const text = (rows: readonly object[]): string =>
  rows
    .map((row) => JSON.stringify(Object.entries(row).sort(([a], [b]) => (a < b ? -1 : 1))))
    .sort()
    .join('|');
