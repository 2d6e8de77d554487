import type { Db } from './open';

/**
 * A question that is asked over and over: built and prepared once for each database instead of at every asking. Within a transaction the same
 * statement sees what the transaction wrote, for it goes over the same connection.
 */
export function onceFor<Prepared>(prepare: (db: Db) => Prepared): (db: Db) => Prepared {
  const known = new WeakMap<Db['$client'], Prepared>();
  return (db) => {
    const before = known.get(db.$client);
    if (before !== undefined) return before;
    const made = prepare(db);
    known.set(db.$client, made);
    return made;
  };
}
