import { expect, test } from '@playwright/test';
import { deadRound, fieldSteps, PERMIT, USABLE } from '../support/seal-change';
import {
  actAs,
  carryOutOn,
  codesOf,
  expectNoBarriers,
  nameOf,
  sendCommand,
  shoot,
  sign,
  pick,
} from './desk';

test('a blade that stayed in is found, what is left alone is proved again, an absent owner is told', async ({
  page,
}) => {
  const field = fieldSteps();
  const proving = field.findIndex(([, { kind }]) => kind === 'prove');
  const begun = await carryOutOn(page, [...USABLE, ...field.slice(0, proving)]);
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`/jobs/${begun.job}`);
  await actAs(page, 'elif');
  const form = page.locator('li[data-subject="voltage:P201-CBL"]');
  await form.getByLabel('Conductors').selectOption('three-wire');
  await expect(form.getByRole('group').locator('input')).toHaveCount(6 + 2);
  await form.getByLabel('Known live source').fill('proving unit 2');
  await form.getByLabel('It is rated for (V)').fill('690');
  const readings = ['682', '0', '0', '0', '0.4', '231', '0', '684'];
  for (const [n, input] of (await form.getByRole('group').locator('input').all()).entries()) {
    await input.fill(readings[n] ?? '');
  }
  await form.getByLabel('Known source, before (V)').scrollIntoViewIfNeeded();
  await expectNoBarriers(page);
  await shoot(page, 'round-narrow');
  await form.getByRole('button', { name: 'Record the round' }).click();
  await expect(page.locator('[data-code="reading-not-dead"]').first()).toContainText('231 V');
  await expect(form).not.toContainText('✓');
  await expect(page.getByTestId('lamps-dark')).toHaveText('0 dark');

  const round = { round: deadRound() };
  const again = field.slice(proving).map(([actor, command]) => {
    const isVoltage = command.kind === 'prove' && command.unit === 'V';
    return [actor, isVoltage ? { ...command, ...round } : command] as const;
  });
  const at = { job: begun.job, sequence: begun.sequence + 1 };
  const issued = await carryOutOn(page, [...again, ...PERMIT], at);
  await actAs(page, 'hana');
  await expect(page.getByTestId('lamps-lit')).toHaveText('0 lit');
  await expect(page.getByText(/Proofs count until/)).toContainText('(in 60 min)');

  await actAs(page, 'ada');
  expect((await page.request.post('/api/clock', { data: { hours: 2 } })).ok()).toBe(true);
  await actAs(page, 'hana');
  await expect(page.locator('[data-code="left-unattended"]').first()).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Isolate, let down and prove' })).toBeVisible();
  await shoot(page, 'unattended-narrow');
  const signOn = { kind: 'sign-on', person: 'kit', lock: 'W-02' };
  const refused = await sendCommand(page, issued.job, signOn, issued.sequence, ['hana', 'kit']);
  expect(await codesOf(refused)).toEqual(['left-unattended', 'not-proved', 'not-tried']);

  await carryOutOn(
    page,
    again.filter(([, { kind }]) => kind === 'prove' || kind === 'try-start'),
    issued,
  );
  await actAs(page, 'hana');
  await expect(page.locator('[data-code="left-unattended"]')).toHaveCount(0);
  await expect(page.getByTestId('lamps-lit')).toHaveText('0 lit');

  await page.setViewportSize({ width: 1280, height: 800 });
  const kit = nameOf('kit');
  await pick(page.getByLabel('Who signs on'), 'kit');
  await pick(page.getByLabel('Personal lock'), 'W-02');
  await page.getByRole('button', { name: 'Sign on' }).click();
  await sign(page, 'kit');
  await actAs(page, 'ada');
  await page.getByText(`${kit} is not there`).click();
  await page.getByLabel(/^How it was made sure/).fill('gate log, car park');
  await page.getByLabel(/^What was done to reach/).fill('telephone at 15:10 and 15:20');
  await expectNoBarriers(page);
  await shoot(page, 'absent');
  await page.getByRole('button', { name: `Take W-02 off for ${kit}` }).click();
  await sign(page, 'ada', 'uma');
  await expect(page.getByTestId('count-on')).toHaveText('0');
  await actAs(page, 'hana');
  await pick(page.getByLabel('Who signs on'), 'kit');
  await pick(page.getByLabel('Personal lock'), 'W-02');
  await page.getByRole('button', { name: 'Sign on' }).click();
  await sign(page, 'kit');
  await expect(page.getByRole('alert').locator('[data-code="owner-not-told"]')).toBeVisible();
  await page.getByLabel('What they were told').fill('why, when and by whom');
  await page.getByRole('button', { name: `${kit} has been told` }).click();
  await sign(page, 'hana', 'kit');
  await expect(page.locator('[data-untold]')).toHaveCount(0);

  await page.getByRole('link', { name: 'Locks' }).click();
  await expect(page.getByText('Locks and keys balance.')).toBeVisible();
  await expectNoBarriers(page);
  await shoot(page, 'locks');
  await page.getByLabel(/^Find by any number/).fill('cb-p201');
  await expect(page.getByRole('row', { name: /^E-01 / })).toContainText(issued.job);
  await expect(page.getByRole('row', { name: /^P-03 / })).toHaveCount(0);
  await page.getByLabel(/^Find by any number/).fill('W-05');
  await expect(page.getByRole('row', { name: /^W-05 / })).toContainText('free');
});
