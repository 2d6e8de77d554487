import { asc, sql } from 'drizzle-orm';
import { computeFigures, type AuditEntry, type AuditFigures } from '../core/audit';
import type { Audit } from '../core/job';
import { tables, type Db } from '../db';

/** Every check of a live permit at the place, oldest first within its job. */
export const listAudits = (db: Db): AuditEntry[] =>
  db
    .select()
    .from(tables.auditRows)
    .orderBy(asc(tables.auditRows.job), asc(tables.auditRows.number))
    .all()
    .map(({ job, document }) => ({ job, ...(JSON.parse(document) as Audit) }));

/** Checks by month beside the permits issued, and what differed most. */
export function readAuditFigures(db: Db): AuditFigures {
  const month = sql<string>`substr(${tables.permitRows.issuedAt}, 1, 7)`;
  const issued = db
    .select({ month, count: sql<number>`count(*)` })
    .from(tables.permitRows)
    .groupBy(month)
    .all();
  return computeFigures(
    listAudits(db),
    Object.fromEntries(issued.map(({ month: one, count }) => [one, count])),
  );
}
