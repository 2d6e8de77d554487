import { expect, test } from '@playwright/test';
import { expectNoBarriers, nameOf, open, shoot } from './desk';

test('one job is shown with real presses, from its raising to the walk-down', async ({ page }) => {
  await open(page, 'ada', '/practice');
  await expectNoBarriers(page);
  await page.getByRole('button', { name: 'Show me one job' }).click();
  const shown = page.locator('.driver-popover');
  const steps = Number(/of (\d+):/.exec((await shown.textContent()) ?? '')?.[1]);
  expect(steps).toBeGreaterThan(10);
  for (let step = 1; step <= steps; step++) {
    await expect(shown).toContainText(`${step} of ${steps}:`, { timeout: 60_000 });
    // The second step is pressed by whoever watches.
    if (step === 2) await page.getByRole('link', { name: 'Raise a job' }).first().click();
    else await shown.locator('.driver-popover-next-btn').click();
    if (step === 5) await page.waitForURL(/jobs\/J-\d+/);
    if (step === 8) await shoot(page, 'show-me');
  }
  await expect(shown).toHaveCount(0);
  await expect(page.getByRole('button', { name: nameOf('finn') })).toBeVisible();
  await expect(page.locator('li[data-label]').filter({ hasText: '✓' })).toHaveCount(1);
});
