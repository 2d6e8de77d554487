import { expect, test } from '@playwright/test';
import { stepsToWalkDown, withLocks } from '../support/any-job';
import {
  carryOut,
  fieldSteps,
  fieldStepsOf,
  PERMIT,
  permitSteps,
  USABLE,
  type Step,
} from '../support/seal-change';
import {
  actAs,
  ask,
  carryOutOn,
  codesOf,
  expectLight,
  expectNoBarriers,
  open,
  pinOf,
  sendCommand,
  shoot,
  showTab,
  sign,
  pick,
} from './desk';

const SHEET = [
  'number,title,equipment,work,hours,performer',
  '4711,Grease the coupling,P-202,P202-SH touch,2,jun',
  '4712,Look at the belt,X-9,,,',
].join('\n');

test('work orders come in by sheet and by token, are raised, found and read out again', async ({
  page,
  playwright,
  baseURL,
}) => {
  await open(page, 'ada', '/outside');
  const bring = async (text: string) =>
    page.getByLabel('Sheet (CSV)').setInputFiles({
      name: 'orders.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from(text),
    });
  await bring(SHEET);
  await expect(page.getByText('row 2, equipment: X-9 is not on the drawing')).toBeVisible();
  await bring(SHEET.replace('X-9', 'P-202'));
  await expect(page.getByLabel('Import work orders').getByRole('status')).toContainText('4711 new');
  await expectNoBarriers(page);

  await page.getByRole('link', { name: 'Jobs', exact: true }).click();
  await page.getByRole('link', { name: 'Raise a job from 4711' }).click();
  await expect(page.getByLabel('What is to be done')).toHaveValue('Grease the coupling');
  await page.getByRole('button', { name: 'Raise the job' }).click();
  await page.waitForURL(/jobs\/J-\d+$/);
  const job = page.url().split('/').at(-1) ?? '';

  // A site manager makes a token; it opens one thing until it is ended.
  await open(page, 'uma', '/outside');
  await page.getByLabel('What it is for').fill('stores');
  await page.getByLabel('It opens').selectOption('work-orders');
  await page.getByLabel('Your PIN').fill(pinOf('uma'));
  await page.getByRole('button', { name: 'Make a token' }).click();
  const token = await page.getByTestId('token').innerText();
  await shoot(page, 'outside');
  const outside = await playwright.request.newContext({
    ...(baseURL === undefined ? {} : { baseURL }),
    extraHTTPHeaders: { authorization: `Bearer ${token}` },
  });
  const order = { number: '4713', title: 'Filter mat', equipment: 'CF-401' };
  const sent = await outside.post('/api/v1/work-orders', { data: [order] });
  expect(await sent.json()).toMatchObject({ ok: true, received: [{ became: 'new' }] });
  expect((await outside.post('/api/v1/work-orders', { data: [7] })).status()).toBe(422);
  expect((await outside.post('/api/v1/work-orders', { data: '{' })).status()).toBe(400);
  expect((await outside.get('/api/v1/export/jobs.csv')).status()).toBe(403);
  await page.locator('[data-token="stores"]').getByLabel('Your PIN').fill(pinOf('uma'));
  await page.getByRole('button', { name: 'End this token' }).click();
  await expect(page.locator('[data-token="stores"]')).toContainText('ended');
  expect((await outside.post('/api/v1/work-orders', { data: [order] })).status()).toBe(401);
  await outside.dispose();

  // What came in is found by its number, and goes out as tables and as a calendar.
  await ask(page, '4711');
  await expect(page.getByRole('option', { name: /Grease the coupling/ })).toBeVisible();
  await page.getByRole('option', { name: 'Everything found for' }).click();
  await expect(page.locator(`[data-found="${job}"]`)).toContainText('Grease the coupling');
  await expectNoBarriers(page);
  await shoot(page, 'find');
  const sheet = await page.request.get('/api/v1/export/work-orders.csv');
  expect(await sheet.text()).toContain('4713');
  const calendar = await page.request.get('/api/v1/calendar');
  expect(await calendar.text()).toContain('BEGIN:VCALENDAR');
  expect((await page.request.get('/api/v1/export/pins.csv')).status()).toBe(404);
  expect((await page.request.get('/api/v1/jobs/J-9999')).status()).toBe(404);
  expect((await page.request.get('/api/v1/find?q=')).status()).toBe(400);
});

