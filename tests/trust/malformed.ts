import { pick, seeded } from './random';
import { NONSENSE, ROUTES, type Send } from './routes';

type Random = () => number;

const WORDS = ['kind', 'command', 'expected', 'key', 'signatures', 'person', 'pin', 'id', 'values', '__proto__', 'constructor', 'plant', 'rows', 'put', 'remove', 'people', 'change', 'name'] as const; // prettier-ignore
const TEXTS = ['', 'x', '../../etc/passwd', '\u0000', '\ud800', "' or 1=1 --", '<script>1</script>', '-1', '9'.repeat(400), 'NaN', '2026-13-45T99:99:99Z', 'J-0001', 'P-201', 'draft-plan', 'raise-job', '💥'.repeat(50)] as const; // prettier-ignore
const NUMBERS = ['0', '-0', '1e309', '-1', '0.1', '9007199254740993', '1e-320', '-9e99'] as const;

/** Something that is JSON, or nearly, and means nothing. */
function makeValue(random: Random, depth: number): string {
  const kind = Math.floor(random() * (depth > 5 ? 4 : 7));
  switch (kind) {
    case 0:
      return JSON.stringify(pick(random, TEXTS));
    case 1:
      return pick(random, NUMBERS);
    case 2:
      return pick(random, ['true', 'false', 'null']);
    case 3:
      return random() < 0.1 ? pick(random, ['', ',', '}', 'undefined', '"']) : '[]';
    case 4:
      return `[${Array.from({ length: Math.floor(random() * 4) }, () => makeValue(random, depth + 1)).join(',')}]`;
    default:
      return `{${Array.from({ length: Math.floor(random() * 5) }, () => `${JSON.stringify(pick(random, WORDS))}:${makeValue(random, depth + 1)}`).join(',')}}`;
  }
}

/** An address with a hole or two in it. */
function bend(random: Random, path: string): string {
  const others = ['%', '%00', '%E0%A4%A', '..%2f..%2f', 'x'.repeat(3000), '%F0%9F%92%A5', '?', '&&=&', '?q[]=1&q[]=2', '//']; // prettier-ignore
  const roll = random();
  if (roll < 0.5) return path;
  if (roll < 0.75) return path.replace(/[^/?]+$/, pick(random, others));
  return `${path}${path.includes('?') ? '&' : '?'}${pick(random, WORDS)}=${pick(random, others)}`;
}

/** What thousands of malformed requests came to. */
export interface MalformedCount {
  readonly requests: number;
  /** How often each status was answered. */
  readonly statuses: Readonly<Record<string, number>>;
  readonly wrong: readonly string[];
}

const METHODS = ['GET', 'POST', 'POST', 'POST', 'PUT', 'PATCH', 'DELETE', 'HEAD', 'OPTIONS'];
/** How many are on their way at once. */
const AT_ONCE = 8;

/** Sends malformed requests to every route, each as one of `senders`: no answer is a fault of the server, and none shows how it is built. */
export async function malformedRounds(
  senders: readonly Send[],
  requests: number,
  seed: number,
): Promise<MalformedCount> {
  const random = seeded(seed);
  const rows = Object.values(ROUTES).flat();
  const statuses: Record<string, number> = {};
  const wrong: string[] = [];
  let sent = 0;
  const next = () => {
    const { path } = pick(random, rows);
    const method = pick(random, METHODS);
    // Signing out is well-formed whatever is sent with it.
    if (method === 'DELETE' && path === '/api/session') return undefined;
    const body = random() < 0.3 ? pick(random, NONSENSE) : makeValue(random, 0);
    const type = pick(random, ['application/json', 'text/plain', 'application/octet-stream', 'multipart/form-data', '']); // prettier-ignore
    return { method, path: bend(random, path), body, type, send: pick(random, senders) };
  };
  const work = async () => {
    while (sent < requests) {
      const one = next();
      if (!one) continue;
      sent += 1;
      const { method, path, body, type, send } = one;
      const isBare = method === 'GET' || method === 'HEAD' || method === 'OPTIONS';
      const more = isBare ? {} : { body, headers: { 'content-type': type } };
      const { status, text } = await send(method, encodeURI(path).replaceAll('%25', '%'), more);
      statuses[status] = (statuses[status] ?? 0) + 1;
      const what = `${method} ${path.slice(0, 120)} with ${body.slice(0, 120)}`;
      if (status >= 500 || status === 0) wrong.push(`${what}: ${status}`);
      if (/node_modules|at \w+ \(/.test(text)) wrong.push(`${what}: shows its inside`);
    }
  };
  await Promise.all(Array.from({ length: AT_ONCE }, work));
  return { requests: sent, statuses, wrong };
}
