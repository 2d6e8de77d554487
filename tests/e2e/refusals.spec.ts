import { expect, test, type Page } from '@playwright/test';
import { DEFAULT_VALUES } from '../../src/core/rules/values';
import { actAs, codesOf, pinOf, sendCommand } from './desk';

const signIn = async (page: Page, person: string) => {
  const answer = await page.request.post('/api/session', { data: { person, pin: pinOf(person) } });
  expect(answer.ok()).toBe(true);
};
const DRAFT = { kind: 'draft-plan', origin: 'own', close: [], open: [], restrain: [] };

test('every route refuses strangers, wrong roles and nonsense', async ({ page }) => {
  for (const route of ['commands', 'check', 'explain', 'drawing']) {
    expect((await page.request.post(`/api/jobs/J-0001/${route}`, { data: {} })).status()).toBe(401);
  }
  for (const route of [
    '/api/jobs/J-0001/problem',
    '/api/jobs/J-0001/templates',
    '/api/jobs/J-0001/tags',
    '/api/jobs/J-0001/papers',
    '/api/photos/00',
    '/api/plant/area?area=A-PMP',
    '/api/plant/ask?section=P201-CAS',
    '/api/plant/export',
    '/api/plant/problem?section=P201-CAS',
    '/api/watch',
    '/api/people',
    '/api/people/badges',
    '/api/people/sheet',
    '/api/registers/locks',
    '/api/registers/locks/labels',
    '/api/defects/price?number=1&job=J-0001',
    '/api/live',
    '/api/metrics',
    '/api/v1/board',
    '/api/v1/calendar',
    '/api/v1/calendar?token=guess',
    '/api/v1/export/events.json',
    '/api/v1/find?q=x',
    '/api/v1/jobs/J-0001',
    '/api/v1/work-orders',
    '/api/jobs/J-0001/air-log',
    '/api/v1/readings',
  ]) {
    expect((await page.request.get(route)).status()).toBe(401);
  }
  for (const route of [
    '/api/photos',
    '/api/plant/around',
    '/api/plant/preview',
    '/api/plant/versions',
    '/api/people',
    '/api/devices',
    '/api/people/code',
    '/api/people/sign-out',
    '/api/people/sheet',
    '/api/registers/locks',
    '/api/registers/locks/sheet',
    '/api/rules',
    '/api/rules/effect',
    '/api/changes',
    '/api/defects',
    '/api/handover',
    '/api/procedures',
    '/api/tokens',
    '/api/v1/work-orders',
    '/api/v1/readings',
  ]) {
    expect((await page.request.post(route, { data: {} })).status()).toBe(401);
  }
  for (const route of ['faults', 'gas', 'J-0001']) {
    expect((await page.request.post(`/api/stand-ins/${route}`, { data: {} })).status()).toBe(401);
  }
  for (const place of [
    '/locks',
    '/bypasses',
    '/watch',
    '/rules',
    '/people',
    '/registers',
    '/site',
    '/changes',
    '/defects',
    '/defects/report',
    '/handover',
    '/procedures',
    '/procedures/1',
    '/find',
    '/audits',
    '/outside',
    '/practice',
    '/kit',
    '/jobs/J-0001/field',
    '/jobs/J-0001/diagram',
  ]) {
    await page.goto(place);
    await expect(page).toHaveURL(/login/);
  }
  expect((await page.request.post('/api/clock', { data: { hours: 1 } })).status()).toBe(401);
  expect(
    (await page.request.post('/api/session', { data: { person: 'nobody', pin: '1' } })).status(),
  ).toBe(401);
  expect((await page.request.post('/api/session', { data: 'rubbish' })).status()).toBe(400);

  const guess = { headers: { authorization: 'Bearer guess' } };
  expect((await page.request.get('/api/v1/board', guess)).status()).toBe(401);
  expect((await page.request.post('/api/v1/readings', { ...guess, data: {} })).status()).toBe(401);
  expect((await page.request.get('/api/v1/openapi')).status()).toBe(200);

  await signIn(page, 'sol');
  // What the site keeps is not for everybody who is signed in.
  expect((await page.request.get('/api/v1/export/events.json')).status()).toBe(403);
  for (const [route, data] of [
    ['/api/tokens', { kind: 'make-token', name: 'x', scope: 'read', pin: pinOf('sol') }],
    ['/api/v1/work-orders', [{ number: '1', title: 'x', equipment: 'P-201' }]],
  ] as const) {
    expect((await page.request.post(route, { data })).status()).toBe(403);
  }
  for (const data of [{}, '{', { command: { kind: 'explode' }, expected: 0, signatures: [] }]) {
    expect((await page.request.post('/api/handover', { data })).status()).toBe(400);
    expect((await page.request.post('/api/defects', { data })).status()).toBe(400);
    expect((await page.request.post('/api/changes', { data })).status()).toBe(400);
    expect((await page.request.post('/api/procedures', { data })).status()).toBe(400);
  }
  const handOver = await page.request.post('/api/handover', {
    data: {
      command: { kind: 'hand-over-shift', incoming: 'ben', notes: '', promises: [] },
      expected: 0,
      digest: 'x',
      signatures: [],
    },
  });
  expect(handOver.status()).toBe(409);
  const repair = { kind: 'repair-defect', number: 1, done: 'nothing' };
  const mended = { data: { command: repair, signatures: [] } };
  expect((await page.request.post('/api/defects', mended)).status()).toBe(409);
  const allow = { command: { kind: 'allow-change', number: 1 }, signatures: [] };
  expect((await page.request.post('/api/changes', { data: allow })).status()).toBe(409);
  const write = { kind: 'write-procedure', job: 'J-0001', task: 'x', note: '' };
  const written = { data: { command: write, signatures: [] } };
  expect((await page.request.post('/api/procedures', written)).status()).toBe(409);
  for (const [query, status] of [
    ['', 400],
    ['?number=0&job=J-0001', 400],
    ['?number=x&job=J-0001', 400],
    ['?number=99&job=J-0001', 404],
  ] as const) {
    expect((await page.request.get(`/api/defects/price${query}`)).status()).toBe(status);
  }
  expect((await page.request.post('/api/clock', { data: { hours: 1 } })).status()).toBe(403);
  expect(await codesOf(await sendCommand(page, 'J-0001', DRAFT, 1))).toEqual(['role-missing']);
  for (const data of [
    {},
    { command: { kind: 'explode' }, expected: 0, key: '12345678', signatures: [] },
    '{',
    [1],
  ]) {
    const answer = await page.request.post('/api/jobs/J-0001/commands', { data });
    expect(answer.status()).toBe(400);
    expect(await answer.text()).not.toContain('node_modules');
  }
  expect(
    (await page.request.post('/api/jobs/J-0001/check', { data: { close: 'all' } })).status(),
  ).toBe(400);
  expect(
    (await page.request.post('/api/jobs/J-0001/explain', { data: { close: [1] } })).status(),
  ).toBe(400);
  for (const route of ['problem', 'templates']) {
    expect((await page.request.get(`/api/jobs/NONE/${route}`)).status()).toBe(404);
  }
  expect(
    (await page.request.post('/api/jobs/J-0001/drawing', { data: { close: 'all' } })).status(),
  ).toBe(400);
  for (const [path, status] of [
    ['ask?section=NONE', 404],
    ['ask?section=P201-CAS&activity=dance', 400],
    ['ask', 400],
    ['problem?section=NONE', 404],
    ['area?area=NONE', 404],
    ['ask?section=P201-CAS', 200],
    ['area?area=A-PMP', 200],
  ] as const) {
    expect((await page.request.get(`/api/plant/${path}`)).status()).toBe(status);
  }
  for (const [data, status] of [
    [{ section: 'NONE' }, 404],
    [{ section: ['P201-CAS'] }, 400],
    ['{', 400],
    [{ section: 'P201-CAS', opened: ['NONE'] }, 200],
  ] as const) {
    expect((await page.request.post('/api/plant/around', { data })).status()).toBe(status);
  }
  for (const [data, status] of [
    [Buffer.from('rubbish'), 400],
    [Buffer.alloc(1_000_001), 413],
  ] as const) {
    expect((await page.request.post('/api/photos', { data })).status()).toBe(status);
  }
  expect((await page.request.get('/api/photos/00')).status()).toBe(404);
  expect((await page.request.get('/api/jobs/J-0001/tags')).status()).toBe(403);
  await signIn(page, 'elif');
  expect((await page.request.get('/api/jobs/NONE/tags')).status()).toBe(404);
  for (const place of ['/api/jobs/J-0001/tags?point=%00', '/api/v1/find?q=%E0%A4%A', '/jobs/%'])
    expect((await page.request.get(place)).status()).toBe(400);
  const early = await page.request.get('/api/jobs/J-0001/tags?point=NONE');
  expect([early.status(), await codesOf(early)]).toEqual([409, ['plan-not-reviewed']]);
  await signIn(page, 'sol');
  for (const [path, status] of [
    ['NONE/air-log', 404],
    ['J-0001/air-log?minutes=x', 422],
    ['J-0001/air-log?minutes=99999', 422],
    ['J-0001/air-log', 200],
    ['NONE/papers', 404],
    ['J-0001/papers?copy=x', 400],
    ['J-0001/papers?copy=0', 400],
    ['J-0001/papers', 200],
  ] as const) {
    expect((await page.request.get(`/api/jobs/${path}`)).status()).toBe(status);
  }
  for (const route of ['/api/rules', '/api/rules/effect']) {
    expect((await page.request.post(route, { data: {} })).status()).toBe(403);
  }
  await signIn(page, 'uma');
  const rules = { values: { ...DEFAULT_VALUES }, expected: 0, note: 'none', pin: pinOf('uma') };
  for (const [route, data, status] of [
    ['/api/rules/effect', { values: 'all' }, 422],
    ['/api/rules/effect', '{', 400],
    ['/api/rules', { ...rules, note: '' }, 400],
    ['/api/rules', { ...rules, pin: '0000' }, 403],
    ['/api/rules', { ...rules, expected: 99 }, 409],
    ['/api/rules', { ...rules, values: { ...DEFAULT_VALUES, 'tail-min': 1e9 } }, 422],
  ] as const) {
    expect((await page.request.post(route, { data })).status()).toBe(status);
  }
  await signIn(page, 'sol');
  for (const [query, status] of [
    ['version=99', 404],
    ['version=x', 404],
    ['format=exe', 400],
    ['format=zip', 200],
  ] as const) {
    expect((await page.request.get(`/api/plant/export?${query}`)).status()).toBe(status);
  }
  for (const route of ['/api/plant/preview', '/api/plant/versions']) {
    expect((await page.request.post(route, { data: {} })).status()).toBe(403);
  }
  const plugged = { fault: { kind: 'plugged', item: 'NONE' }, on: true };
  const standIn = (route: string, data: unknown) =>
    page.request.post(`/api/stand-ins/${route}`, { data });
  expect((await standIn('faults', plugged)).status()).toBe(403);
  for (const [job, ask, status] of [
    ['J-0001', { kind: 'explode' }, 400],
    ['J-0001', { kind: 'try-start', station: 'nowhere' }, 404],
    ['NONE', { kind: 'try-start', station: 'nowhere' }, 404],
    ['gas', { device: 'GD-5', scene: 'storm' }, 400],
    ['gas', { device: 'PG-T1', scene: 'calm' }, 404],
    ['gas', { device: 'GD-6', scene: 'calm' }, 422],
  ] as const) {
    expect((await standIn(job, ask)).status()).toBe(status);
  }
  await signIn(page, 'ada');
  expect((await standIn('faults', plugged)).status()).toBe(404);
  expect((await standIn('faults', { fault: 'all', on: true })).status()).toBe(400);
  expect((await page.request.post('/api/plant/preview', { data: 'rubbish' })).status()).toBe(422);
  const saving = { document: {}, expected: 1, note: 'none', pin: pinOf('ada') };
  for (const [more, status] of [
    [{ note: '' }, 400],
    [{ pin: '0000' }, 403],
    [{ expected: 'x' }, 400],
    [{}, 422],
  ] as const) {
    const answer = await page.request.post('/api/plant/versions', { data: { ...saving, ...more } });
    expect(answer.status()).toBe(status);
  }
  await signIn(page, 'sol');
  expect((await page.request.post('/api/clock', { data: { hours: -1 } })).status()).toBe(403);
});

