import type { Db } from '../db';
import { findHead } from '../ledger';

/** How far the ledger has come, as it stands on every paper: `lantern ledger verify --head` finds it again. */
export function describeHead(db: Db): string {
  const { events, hash } = findHead(db);
  return `ledger ${events} ${hash.slice(0, 16)}`;
}
