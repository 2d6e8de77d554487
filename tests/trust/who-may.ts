import { ROLES, type Role } from '../../src/core/people/people';
import { ROUTES, type Send } from './routes';

/** What the table of routes by roles counted. */
export interface WhoMayCount {
  readonly asked: number;
  readonly wrong: readonly string[];
}

/** Signing out ends what is asked with. */
const ENDS = '/api/session';

/**
 * Asks every route as a stranger and as somebody who holds one role alone: a stranger is answered as the table says, whoever does not hold a role that the
 * route asks for is refused, whatever they send, and whoever does is not refused for their role.
 */
export async function whoMay(
  state: string,
  { stranger, as }: { readonly stranger: Send; readonly as: ReadonlyMap<Role, Send> },
): Promise<WhoMayCount> {
  const wrong: string[] = [];
  let asked = 0;
  const ask = async (who: string, send: Send, method: string, path: string) => {
    asked += 1;
    const { status } = await send(method, path, method === 'GET' ? {} : { body: '{}' });
    if (status >= 500) wrong.push(`${state}: ${method} ${path} as ${who}: ${status}`);
    return status;
  };
  for (const { method, path, stranger: expected, may } of Object.values(ROUTES).flat()) {
    const status = await ask('a stranger', stranger, method, path);
    if (status !== expected) wrong.push(`${state}: ${method} ${path} as a stranger: ${status}, not ${expected}`); // prettier-ignore
    if (path === ENDS) continue;
    for (const role of ROLES) {
      const send = as.get(role);
      if (!send) continue;
      const answered = await ask(role, send, method, path);
      const isAllowed = may === 'anybody' || (may !== 'device' && may.includes(role));
      const isRefused = answered === 401 || answered === 403;
      if (isAllowed === isRefused) wrong.push(`${state}: ${method} ${path} as ${role}: ${answered}`); // prettier-ignore
    }
  }
  return { asked, wrong };
}
