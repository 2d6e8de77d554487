import { expect, test } from '@playwright/test';
import { open } from '../desk';
import { keepBudget, pickInto, signByHand, startCounting, typeInto } from './count';

test('a job is raised, planned, changed by a point and reviewed in few presses', async ({
  page,
}) => {
  test.setTimeout(600_000);
  await startCounting(page);
  await open(page, 'ada', '/jobs');
  await expect(page.getByRole('heading', { name: 'Jobs' })).toBeVisible();

  await keepBudget(
    page,
    'raise and plan a pump seal',
    { presses: 8, keys: 40, before: 11 },
    async () => {
      await page.getByRole('link', { name: 'Raise a job' }).click();
      await typeInto(page.getByLabel('What is to be done'), 'Seal change on P-202');
      await pickInto(page.getByLabel('Equipment'), 'P-202');
      await page.getByRole('button', { name: 'Raise the job' }).click();
      await page.waitForURL(/jobs\/J-\d+$/);
      await page.getByRole('button', { name: 'Compute the isolation' }).click();
      await page.getByRole('button', { name: 'Take least effort' }).click({ timeout: 60_000 });
      await expect(page.getByTestId('check-verdict')).toContainText('passes');
      await page.getByRole('button', { name: 'Keep this plan' }).click();
      await expect(page.getByRole('button', { name: 'Send it for review' })).toBeVisible();
    },
  );
  const job = page.url().split('/').at(-1) ?? '';

  await keepBudget(page, 'change one point', { presses: 4, keys: 0, before: 4 }, async () => {
    const [point] = await page
      .getByRole('button', { name: /^take HV-\d+ out of the plan$/ })
      .evaluateAll((all) => all.map((one) => one.getAttribute('aria-label') ?? ''));
    const tag = /HV-\d+/.exec(point ?? '')?.[0] ?? '';
    await page.getByRole('button', { name: `take ${tag} out of the plan` }).click();
    await expect(page.getByTestId('check-verdict')).toContainText('stops');
    await page
      .getByRole('button', { name: new RegExp(`^shut and lock ${tag}`) })
      .first()
      .click();
    await expect(page.getByTestId('check-verdict')).toContainText('passes');
    const kept = page.waitForResponse((answer) => answer.url().includes('/commands'));
    await page.getByRole('button', { name: 'Keep this plan' }).click();
    expect((await kept).ok()).toBe(true);
  });
  await page.getByRole('button', { name: 'Send it for review' }).click();
  await expect(page.getByRole('button', { name: 'Accept the plan' })).toBeVisible();

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
