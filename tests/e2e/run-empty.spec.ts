import { expect, test } from '@playwright/test';
import { expectNoBarriers, nameOf, open, shoot, sign, takeLeastEffort, pick } from './desk';

test('a tank is entered: raised as run empty, the scope changed to empty its neighbour too, planned in two stages', async ({
  page,
}) => {
  await open(page, 'ada', '/jobs/new');
  await page.getByLabel('What is to be done').fill('Stirrer blades looked at');
  await pick(page.getByLabel('Equipment'), 'D-2');
  await pick(page.getByLabel('Section 1'), 'D2-LIQ');
  await page.getByLabel('Activity 1').selectOption('enter');
  const emptied = page.getByRole('group', { name: 'Run empty before' });
  await expect(emptied.getByRole('alert')).toContainText('D2-LIQ');
  await page.getByRole('button', { name: 'Raise the job' }).click();
  const refusal = page.getByRole('alert').locator('[data-code="source-in-work"]');
  await expect(refusal).toContainText('Name it as run empty before');
  await page.getByRole('button', { name: 'Understood' }).click();
  await emptied.getByLabel(/^D2-LIQ/).check();
  await expect(emptied.getByRole('alert')).toHaveCount(0);
  await expectNoBarriers(page);
  await shoot(page, 'raise-emptied');
  await page.getByRole('button', { name: 'Raise the job' }).click();
  await page.waitForURL(/jobs\/J-\d+$/);

  // What is run empty is a lamp like any other: lit until it is proved.
  const lamps = page.getByRole('region', { name: 'Lamps' });
  await lamps
    .getByRole('button', { name: /Digester 2 liquid/ })
    .first()
    .click();
  await expect(lamps.locator('[data-source="D2-LIQ"]')).toContainText(
    'run empty before anything is shut',
  );

  // The overflow joins the buffer tank, and nothing can be shut there: it is run empty as well.
  await page.getByRole('link', { name: 'Change the scope' }).click();
  await page.getByText('Other tanks and vessels').click();
  await page.getByLabel(/^BT-LIQ/).check();
  await page.getByLabel('Why the scope changes').fill('the overflow joins the buffer tank');
  await expectNoBarriers(page);
  await page.getByRole('button', { name: 'Change the scope' }).click();
  await sign(page, 'ada');
  await page.waitForURL(/jobs\/J-\d+$/);
  await expect(lamps.getByRole('button', { name: /buffer tank/i }).first()).toBeVisible();

  await takeLeastEffort(page);
  const least = page.getByRole('row', { name: /Least effort/ });
  await expect(least).toContainText('two stages: valves first, then fit');
  await expect(least).toContainText('SP-OVF');
  await page.getByRole('button', { name: 'Keep this plan' }).click();
  const record = page.getByRole('link', { name: 'Whole record' });
  await record.click();
  await expect(page.getByRole('row', { name: /scope changed/ })).toContainText(nameOf('ada'));
});
