import { findAuthorisation, type Role } from '../core/people/people';
import type { Db } from '../db';
import { readNow } from './clock';
import { respondError } from './respond';
import { findMe } from './session';
import { findToken, type TokenScope } from './tokens';

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

/** Who calls from outside: a token with the scope, or a person who is signed in and holds the role, if one is asked for. */
export async function findCaller(
  db: Db,
  request: Request,
  scope: TokenScope,
  role?: Role,
): Promise<Caller> {
  const text = readTokenText(request, scope);
  if (text !== undefined) {
    const token = findToken(db, text);
    if (!token) return { ok: false, response: respondError(401, 'The token is not known.') };
    if (token.scope !== scope) {
      const error = `The token opens “${token.scope}”, not “${scope}”.`;
      return { ok: false, response: respondError(403, error) };
    }
    return { ok: true, actor: `token/${token.id}`, source: token.name };
  }
  const me = await findMe();
  if (!me) return { ok: false, response: respondError(401, 'Sign in, or send a token.') };
  if (role !== undefined && findAuthorisation(me, role, readNow(db)) !== 'held') {
    return { ok: false, response: respondError(403, `Only a ${role} may do this.`) };
  }
  return { ok: true, actor: me.id, source: me.name };
}
