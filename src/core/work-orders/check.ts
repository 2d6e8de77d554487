import type { Person } from '../people/people';
import type { PlantGraph } from '../plant';
import { workOrderSchema, type IncomingOrder, type OrderProblem } from './schema';

interface Site {
  readonly graph: PlantGraph;
  readonly people: ReadonlyMap<string, Person>;
}

/** What an order names that the site does not have, or that cannot be. */
function checkOrder(order: IncomingOrder, { graph, people }: Site): Omit<OrderProblem, 'row'>[] {
  const { equipment, work, performer, wantedFrom, wantedUntil } = order;
  const isKnown = graph.plant.equipment.some((one) => one.id === equipment);
  const isBackward =
    wantedFrom !== undefined &&
    wantedUntil !== undefined &&
    Date.parse(wantedFrom) >= Date.parse(wantedUntil);
  const leads = performer === undefined ? undefined : people.get(performer);
  const mayLead = leads?.authorisations.some(({ role }) => role === 'performing-authority');
  return [
    ...(isKnown ? [] : [{ field: 'equipment', says: `${equipment} is not on the drawing` }]),
    ...work
      .filter(({ section }) => !graph.sectionAt.has(section))
      .map(({ section }) => ({ field: 'work', says: `there is no section ${section}` })),
    ...(isBackward
      ? [{ field: 'wantedUntil', says: `${wantedUntil} is not after ${wantedFrom}` }]
      : []),
    ...(performer !== undefined && !mayLead
      ? [{ field: 'performer', says: `${performer} is no performing authority` }]
      : []),
  ];
}

export type OrdersChecked =
  | { readonly ok: true; readonly orders: readonly IncomingOrder[] }
  | { readonly ok: false; readonly problems: readonly OrderProblem[] };

/** Checks orders one by one; all are fit or none is taken. */
export function checkOrders(documents: readonly unknown[], site: Site): OrdersChecked {
  const numbers = new Map<string, number>();
  const problems: OrderProblem[] = [];
  const orders: IncomingOrder[] = [];
  documents.forEach((document, index) => {
    const row = index + 1;
    const read = workOrderSchema.safeParse(document);
    if (!read.success) {
      problems.push(
        ...read.error.issues.map(({ path, message }) => {
          return { row, field: path.join('.') || '(order)', says: message };
        }),
      );
      return;
    }
    const order = read.data;
    const twin = numbers.get(order.number);
    numbers.set(order.number, row);
    if (twin !== undefined) {
      problems.push({ row, field: 'number', says: `${order.number} stands in row ${twin} too` });
    }
    problems.push(...checkOrder(order, site).map((problem) => ({ row, ...problem })));
    orders.push(order);
  });
  return problems.length > 0 ? { ok: false, problems } : { ok: true, orders };
}
