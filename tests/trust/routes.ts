import { readdirSync } from 'node:fs';
import { join, relative } from 'node:path';
import type { Role } from '../../src/core/people/people';
import { TAG_PRINTERS } from '../../src/core/job';
import { EXPORT_READERS } from '../../src/server/exports';

/** A route of the server: what it is called, with which method, and who may call it without being signed in. */
interface Row {
  readonly method: 'GET' | 'POST' | 'DELETE';
  readonly path: string;
  /** What a stranger is answered. */
  readonly stranger: number;
  /** Who may call it of those who are signed in: a role, anybody, or a device with a token alone. */
  readonly may: readonly Role[] | 'anybody' | 'device';
}

/** A route for whoever is signed in, and what a stranger is answered. */
const row = (method: Row['method'], path: string, stranger = 401): Row => ({
  method,
  path,
  stranger,
  may: 'anybody',
});

/** A route for some roles alone. */
const only = (may: Row['may'], method: Row['method'], path: string): Row => ({
  ...row(method, path),
  may,
});
const MANAGER: readonly Role[] = ['site-manager'];
const COORDINATOR: readonly Role[] = ['coordinator'];
const KEEPERS: readonly Role[] = ['site-manager', 'coordinator'];

/** Every route by its file. A route that is new has to be put here: who may call it is no accident. */
export const ROUTES: Readonly<Record<string, readonly Row[]>> = {
  changes: [row('POST', '/api/changes')],
  clock: [only(COORDINATOR, 'POST', '/api/clock')],
  defects: [row('POST', '/api/defects')],
  'defects/price': [row('GET', '/api/defects/price?number=1&job=J-0001')],
  devices: [only(MANAGER, 'POST', '/api/devices')],
  handover: [row('POST', '/api/handover')],
  health: [row('GET', '/api/health', 200)],
  'jobs/[id]/air-log': [row('GET', '/api/jobs/J-0001/air-log')],
  'jobs/[id]/check': [row('POST', '/api/jobs/J-0001/check')],
  'jobs/[id]/commands': [row('POST', '/api/jobs/J-0001/commands')],
  'jobs/[id]/drawing': [row('POST', '/api/jobs/J-0001/drawing')],
  'jobs/[id]/explain': [row('POST', '/api/jobs/J-0001/explain')],
  'jobs/[id]/papers': [row('GET', '/api/jobs/J-0001/papers')],
  'jobs/[id]/problem': [row('GET', '/api/jobs/J-0001/problem')],
  'jobs/[id]/tags': [only(TAG_PRINTERS, 'GET', '/api/jobs/J-0001/tags')],
  'jobs/[id]/templates': [row('GET', '/api/jobs/J-0001/templates')],
  live: [row('GET', '/api/live')],
  people: [row('GET', '/api/people'), only(MANAGER, 'POST', '/api/people')],
  'people/badges': [only(MANAGER, 'GET', '/api/people/badges')],
  'people/code': [only(MANAGER, 'POST', '/api/people/code')],
  // Whoever has no PIN yet cannot be signed in; what is asked for is the code.
  'people/pin': [row('POST', '/api/people/pin', 400)],
  'people/sign-out': [only(MANAGER, 'POST', '/api/people/sign-out')],
  'people/sheet': [
    only(MANAGER, 'GET', '/api/people/sheet'),
    only(MANAGER, 'POST', '/api/people/sheet'),
  ],
  metrics: [only(MANAGER, 'GET', '/api/metrics')],
  photos: [row('POST', '/api/photos')],
  'photos/[digest]': [row('GET', '/api/photos/0')],
  'plant/area': [row('GET', '/api/plant/area?area=A-PMP')],
  'plant/around': [row('POST', '/api/plant/around')],
  'plant/ask': [row('GET', '/api/plant/ask?section=P201-CAS')],
  'plant/export': [row('GET', '/api/plant/export')],
  'plant/preview': [only(COORDINATOR, 'POST', '/api/plant/preview')],
  'plant/problem': [row('GET', '/api/plant/problem?section=P201-CAS')],
  'plant/versions': [only(COORDINATOR, 'POST', '/api/plant/versions')],
  procedures: [row('POST', '/api/procedures')],
  'registers/[name]': [
    row('GET', '/api/registers/locks'),
    only(KEEPERS, 'POST', '/api/registers/locks'),
  ],
  'registers/[name]/labels': [only(KEEPERS, 'GET', '/api/registers/locks/labels')],
  'registers/[name]/sheet': [only(KEEPERS, 'POST', '/api/registers/locks/sheet')],
  rules: [only(MANAGER, 'POST', '/api/rules')],
  'rules/effect': [only(MANAGER, 'POST', '/api/rules/effect')],
  'set-up': [row('POST', '/api/set-up', 400)],
  session: [row('POST', '/api/session', 400), row('DELETE', '/api/session', 200)],
  'stand-ins/[job]': [row('POST', '/api/stand-ins/J-0001')],
  'stand-ins/faults': [only(COORDINATOR, 'POST', '/api/stand-ins/faults')],
  'stand-ins/gas': [row('POST', '/api/stand-ins/gas')],
  tokens: [only(MANAGER, 'POST', '/api/tokens')],
  'v1/board': [row('GET', '/api/v1/board')],
  'v1/calendar': [row('GET', '/api/v1/calendar')],
  'v1/export/[what]': [only(EXPORT_READERS, 'GET', '/api/v1/export/events.json')],
  'v1/find': [row('GET', '/api/v1/find?q=x')],
  'v1/jobs/[id]': [row('GET', '/api/v1/jobs/J-0001')],
  'v1/openapi': [row('GET', '/api/v1/openapi', 200)],
  'v1/readings': [
    only('device', 'GET', '/api/v1/readings'),
    only('device', 'POST', '/api/v1/readings'),
  ],
  'v1/work-orders': [
    row('GET', '/api/v1/work-orders'),
    only(COORDINATOR, 'POST', '/api/v1/work-orders'),
  ],
  watch: [row('GET', '/api/watch')],
};

