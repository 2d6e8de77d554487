import { desc, eq, and } from 'drizzle-orm';
import type { UnreadableJob } from '../core/watch';
import { tables, type Db } from '../db';
import { describeTrouble } from './trouble';

/** A job that cannot be read, in one sentence. */
export const describeLost = ({ title, why, permit }: UnreadableJob): string =>
  `${title}: this job cannot be read (${why}). ${
    permit ? `Permit ${permit.number} was last kept as ${permit.state}.` : 'It had no permit.'
  }`;

/** What lists and registers keep of a job, whose events or drawing say nothing that can be used. */
export function describeUnreadable(db: Db, id: string, error: unknown): UnreadableJob {
  const { jobRows, permitRows, holdings } = tables;
  const job = db.select().from(jobRows).where(eq(jobRows.id, id)).get();
  const permit = db
    .select()
    .from(permitRows)
    .where(eq(permitRows.job, id))
    .orderBy(desc(permitRows.issuedAt))
    .limit(1)
    .get();
  const people = db
    .select({ person: holdings.item })
    .from(holdings)
    .where(and(eq(holdings.job, id), eq(holdings.kind, 'person')))
    .all();
  return {
    id,
    title: job?.title ?? '',
    why: describeTrouble(error),
    ...(permit
      ? { permit: { number: permit.number, state: permit.state, until: permit.until } }
      : {}),
    people: people.map(({ person }) => person),
  };
}

/** Works on each job by itself: one that cannot be read or drawn stands apart, and takes no other with it. */
export function readEach<Row extends { readonly id: string }, Read>(
  db: Db,
  rows: readonly Row[],
  work: (row: Row) => Read,
): { readonly read: Read[]; readonly unreadable: UnreadableJob[] } {
  const read: Read[] = [];
  const unreadable: UnreadableJob[] = [];
  for (const row of rows) {
    try {
      read.push(work(row));
    } catch (error) {
      unreadable.push(describeUnreadable(db, row.id, error));
    }
  }
  return { read, unreadable };
}

/** Reads what a page shows of a job, or what is left of the job when it cannot be read. */
export async function readOrLost<Read>(
  db: Db,
  id: string,
  work: () => Read | Promise<Read>,
): Promise<
  | { readonly kind: 'read'; readonly value: Read }
  | { readonly kind: 'lost'; readonly job: UnreadableJob }
> {
  try {
    return { kind: 'read', value: await work() };
  } catch (error) {
    return { kind: 'lost', job: describeUnreadable(db, id, error) };
  }
}
