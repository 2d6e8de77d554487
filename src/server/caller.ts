import { ROLE_NAMES, type Role } from '../core/people/people';
import type { Db } from '../db';
import { respondError } from './respond';
import { findMe, holdsNow } from './session';
import { findToken, type Token, type TokenScope } from './tokens';

export type Caller =
  | { readonly ok: true; readonly actor: string; readonly source: string }
  | { readonly ok: false; readonly response: Response };

const BEARER = /^Bearer (\S{1,200})$/;

/** The token text of a request: in its header, or, for calendars that can send no header, in its address. */
function readTokenText(request: Request, scope: TokenScope): string | undefined {
  const header = request.headers.get('authorization');
  if (header !== null) return BEARER.exec(header)?.[1] ?? '';
  return scope === 'calendar'
    ? (new URL(request.url).searchParams.get('token') ?? undefined)
    : undefined;
}

/** A token of the request with the scope; or the response that refuses it. */
function readToken(
  db: Db,
  text: string,
  scope: TokenScope,
): { ok: true; token: Token } | { ok: false; response: Response } {
  const token = findToken(db, text);
  if (!token) return { ok: false, response: respondError(401, 'The token is not known.') };
  if (token.scope !== scope) {
    const error = `The token opens “${token.scope}”, not “${scope}”.`;
    return { ok: false, response: respondError(403, error) };
  }
  return { ok: true, token };
}

/** The device that calls: its token is named for it. People have no say here, whatever they are. */
export function findDevice(
  db: Db,
  request: Request,
):
  | { readonly ok: true; readonly device: string }
  | { readonly ok: false; readonly response: Response } {
  const text = readTokenText(request, 'readings');
  if (text === undefined) {
    return { ok: false, response: respondError(401, 'Send the token of the device.') };
  }
  const found = readToken(db, text, 'readings');
  return found.ok ? { ok: true, device: found.token.name } : found;
}

/** Who calls from outside: a token with the scope, or a person who is signed in and holds one of the roles, if any are asked for. */
export async function findCaller(
  db: Db,
  request: Request,
  scope: TokenScope,
  roles?: readonly Role[],
): Promise<Caller> {
  const text = readTokenText(request, scope);
  if (text !== undefined) {
    const found = readToken(db, text, scope);
    if (!found.ok) return found;
    const { id, name } = found.token;
    return { ok: true, actor: `token/${id}`, source: name };
  }
  const me = await findMe();
  if (!me) return { ok: false, response: respondError(401, 'Sign in, or send a token.') };
  if (roles && !holdsNow(me, roles)) {
    const asked = roles.map((role) => ROLE_NAMES[role]).join(' or ');
    return {
      ok: false,
      response: respondError(403, `Only a ${asked}, in force now, may do this.`),
    };
  }
  return { ok: true, actor: me.id, source: me.name };
}