test('people, registers, devices and set-up refuse wrong roles and nonsense', async ({ page }) => {
  const send = async (path: string, data: unknown) =>
    (await page.request.post(`/api/${path}`, { data })).status();
  const pim = { id: 'pim', name: 'Pim', employer: 'x', authorisations: [] };
  // The site is set up: nobody sets it up again, whatever code they have.
  const setUp = {
    code: 'AAAA-BBBB-CCCC',
    name: 'x',
    zone: 'UTC',
    shifts: ['06:00'],
    manager: { id: 'mallory', name: 'Mallory', employer: 'x' },
    until: '2099-01-01',
    evidence: 'x',
    pin: '123456',
  };
  expect(await send('set-up', setUp)).toBe(409);
  expect(await send('set-up', { ...setUp, until: 'soon' })).toBe(400);
  expect(await send('people/pin', { person: 'sol', code: 'AAAA', pin: '765432' })).toBe(403);
  expect(await send('people/pin', { person: 'nobody', code: 'AAAA', pin: '765432' })).toBe(403);

  await signIn(page, 'sol');
  const lock = { id: 'X-1', set: 'x', use: 'point' };
  for (const [path, data] of [
    ['people', { person: pim, expected: 0, pin: pinOf('sol') }],
    ['people/code', { person: 'kit', signatures: [] }],
    ['people/sheet', { text: 'id' }],
    ['people/sign-out', { pin: pinOf('sol') }],
    ['registers/locks', { put: [lock], remove: [], expected: 1, pin: pinOf('sol') }],
    ['registers/locks/sheet', { text: 'id' }],
    ['devices', { kind: 'enrol', device: { name: 'x', kind: 'desk' }, pin: pinOf('sol') }],
  ] as const)
    expect([path, await send(path, data)]).toEqual([path, 403]);
  expect((await page.request.get('/api/people/sheet')).status()).toBe(403);
  expect((await page.request.get('/api/registers/none')).status()).toBe(404);
  expect((await page.request.get('/api/registers/locks/labels')).status()).toBe(403);
  expect((await page.request.get('/api/registers/boxes')).status()).toBe(200);

  await signIn(page, 'uma');
  for (const [path, status] of [
    ['none/labels', 404],
    ['locks/labels?from=NONE', 404],
    ['locks/labels?from=P-02&to=P-01', 404],
    ['locks/labels', 200],
  ] as const)
    expect((await page.request.get(`/api/registers/${path}`)).status()).toBe(status);
  const pin = pinOf('uma');
  for (const [path, data, status] of [
    ['people', { person: pim, expected: 0, pin }, 409],
    ['people', { person: pim, expected: 0, pin: '000000' }, 403],
    ['people', { person: { ...pim, id: 'P im' }, expected: 0, pin }, 400],
    ['people', { person: { ...pim, pinHash: 'x' }, expected: 0, pin }, 400],
    ['people/code', { person: 'nobody', signatures: [{ person: 'uma', pin }] }, 404],
    // Whoever has a PIN gets another by two, and not by whose PIN it is.
    ['people/code', { person: 'kit', signatures: [{ person: 'uma', pin }] }, 403],
    [
      'people/code',
      {
        person: 'ada',
        signatures: [
          { person: 'uma', pin },
          { person: 'ada', pin: pinOf('ada') },
        ],
      },
      403,
    ],
    [
      'people/code',
      {
        person: 'kit',
        signatures: [
          { person: 'uma', pin },
          { person: 'sol', pin: pinOf('sol') },
        ],
      },
      403,
    ],
    ['people/sheet', { text: 'id,name\nx,y' }, 422],
    ['people/sheet', { text: 7 }, 400],
    ['people/sign-out', { person: '', pin }, 400],
    ['registers/none', { put: [], remove: [], expected: 1, pin }, 404],
    ['registers/locks', { put: [{ id: 'X-1' }], remove: [], expected: 1, pin }, 400],
    ['registers/locks', { put: [lock], remove: [], expected: 99, pin }, 409],
    ['registers/locks', { put: [], remove: ['X-9'], expected: 1, pin }, 422],
    ['registers/locks/sheet', { text: 'id,set,use\n=1,x,point' }, 422],
    ['devices', { kind: 'enrol', device: { name: '', kind: 'desk' }, pin }, 400],
    ['devices', { kind: 'end', id: 'none', pin }, 404],
  ] as const)
    expect([path, await send(path, data)]).toEqual([path, status]);
});

