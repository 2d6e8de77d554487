import { expect, test } from '@playwright/test';
import { ON_STEPS } from '../support/seal-change';
import {
  actAs,
  carryOutOn,
  expectNoBarriers,
  hangCrewLock,
  nameOf,
  open,
  shoot,
  sign,
  signOn,
} from './desk';

const BRANDRITH = 'Brandrith Coatings';

test('a firm from outside goes to work once its lead has seen every point, was shown the bounds and locked on', async ({
  page,
  browser,
  baseURL,
}) => {
  test.setTimeout(300_000);
  const { job } = await carryOutOn(page, ON_STEPS());
  await open(page, 'hana', `/jobs/${job}`);
  await actAs(page, 'hana');
  const firm = page.locator('[data-firm="BC"]');
  await expect(firm).toContainText(`${BRANDRITH}, led by ${nameOf('vik')}: 0 of`);

  // Their lead comes with a crew lock, and has not gone round.
  await hangCrewLock(page, BRANDRITH, 'vik', 'L-1');
  const refused = page.getByRole('alert').locator('[data-code="firm-points-unseen"]');
  await expect(refused).toContainText('has not tried and seen');
  await expect(page.getByRole('alert').locator('[data-code="firm-bounds-unshown"]')).toBeVisible();
  await page.getByRole('button', { name: 'Understood' }).click();

  // On the phone, point by point.
  const pocket = await browser.newContext({
    viewport: { width: 390, height: 844 },
    ...(baseURL === undefined ? {} : { baseURL }),
  });
  const phone = await pocket.newPage();
  await open(phone, 'vik', `/jobs/${job}`);
  const round = phone.locator('[data-firm="BC"]');
  const first = round.getByRole('checkbox').first();
  // The list of points is loaded by itself, after the page answers.
  await expect(async () => {
    await first.setChecked(false);
    await first.setChecked(true);
    await expect(round.getByLabel('How you tried them')).toBeVisible({ timeout: 2000 });
  }).toPass();
  await round.getByLabel('How you tried them').fill('lock pulled, tag read, name on it');
  await round.getByRole('button', { name: 'Sign that you tried and saw 1' }).click();
  await sign(phone, 'vik');
  await expect(round).toContainText(': 1 of');
  for (const box of await round.getByRole('checkbox').all()) await box.check();
  await round.getByLabel('How you tried them').fill('every lock pulled, every handle tried');
  await expectNoBarriers(phone);
  await shoot(phone, 'contractor-round');
  await round.getByRole('button', { name: /^Sign that you tried and saw/ }).click();
  await sign(phone, 'vik');
  await expect(round.getByRole('checkbox')).toHaveCount(0);
  await phone.goto(`/jobs/${job}/field`);
  await expect(
    phone.getByText(/Work outside these points needs a permit of its own/),
  ).toBeVisible();
  await pocket.close();

  await page.reload();
  await firm.getByRole('button', { name: 'Sign, both, that the bounds were shown' }).click();
  await sign(page, 'hana', 'vik');
  await expect(firm).toContainText('bounds shown');
  await shoot(page, 'contractors');

  // Their people only after their lead.
  await hangCrewLock(page, BRANDRITH, 'vik', 'L-1');
  await expect(page.locator(`[data-crew="${BRANDRITH}"]`)).toContainText(`Lead ${nameOf('vik')}`);
  await signOn(page, 'yara', 'W-23', BRANDRITH);
  await expect(page.getByTestId('count-on')).toHaveText('2');
  await expect(firm).toContainText('1 on');
  await expectNoBarriers(page);

  await page.getByRole('button', { name: `Sign ${nameOf('yara')} off` }).click();
  await sign(page, 'yara');
  await expect(page.getByTestId('count-on')).toHaveText('1');
  await page
    .locator(`[data-crew="${BRANDRITH}"]`)
    .getByRole('button', { name: 'Crew leaves: take L-1 off' })
    .click();
  await sign(page, 'vik');
  await expect(page.locator(`[data-crew="${BRANDRITH}"]`)).toHaveCount(0);
});
