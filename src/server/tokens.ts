import { createHash, randomBytes, timingSafeEqual } from 'node:crypto';
import { nanoid } from 'nanoid';
import { writeAlone, type Db } from '../db';
import { appendEvents, readStream } from '../ledger';
import { readNow } from './clock';

const STREAM = 'site/tokens';

/** What a token opens: reading everything, the calendar alone, bringing in work orders, sending readings of the device it is named for,
 * or reading how the server does. */
export const TOKEN_SCOPES = ['read', 'calendar', 'work-orders', 'readings', 'metrics'] as const;
export type TokenScope = (typeof TOKEN_SCOPES)[number];

type TokenEvent =
  | {
      readonly kind: 'token-made';
      readonly id: string;
      readonly name: string;
      readonly scope: TokenScope;
      readonly hash: string;
    }
  | { readonly kind: 'token-revoked'; readonly id: string };

/** A token as the site knows it: never its secret. */
export interface Token {
  readonly id: string;
  readonly name: string;
  readonly scope: TokenScope;
  readonly hash: string;
  readonly by: string;
  readonly at: string;
  readonly revokedAt?: string;
}

/** Every token that was made, oldest first. */
export function listTokens(db: Db): Token[] {
  const tokens = new Map<string, Token>();
  for (const { payload, actor, at } of readStream(db, STREAM)) {
    const event = payload as TokenEvent;
    const known = tokens.get(event.id);
    if (event.kind === 'token-made') {
      const { id, name, scope, hash } = event;
      tokens.set(id, { id, name, scope, hash, by: actor, at });
    } else if (known) {
      tokens.set(event.id, { ...known, revokedAt: at });
    }
  }
  return [...tokens.values()];
}

const hashOf = (secret: string): string => createHash('sha256').update(secret).digest('hex');

function append(db: Db, event: TokenEvent, actor: string): void {
  const { length } = readStream(db, STREAM);
  appendEvents(db, STREAM, length, [event], { actor, at: readNow(db), policy: 'none' });
}

/** Makes a token; its text is answered this once and kept nowhere. */
export function makeToken(
  db: Db,
  {
    name,
    scope,
    actor,
  }: { readonly name: string; readonly scope: TokenScope; readonly actor: string },
): { readonly id: string; readonly text: string } {
  const id = nanoid(8);
  const text = `lantern-${randomBytes(24).toString('hex')}`;
  writeAlone(db, (tx) =>
    append(tx, { kind: 'token-made', id, name, scope, hash: hashOf(text) }, actor),
  );
  return { id, text };
}

/** Ends a token; false when there is none, or it has ended. */
export const revokeToken = (db: Db, id: string, actor: string): boolean =>
  writeAlone(db, (tx) => {
    const token = listTokens(tx).find((one) => one.id === id);
    if (!token || token.revokedAt !== undefined) return false;
    append(tx, { kind: 'token-revoked', id }, actor);
    return true;
  });

/** The token that a text is, when it has not been revoked. */
export function findToken(db: Db, text: string): Token | undefined {
  const hash = Buffer.from(hashOf(text));
  return listTokens(db).find(
    (token) => token.revokedAt === undefined && timingSafeEqual(Buffer.from(token.hash), hash),
  );
}