test('the screens that stay open load little', async ({ page }) => {
  for (const place of ['/login', '/', '/watch', '/handover', '/find']) {
    await open(page, 'ada', place);
    await expectLight(page);
  }
});

test('a live permit is checked at the place: what is grave stops it, what is found is followed up', async ({
  page,
}) => {
  test.setTimeout(300_000);
  const steps = withLocks([...USABLE, ...fieldSteps(), ...PERMIT], { E: 0, P: 0, C: 0, BOX: 0 });
  const { job, sequence } = await carryOutOn(page, steps);
  await open(page, 'quin', `/jobs/${job}`);
  await showTab(page, 'Checks');
  await page.getByText('Check it now').click();
  await page.getByLabel('People counted at the work').fill('0');
  for (const check of await page.locator('[data-check]').all()) {
    await check.getByLabel('as written').check();
  }
  const shown = page.locator('[data-check="shown"]');
  await shown.getByLabel('differs').check();
  await shown.getByLabel('What was seen').fill('the copy is torn');
  await page.getByRole('button', { name: 'Sign the check' }).click();
  await sign(page, 'quin');
  await expect(page.getByRole('alert').locator('[data-code="audit-nothing-done"]')).toBeVisible();
  await page.getByRole('button', { name: 'Understood' }).click();
  await shown.getByLabel('Otherwise: what is to be done').fill('hang a new copy');
  await pick(shown.getByLabel('By whom'), 'jun');
  await expectNoBarriers(page);
  await shoot(page, 'check');
  await page.getByRole('button', { name: 'Sign the check' }).click();
  await sign(page, 'quin');
  await expect(page.locator('[data-follow-up="open"]')).toContainText('hang a new copy');

  await page.goto('/audits');
  await expect(page.getByLabel('To be done')).toContainText('hang a new copy');
  await expect(page.getByLabel('What differs most')).toContainText('1 of 1');
  await expectNoBarriers(page);
  await shoot(page, 'audits');

  await open(page, 'jun', `/jobs/${job}`);
  await showTab(page, 'Checks');
  const followUp = page.locator('[data-follow-up]');
  await followUp.getByLabel('What was done').fill('hangs at the gate');
  await followUp.getByRole('button', { name: 'Record it as done' }).click();
  await sign(page, 'jun');
  await expect(page.locator('[data-follow-up="done"]')).toBeVisible();

  // A copy that is out keeps the permit from being closed.
  await actAs(page, 'hana');
  await showTab(page, 'Work');
  await page.getByText(/^Copies:/).click();
  await page.getByLabel('Who has it, or where it hangs').fill('gate of the pump hall');
  await page.getByRole('button', { name: 'Give a copy' }).click();
  await expect(page.getByText('Copies: 1 of 1 out')).toBeVisible();
  // Nobody was ever signed on: work that is finished was done by somebody.
  const bare = { kind: 'hand-back', cleared: true, finished: true, remarks: '' };
  await actAs(page, 'jun');
  const refused = await page.request.post(`/api/jobs/${job}/commands`, {
    data: {
      command: bare,
      expected: sequence + 3,
      key: 'handed-back-by-nobody',
      signatures: [{ person: 'jun', pin: pinOf('jun') }],
    },
  });
  expect([refused.status(), await codesOf(refused)]).toEqual([409, ['nobody-signed-on']]);
  const back = { ...bare, unsigned: { who: 'two of Tarnbeck', reason: 'signed on by hand' } };
  await sendCommand(page, job, back, sequence + 3, ['jun']);
  await actAs(page, 'hana');
  await page.getByLabel('What was inspected').fill('seal dry');
  await page.getByRole('button', { name: 'Inspected: close the permit' }).click();
  await sign(page, 'hana');
  await expect(page.getByRole('alert').locator('[data-code="copies-out"]')).toBeVisible();
  await page.getByRole('button', { name: 'Understood' }).click();
  await page.getByRole('button', { name: 'Copy 1 accounted for' }).click();
  await page.getByLabel('What was inspected').fill('seal dry');
  await page.getByRole('button', { name: 'Inspected: close the permit' }).click();
  await sign(page, 'hana');
  await expect(page.getByRole('button', { name: 'Inspected: close the permit' })).toHaveCount(0);
});