/** Routes that the application has, by their files. */
export function listRoutes(folder = join(process.cwd(), 'src', 'app', 'api')): string[] {
  return readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter(({ name }) => name === 'route.ts')
    .map(({ parentPath }) => relative(folder, parentPath))
    .sort();
}

/** Bodies that are nothing, each in its own way. */
export const NONSENSE: readonly string[] = [
  '',
  '{',
  '[]',
  'null',
  '"\\ud800"',
  '{"kind":"\\ud800"}',
  '['.repeat(100_000),
  '{"__proto__":{"admin":true}}',
  `{"command":{"kind":"explode"},"expected":0,"key":"12345678","signatures":[]}`,
  `{"x":"${'a'.repeat(300_000)}"}`,
  '{"expected":1e999,"hours":-1}',
  '\u0000',
];

export type Send = (
  method: string,
  path: string,
  more?: { readonly body?: string; readonly headers?: Readonly<Record<string, string>> },
) => Promise<{ readonly status: number; readonly text: string }>;

/** What the matrix of routes counted. */
export interface RouteCount {
  readonly requests: number;
  readonly wrong: readonly string[];
}

/**
 * Calls every route as a stranger, from a foreign page, with nonsense as whoever `send` is: a stranger is refused, a foreign page writes
 * nothing, nothing answers 5xx, and no answer shows how the server is built.
 */
export async function routeMatrix(stranger: Send, someone: Send): Promise<RouteCount> {
  const wrong: string[] = [];
  let requests = 0;
  const missing = listRoutes().filter((route) => !(route in ROUTES));
  wrong.push(...missing.map((route) => `${route} has no row`));
  const see = (
    what: string,
    { status, text }: { status: number; text: string },
    allowed: (status: number) => boolean,
  ) => {
    requests += 1;
    if (!allowed(status)) wrong.push(`${what}: ${status}`);
    if (/node_modules|at \w+ \(/.test(text)) wrong.push(`${what}: shows its inside`);
  };
  for (const { method, path, stranger: answer } of Object.values(ROUTES).flat()) {
    see(`${method} ${path} as a stranger`, await stranger(method, path, { body: method === 'GET' ? undefined : '{}' } as object), (status) => status === answer); // prettier-ignore
    if (method !== 'GET') {
      const foreign = { origin: 'http://elsewhere.example', 'sec-fetch-site': 'cross-site' };
      see(`${method} ${path} from elsewhere`, await someone(method, path, { body: '{}', headers: foreign }), (status) => status === 403); // prettier-ignore
      const half = { origin: 'null' };
      see(`${method} ${path} from nowhere`, await someone(method, path, { body: '{}', headers: half }), (status) => status === 403); // prettier-ignore
    }
    if (method !== 'POST') continue;
    for (const [n, body] of NONSENSE.entries())
      see(`${method} ${path} with nonsense ${n}`, await someone(method, path, { body }), (status) => status >= 400 && status < 500); // prettier-ignore
  }
  for (const path of [
    '/%',
    '/jobs/%E0%A4%A',
    '/api/v1/find?q=%00',
    '/find?q=%',
    '/api/jobs/%00/check',
  ])
    see(`GET ${path}`, await someone('GET', path), (status) => status === 400);
  return { requests, wrong };
}
