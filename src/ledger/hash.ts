import { createHash } from 'node:crypto';

/** What of an event is chained: everything but its own hash. */
export interface ChainedEvent {
  readonly id: number;
  readonly stream: string;
  readonly sequence: number;
  readonly type: string;
  readonly payload: string;
  readonly actor: string;
  readonly at: string;
  readonly policy: string;
  readonly previousHash: string;
}

/** The hash before the first event. */
export const FIRST_HASH = '0'.repeat(64);

/** SHA-256 over the fields in a fixed order, as JSON so that no field can run into the next. */
export function hashEvent(event: ChainedEvent): string {
  const { id, stream, sequence, type, payload, actor, at, policy, previousHash } = event;
  const text = JSON.stringify([
    id,
    stream,
    sequence,
    type,
    payload,
    actor,
    at,
    policy,
    previousHash,
  ]);
  return createHash('sha256').update(text).digest('hex');
}
