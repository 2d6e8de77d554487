import { expect, test } from '@playwright/test';
import { withLocks } from '../../support/any-job';
import { fieldSteps, PERMIT, USABLE } from '../../support/seal-change';
import { carryOutOn, nameOf, open } from '../desk';
import { choose, keepBudget, signByHand, startCounting, typeInto } from './count';

/** Locks that no other job of this site takes. */
const LOCKS = { E: 8, P: 14, C: 3, BOX: 2 } as const;

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

  const { job: live } = await carryOutOn(
    page,
    withLocks([...USABLE, ...fieldSteps(), ...PERMIT], LOCKS),
    {
      job: 'next',
      sequence: 0,
    },
  );
  await open(page, 'hana', '/hatch');
  const queue = page.getByRole('region', { name: 'At the hatch' });
  await queue.getByRole('link', { name: new RegExp(live) }).click();
  await expect(page.getByRole('button', { name: 'Sign on' })).toBeVisible();
  // All of the employer that leads: others sign on in a crew of their own.
  const crew = ['kit', 'lena', 'jun'];
  await keepBudget(
    page,
    `sign ${crew.length} people on`,
    { presses: 3 * crew.length, keys: 7 * crew.length, before: 6 * crew.length },
    async () => {
      for (const [n, id] of crew.entries()) {
        await choose(page.getByLabel('Who signs on'), id);
        await page.getByRole('button', { name: 'Sign on' }).click();
        await signByHand(page, id);
        await expect(page.getByTestId('count-on')).toHaveText(String(n + 1));
      }
    },
  );

  await open(page, 'hana', '/watch');
  await keepBudget(
    page,
    'find a permit by its number',
    { presses: 0, keys: 12, before: 3 },
    async () => {
      await page.keyboard.press('Control+k');
      await expect(page.getByRole('dialog', { name: 'Find or do' })).toBeVisible();
      await page.keyboard.type(live.replace('J', 'P'));
      await expect(page.getByRole('option', { name: new RegExp(live) }).first()).toBeVisible();
      await page.keyboard.press('Enter');
      await expect(page.getByRole('heading', { name: new RegExp(live) })).toBeVisible();
    },
  );

  await keepBudget(page, 'stop a job', { presses: 2, keys: 14, before: 3 }, async () => {
    await page.getByText('Stop this job').click();
    await page.getByRole('banner').getByLabel('Why').click();
    await page.keyboard.type('smell of gas');
    await page.keyboard.press('Enter');
    await expect(page.getByText(/STOPPED/).first()).toBeVisible();
  });

  await open(page, 'hana', '/handover');
  await keepBudget(page, 'hand over a shift', { presses: 4, keys: 40, before: 5 }, async () => {
    await typeInto(page.getByLabel(/^Notes/), 'Belt goes on at six.');
    await choose(page.getByLabel('Who takes over'), 'ben');
    await page.getByRole('button', { name: 'Hand over with both signatures' }).click();
    await signByHand(page, 'hana', 'ben');
    await expect(page.getByText(`to ${nameOf('ben')}`, { exact: false }).first()).toBeVisible();
  });
});
