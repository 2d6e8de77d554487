import { expect, test } from '@playwright/test';
import { actAs, carryOutOn, expectLight, expectNoBarriers, nameOf, open, shoot } from '../desk';
import { keepBudget, signByHand, startCounting } from './count';
import { fieldSteps, PERMIT, USABLE } from '../../support/seal-change';

test('a permit is issued at the hatch, without opening the job', async ({ page }) => {
  const ready = [...USABLE, ...fieldSteps(), ...PERMIT.slice(0, -1)];
  const { job } = await carryOutOn(page, ready);
  await startCounting(page);
  await open(page, 'hana', '/hatch');
  const queue = page.getByRole('region', { name: 'At the hatch' });
  await queue.getByRole('link', { name: new RegExp(job) }).click();
  const hand = page.getByRole('region', { name: 'Permit at hand' });
  await expect(hand.getByRole('heading', { name: new RegExp(job) })).toBeVisible();
  await expect(page.getByRole('region', { name: 'Next' })).toContainText('Issue at the hatch');
  await expectNoBarriers(page);
  await shoot(page, 'at-the-hatch');

  const budget = { presses: 12, keys: 40 };
  await keepBudget(page, 'issue at the hatch', budget, async () => {
    await hand.getByRole('button', { name: 'Issue with both signatures' }).click();
    await signByHand(page, 'hana', 'jun');
    await expect(queue.getByRole('link', { name: new RegExp(job) })).toContainText('permit live');
  });

  // The field page comes last: what it keeps on the device is not compressed any more.
  for (const place of [
    `/jobs/${job}`,
    '/hatch',
    '/plant',
    '/locks',
    '/jobs',
    `/jobs/${job}/field`,
  ]) {
    await open(page, 'hana', place);
    await expectLight(page);
  }
  await open(page, 'hana', `/hatch?job=${job}`);

  await actAs(page, 'jun');
  await expect(page.getByRole('button', { name: nameOf('jun') })).toBeVisible();
  await expect(hand).toContainText(job);
});