test('two people at once: the second is told what changed, and a command sent twice counts once', async ({
  browser,
}) => {
  const first = await (await browser.newContext()).newPage();
  const second = await (await browser.newContext()).newPage();
  await signIn(first, 'ada');
  await signIn(second, 'ben');
  await first.goto('/jobs/J-0004');
  // The second has not been told yet what the first does: otherwise the screen would show it.
  await second.route('**/api/live', (route) => route.abort());
  await second.goto('/jobs/J-0004');
  await first.getByRole('button', { name: 'Keep this plan' }).click();
  await expect(first.locator('[data-code="plan-stops"]').first()).toBeVisible();
  await second.getByRole('button', { name: 'Keep this plan' }).click();
  await expect(
    second.getByText(/The job changed meanwhile \(Ada Thornquist: plan-drafted\)/),
  ).toBeVisible();

  const data = { command: DRAFT, expected: 2, key: 'the-same-key', signatures: [] };
  const once = await first.request.post('/api/jobs/J-0004/commands', { data });
  const twice = await first.request.post('/api/jobs/J-0004/commands', { data });
  expect(await twice.json()).toEqual(await once.json());
});

test('a wrong PIN signs nothing, and five lock it', async ({ page }) => {
  await page.goto('/login');
  await signIn(page, 'quin');
  await actAs(page, 'quin');
  const tryPin = () =>
    page.request.post('/api/jobs/J-0003/commands', {
      data: {
        command: { kind: 'sign-on', person: 'rosa', lock: 'W-02' },
        expected: 1,
        key: 'pin-try-key',
        signatures: [{ person: 'rosa', pin: '0000' }],
      },
    });
  for (let turn = 0; turn < 5; turn++) expect((await tryPin()).status()).toBe(403);
  expect((await tryPin()).status()).toBe(429);
});

