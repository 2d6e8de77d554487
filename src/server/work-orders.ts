import { desc, eq, inArray } from 'drizzle-orm';
import {
  checkOrders,
  MOST_ORDERS,
  type IncomingOrder,
  type OrderProblem,
} from '../core/work-orders';
import { tables, writeAlone, type Db } from '../db';
import { appendEvents, readLast } from '../ledger';
import { readNow } from './clock';
import { readSite } from './registers';

export const ORDER_STREAM = 'site/work-orders';

/** What became of an order that came in: new, the same as before, another than before, or another after a job was raised from it. */
export interface ReceivedOrder {
  readonly number: string;
  readonly became: 'new' | 'unchanged' | 'changed' | 'changed-after-raising';
  readonly job?: string;
}

export type OrdersReceived =
  | { readonly ok: true; readonly received: readonly ReceivedOrder[] }
  | { readonly ok: false; readonly problems: readonly OrderProblem[] };

interface Kept {
  readonly document: string;
  readonly job: string | null;
}

function compare(order: IncomingOrder, known: Kept | undefined): ReceivedOrder {
  const { number } = order;
  if (!known) return { number, became: 'new' };
  const job = known.job === null ? {} : { job: known.job };
  if (known.document === JSON.stringify(order)) return { number, became: 'unchanged', ...job };
  return { number, became: known.job === null ? 'changed' : 'changed-after-raising', ...job };
}

/** Takes work orders in, all or none. Sending the same again changes nothing. */
export function receiveOrders(
  db: Db,
  documents: readonly unknown[],
  from: { readonly source: string; readonly actor: string },
): OrdersReceived {
  return writeAlone(db, (tx) => {
    if (documents.length > MOST_ORDERS) {
      const says = `at most ${MOST_ORDERS} at once, these are ${documents.length}`;
      return { ok: false, problems: [{ row: 0, field: '(sheet)', says }] };
    }
    const checked = checkOrders(documents, readSite(tx));
    if (!checked.ok) return checked;
    const { orders } = checked;
    const { workOrders } = tables;
    const numbers = orders.map(({ number }) => number);
    const known = new Map(
      tx
        .select()
        .from(workOrders)
        .where(inArray(workOrders.number, numbers))
        .all()
        .map((row) => [row.number, row]),
    );
    const received = orders.map((order) => compare(order, known.get(order.number)));
    const fresh = orders.filter((_, n) => received[n]?.became !== 'unchanged');
    const at = readNow(tx);
    appendEvents(
      tx,
      ORDER_STREAM,
      readLast(tx, ORDER_STREAM)?.sequence ?? 0,
      fresh.map((order) => ({ kind: 'work-order-received', order, source: from.source })),
      { actor: from.actor, at, policy: 'none' },
    );
    for (const order of fresh) {
      const { number } = order;
      const row = { document: JSON.stringify(order), receivedAt: at, source: from.source };
      tx.insert(workOrders)
        .values({ number, ...row })
        .onConflictDoUpdate({ target: workOrders.number, set: row })
        .run();
    }
    return { ok: true, received };
  });
}

/** A work order as it came in last, and the job that was raised from it. */
export interface KeptOrder {
  readonly order: IncomingOrder;
  readonly receivedAt: string;
  readonly source: string;
  readonly job?: string;
}

type Row = typeof tables.workOrders.$inferSelect;

const toKept = ({ document, receivedAt, source, job }: Row): KeptOrder => ({
  order: JSON.parse(document) as IncomingOrder,
  receivedAt,
  source,
  ...(job === null ? {} : { job }),
});

/** Every work order, the newest first. */
export const listOrders = (db: Db): KeptOrder[] =>
  db
    .select()
    .from(tables.workOrders)
    .orderBy(desc(tables.workOrders.receivedAt), desc(tables.workOrders.number))
    .all()
    .map(toKept);

export function findOrder(db: Db, number: string): KeptOrder | undefined {
  const row = db.select().from(tables.workOrders).where(eq(tables.workOrders.number, number)).get();
  return row && toKept(row);
}
