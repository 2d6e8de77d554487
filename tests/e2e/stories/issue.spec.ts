import { expect, test } from '@playwright/test';
import { actAs, carryOutOn, expectNoBarriers, nameOf, open, pinOf, shoot } from '../desk';
import { fieldSteps, PERMIT, USABLE } from '../../support/seal-change';

/** Presses and keys since the page was opened, as a browser sees them. */
function count(): void {
  const counted = { presses: 0, keys: 0 };
  Object.assign(window, { counted });
  addEventListener('pointerdown', () => (counted.presses += 1), true);
  addEventListener('keydown', () => (counted.keys += 1), true);
}

test('a permit is issued at the hatch, without opening the job', async ({ page }) => {
  const ready = [...USABLE, ...fieldSteps(), ...PERMIT.slice(0, -1)];
  const { job } = await carryOutOn(page, ready);
  await page.addInitScript(count);
  await open(page, 'hana', '/hatch');
  const queue = page.getByRole('region', { name: 'At the hatch' });
  await queue.getByRole('link', { name: new RegExp(job) }).click();
  const hand = page.getByRole('region', { name: 'Permit at hand' });
  await expect(hand.getByRole('heading', { name: new RegExp(job) })).toBeVisible();
  await expect(page.getByRole('region', { name: 'Next' })).toContainText('Issue at the hatch');
  await expectNoBarriers(page);
  await shoot(page, 'at-the-hatch');

  await hand.getByRole('checkbox', { name: /briefing held/ }).check();
  await hand.getByRole('button', { name: 'Issue with both signatures' }).click();
  for (const id of ['hana', 'jun']) {
    await page.getByLabel(`PIN of ${nameOf(id)}`).click();
    await page.keyboard.type(pinOf(id));
  }
  await page.getByRole('button', { name: 'Sign', exact: true }).click();
  await expect(queue.getByRole('link', { name: new RegExp(job) })).toContainText('permit live');
  const spent = await page.evaluate(() => (window as unknown as { counted: { presses: number; keys: number } }).counted); // prettier-ignore
  console.log(`issue at the hatch: ${spent.presses} presses, ${spent.keys} keys (budget: 12 presses, 40 keys)`); // prettier-ignore
  expect(spent.presses).toBeLessThanOrEqual(12);
  expect(spent.keys).toBeLessThanOrEqual(40);

  await actAs(page, 'jun');
  await expect(page.getByRole('button', { name: nameOf('jun') })).toBeVisible();
  await expect(hand).toContainText(job);
});