test('signing out ends the session on the server, a foreign page writes nothing, and pages run only their own', async ({
  page,
  playwright,
  baseURL,
}) => {
  await signIn(page, 'sol');
  const { cookies } = await page.context().storageState();
  const cookie = cookies.map(({ name, value }) => `${name}=${value}`).join('; ');
  const copy = await playwright.request.newContext({ baseURL, extraHTTPHeaders: { cookie } });
  expect((await copy.get('/api/watch')).status()).toBe(200);
  const foreign: readonly Record<string, string>[] = [
    { origin: 'http://elsewhere.example' },
    { origin: 'null' },
    { 'sec-fetch-site': 'cross-site' },
  ];
  for (const headers of foreign) {
    const sent = await copy.post('/api/jobs/J-0001/commands', { data: {}, headers });
    expect(sent.status()).toBe(403);
  }
  const login = await copy.get('/login');
  const policy = login.headers()['content-security-policy'] ?? '';
  expect(policy).toContain("frame-ancestors 'none'");
  expect(/script-src ([^;]*)/.exec(policy)?.[1]).not.toContain('unsafe-inline');
  expect(login.headers()).toMatchObject({
    'x-content-type-options': 'nosniff',
    'referrer-policy': 'same-origin',
  });
  expect((await page.request.delete('/api/session')).ok()).toBe(true);
  expect((await copy.get('/api/watch')).status()).toBe(401);
  await copy.dispose();
});
