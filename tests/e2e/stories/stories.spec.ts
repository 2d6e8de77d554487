import { expect, test } from '@playwright/test';
import { open } from '../desk';
import { choose, keepBudget, signByHand, startCounting, typeInto } from './count';

test('what people do most is done in few presses', async ({ page }) => {
  test.setTimeout(600_000);
  await startCounting(page);
  await open(page, 'ada', '/jobs');
  await expect(page.getByRole('heading', { name: 'Jobs' })).toBeVisible();

  await keepBudget(
    page,
    'raise and plan a pump seal',
    { presses: 13, keys: 40, before: 11 },
    async () => {
      await page.getByRole('link', { name: 'Raise a job' }).click();
      await typeInto(page.getByLabel('What is to be done'), 'Seal change on P-201');
      await choose(page.getByLabel('Equipment'), 'P-201');
      await choose(page.getByLabel('Section 1'), 'P201-CAS');
      await page.getByRole('button', { name: 'Raise the job' }).click();
      await page.waitForURL(/jobs\/J-\d+$/);
      await page.getByRole('button', { name: 'Compute the isolation' }).click();
      await page.getByRole('button', { name: 'Take least effort' }).click({ timeout: 60_000 });
      await expect(page.getByTestId('check-verdict')).toContainText('passes');
      await page.getByRole('button', { name: 'Keep this plan' }).click();
      await page.getByRole('button', { name: 'Send it for review' }).click();
      await expect(page.getByRole('button', { name: 'Accept the plan' })).toBeVisible();
    },
  );
  const job = page.url().split('/').at(-1) ?? '';

  await open(page, 'hana', '/jobs');
  await keepBudget(page, 'review a plan', { presses: 3, keys: 8, before: 3 }, async () => {
    await page
      .getByRole('link', { name: new RegExp(job) })
      .first()
      .click();
    await page.getByRole('button', { name: 'Accept the plan' }).click();
    await signByHand(page, 'hana');
    await expect(page.getByRole('heading', { name: 'Walk the plan down' })).toBeVisible();
  });
});
