import { expect, test } from '@playwright/test';
import { actAs, expectNoBarriers, shoot } from './desk';

test('the plant is seen whole, an area in lanes, and a section is asked before any job is raised', async ({
  page,
}) => {
  await page.goto('/login');
  await actAs(page, 'ada');
  await page.goto('/plant');
  const hall = page.getByRole('region', { name: 'Pump hall' });
  await expect(hall.getByRole('link', { name: /J-0001/ })).toBeVisible();
  await expect(hall.getByRole('button', { name: /^P201-CAS: .*J-0001.* here$/ })).toBeVisible();
  await expectNoBarriers(page);
  await shoot(page, 'plant');

  await hall.getByRole('button', { name: 'Pump hall' }).click();
  const diagram = page.getByRole('group', { name: /^Plant diagram with 29 sections/ });
  await expect(diagram.getByText('Mechanical')).toBeVisible();
  // Tags are read at first sight.
  const tag = diagram
    .getByRole('button', { name: /^P201-CAS:/ })
    .locator('text')
    .first();
  expect((await tag.boundingBox())?.height ?? 0).toBeGreaterThanOrEqual(11);

  await page.getByRole('button', { name: 'Find a section' }).click();
  await page.getByPlaceholder('Tag or name').fill('P201-CAS');
  await page.getByRole('option', { name: /^P201-CAS/ }).click();
  const about = page.getByRole('complementary', { name: 'About P201-CAS' });
  await expect(about.getByRole('region', { name: 'What can reach it' })).toContainText('Digestate');
  await expect(about.getByRole('link', { name: /J-0001/ })).toBeVisible();
  await about.getByRole('button', { name: /^The motor M-P201/ }).click();
  await expect(page.getByRole('group', { name: /lit route: .*M-P201/ })).toBeVisible();
  await about.getByRole('button', { name: 'Compute the isolation' }).click();
  await expect(about.getByText(/\d+ points, about \d+ min/)).toBeVisible();
  await expectNoBarriers(page);
  await shoot(page, 'plant-asked');

  const more = page.getByRole('button', { name: /more behind D1-LIQ/ });
  await more.click();
  await expect(more).toBeHidden();

  await about.getByRole('link', { name: 'Raise a job here' }).click();
  await expect(page.getByRole('heading', { name: 'Raise a job' })).toBeVisible();
});