test('hot work waits for a test of its air, and air that is not fit stops it', async ({ page }) => {
  test.setTimeout(300_000);
  const plan = stepsToWalkDown([{ section: 'HW-GAS', activity: 'touch' }], {
    title: 'Heating main bracket',
    equipment: 'HM-7',
  });
  const walked = carryOut(plan);
  const box: Step = ['ada', { kind: 'lock-box', box: 'BOX-1', lock: 'C-1' }];
  const field = withLocks([...fieldStepsOf(walked), box], { E: 2, P: 12, C: 1, BOX: 1 });
  const papers = permitSteps(walked, ['spark']).filter(
    ([, { kind }]) => kind !== 'test-air' && kind !== 'issue-permit',
  );
  const steps = [...plan, ...field, ...papers];
  const { job, sequence } = await carryOutOn(page, steps);
  const issue = { kind: 'issue-permit', briefed: true, performer: 'jun' };
  await open(page, 'hana', `/jobs/${job}`);
  await expect(
    page.getByLabel('Holding this up').locator('[data-code="air-not-tested"]'),
  ).toBeVisible();

  await showTab(page, 'Air');
  const air = page.getByLabel('Air for hot work');
  const read = async (methane: string, drawn = '300') => {
    await actAs(page, 'finn');
    if (!(await air.getByLabel('Hose (m); 0: none').isVisible()))
      await air.getByText('Test the air').click();
    await air.getByLabel('Hose (m); 0: none').fill('20');
    await air.getByLabel('Drawn for (s)').fill(drawn);
    for (const field of await air.getByRole('spinbutton', { name: /, (top|middle|bottom)$/ }).all())
      await field.fill('0');
    for (const level of ['top', 'middle', 'bottom'])
      await air.getByLabel(`oxygen, ${level}`).fill('20.9');
    await air.getByLabel('methane, top').fill(methane);
    const places = air.getByRole('group', { name: /^Tested here as well/ });
    for (const place of await places.getByRole('checkbox').all()) await place.check();
    for (const unknown of await air.getByLabel(/What was found out/).all())
      await unknown.fill('far below its flash point');
    await page.getByRole('button', { name: 'Sign the test for hot work' }).click();
    await sign(page, 'finn');
  };
  // Drawn for less than the hose needs: refused with the seconds that are missing.
  await read('0', '30');
  await expect(page.getByRole('alert').locator('[data-code="gas-too-soon"]')).toBeVisible();
  await page.getByRole('button', { name: 'Understood' }).click();
  await air.getByLabel('Drawn for (s)').fill('300');
  await expectNoBarriers(page);
  await page.getByRole('button', { name: 'Sign the test for hot work' }).click();
  await sign(page, 'finn');
  await expect(page.locator('[data-air="fit"]')).toBeVisible();
  await actAs(page, 'hana');
  expect((await sendCommand(page, job, issue, sequence + 1, ['hana', 'jun'])).ok()).toBe(true);
  await page.reload();
  await read('3');
  await expect(page.locator('[data-air="unfit"]')).toContainText('methane 3 %LFL, limit below 1');
  await expect(page.getByRole('heading', { name: 'Stopped' })).toBeVisible();
  await shoot(page, 'air');
});
