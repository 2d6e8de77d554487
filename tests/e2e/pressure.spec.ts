import { expect, test } from '@playwright/test';
import { stepsToWalkDown, withLocks } from '../support/any-job';
import { ALLOW_GAS, carryOut, fieldStepsOf, permitSteps, TEST_SUM } from '../support/seal-change';
import {
  actAs,
  carryOutOn,
  expectNoBarriers,
  nameOf,
  open,
  sendCommand,
  shoot,
  sign,
} from './desk';

/** At the press, far from every other job: within the distance of a test nobody else is at work. */
const PLACE = 'HYD-PRS';
const SUM = { ...TEST_SUM, subject: PLACE };

test('a pressure test with gas is refused until it is worked out and allowed by name', async ({
  page,
}) => {
  test.setTimeout(300_000);
  const plan = stepsToWalkDown([{ section: PLACE, activity: 'touch' }], {
    title: 'Press circuit tested',
    equipment: 'FP-1',
  });
  const walked = carryOut(plan);
  const box = ['ada', { kind: 'lock-box', box: 'BOX-1', lock: 'C-1' }] as const;
  const field = withLocks([...fieldStepsOf(walked), box], { E: 12, P: 30, C: 5, BOX: 5 });
  const papers = permitSteps(walked, ['overpressure']).filter(
    ([, command]) =>
      command !== TEST_SUM && command !== ALLOW_GAS && command.kind !== 'issue-permit',
  );
  const { job, sequence } = await carryOutOn(page, [...plan, ...field, ...papers]);
  const issue = { kind: 'issue-permit', hours: 4, briefed: true, performer: 'jun' };
  const holding = page.getByLabel('Holding this up');
  await open(page, 'hana', `/jobs/${job}`);
  await expect(holding.locator('[data-code="test-not-worked-out"]')).toBeVisible();

  await actAs(page, 'ada');
  expect((await sendCommand(page, job, SUM, sequence, [])).ok()).toBe(true);
  await open(page, 'hana', `/jobs/${job}`);
  const refused = holding.locator('[data-code="gas-test-unapproved"]');
  await expect(refused).toContainText('11 bar');
  await expect(refused).toContainText(/kJ shut in, everybody [\d.]+ m away/);
  const early = await sendCommand(page, job, issue, sequence + 1, ['hana', 'jun']);
  expect(early.status()).toBe(409);

  await open(page, 'uma', `/jobs/${job}`);
  const part = page.getByRole('region', { name: 'Pressure test with gas' });
  await part.getByLabel('Why water will not do').fill('the lining may not get wet');
  await part.getByLabel(/^Where everybody stands/).fill('behind the wall, in ten steps');
  await expectNoBarriers(page);
  await shoot(page, 'gas-test');
  await part.getByRole('button', { name: 'Sign that it may be tested with gas' }).click();
  await sign(page, 'uma');
  await expect(part).toContainText(`Allowed by ${nameOf('uma')}`);
  await expect(holding.locator('[data-code="gas-test-unapproved"]')).toHaveCount(0);
  await actAs(page, 'hana');
  expect((await sendCommand(page, job, issue, sequence + 2, ['hana', 'jun'])).ok()).toBe(true);
});
