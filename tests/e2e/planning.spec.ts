import { expect, test } from '@playwright/test';
import { actAs, expectNoBarriers, raise, shoot, sign, takeLeastEffort } from './desk';

test('a plan is edited on the diagram, undone, mended, reviewed, sent back by the walk-down, and printed as a walk list', async ({
  page,
}) => {
  const job = await raise(page, 'Seal change, diagram');
  await takeLeastEffort(page);
  await expect(page.getByRole('row', { name: /Least effort/ })).toContainText(/\d+ m, \d+ min/);
  await expect(page.getByRole('row', { name: /Least effort/ })).toContainText('supply');

  const valve = page.getByRole('button', { name: /^HV-2002:/ });
  await valve.click();
  await expect(page.getByTestId('check-verdict')).toContainText('stops');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByTestId('check-verdict')).toContainText('passes');
  const outlet = page.getByRole('button', { name: /^DR-2002:/ });
  await outlet.click();
  const missing = page.locator('[data-code="work-not-bled"]').first();
  await expect(missing).toContainText('P201-CAS');
  await missing
    .getByRole('button', { name: /open DR-2002/ })
    .first()
    .click();
  await expect(page.getByTestId('check-verdict')).toContainText('passes');

  await expect(page.getByRole('row', { name: /^HV-2004 / })).toContainText('double-bled');
  await page.getByText('One failure more: what would come').click();
  await expect(page.getByTestId('failures')).toBeVisible();
  await shoot(page, 'failures');
  await page.getByRole('button', { name: 'Keep this plan' }).click();
  await page.getByRole('tab', { name: 'Energy and sums' }).click();
  await expect(page.getByRole('region', { name: 'Stored energy and waiting' })).toContainText(
    'DR-2002',
  );
  await page.getByRole('tab', { name: 'Trace and plan' }).click();
  await expectNoBarriers(page);
  await page.getByRole('button', { name: 'Send it for review' }).click();
  await actAs(page, 'hana');
  await page.getByRole('button', { name: 'Accept the plan' }).click();
  await sign(page, 'hana');
  await expect(page.getByRole('heading', { name: 'Walk the plan down' })).toBeVisible();

  await actAs(page, 'finn');
  await page.getByRole('button', { name: 'HV-2001 is as drawn' }).click();
  await expect(page.locator('li[data-label="HV-2001"]')).toContainText('as drawn: Finn');
  await page.setViewportSize({ width: 390, height: 844 });
  await shoot(page, 'walk-down-narrow');
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.getByLabel('What was found').fill('the tag reads HV-2011');
  await page.getByRole('button', { name: 'It differs: send the plan back' }).click();
  await expect(page.getByText(/Sent back by the reviewer: Walked down, at/)).toContainText(
    'HV-2011',
  );

  await page.goto(`/jobs/${job}/diagram`);
  await expect(page.getByText('The plan is not accepted. Not to be carried out.')).toBeVisible();
  await expect(page.getByRole('row', { name: /^1 / })).toContainText('closed and locked');
  await expectNoBarriers(page);
  await page.goto(`/jobs/${job}/walk`);
  await expect(page.getByText('The plan is not accepted. Not to be carried out.')).toBeVisible();
  await expect(page.getByText(/wait 2 min, then read PG-2002/)).toBeVisible();
  await expect(page.getByRole('table', { name: 'Restore, in this order' })).toBeVisible();
  await expectNoBarriers(page);
  await shoot(page, 'walk-list');
});

test('what cannot be had is accepted by name, with what is done instead', async ({ page }) => {
  await raise(page, 'Seal change, blanked');
  await page.getByText('Raise or lower a grade by name').click();
  await page.getByRole('combobox', { name: 'Arrival' }).click();
  await page
    .getByRole('option', { name: /^Flushing water/ })
    .first()
    .click();
  await page.locator('select[name="grade"]').selectOption('positive');
  await page.getByLabel('Reason').fill('asked for by the works manager');
  await page.getByRole('button', { name: 'Set the grade and sign' }).click();
  await sign(page, 'ada');
  await page.getByRole('button', { name: 'Compute the isolation' }).click();
  const shortfall = page.getByRole('form', { name: /^accept less for Flushing water/ });
  await expect(shortfall).toContainText('positive cannot be had', { timeout: 60_000 });
  const accept = shortfall.getByRole('button', { name: 'Accept for this arrival and sign' });
  await expect(accept).toBeDisabled();
  await shortfall.getByRole('checkbox').first().check();
  await shortfall.getByLabel('Why this keeps people safe').fill('no blank fits there');
  await accept.click();
  await sign(page, 'ada');
  await expect(page.getByText(/no blank fits there/)).toBeVisible();
  await takeLeastEffort(page);
  await expectNoBarriers(page);
});

test('figures are worked out as they are typed, refused by field, and used in a job', async ({
  page,
}) => {
  const job = await raise(page, 'Seal change, figures');
  await takeLeastEffort(page);
  await page.getByRole('button', { name: 'Keep this plan' }).click();
  await page.getByRole('tab', { name: 'Energy and sums' }).click();
  const stored = page.getByRole('region', { name: 'Stored energy and waiting' });
  await stored
    .getByRole('row', { name: /DR-2002/ })
    .getByRole('link', { name: 'Bench' })
    .click();
  await expect(
    page.getByRole('heading', { name: 'How long until this vessel is empty?' }),
  ).toBeVisible();
  await expect(page.getByRole('img', { name: /^level \(m\) over time/ })).toBeVisible();
  const figures = page.getByLabel('Worked out');
  const before = await figures.textContent();
  await page.getByLabel(/^Free bore/).fill('6');
  await expect(figures).not.toHaveText(before ?? '');
  await page.getByLabel('Unit of Free bore of the opening').selectOption('inch');
  await expect(page.getByLabel(/^Free bore/)).toHaveValue('0.23622');
  await page.getByLabel(/^Free bore/).fill('0');
  await expect(page.getByText('Free bore of the opening must be above 0 in')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Use these figures' })).toBeDisabled();
  await page.getByLabel(/^Free bore/).fill('0.23622');
  await expectNoBarriers(page);
  await shoot(page, 'bench');
  await page.getByRole('button', { name: 'Use these figures' }).click();
  await page.getByRole('status').getByRole('link', { name: job }).click();
  await page.getByRole('tab', { name: 'Energy and sums' }).click();
  await expect(
    page
      .getByRole('table', { name: 'Worked out for this job' })
      .getByRole('row', { name: /DR-2002/ }),
  ).toContainText('noted by Ada');
  await page.getByRole('link', { name: 'Walk list' }).click();
  await expect(page.getByText(/wait \d\d min, then read PG-2002/)).toBeVisible();
  await page.goto('/bench');
  await expectNoBarriers(page);
  await page.getByRole('link', { name: /^How hard would this let go/ }).click();
  const pressure = page.getByLabel(/^Pressure \(gauge\)/);
  await pressure.fill('0.5 bar');
  await expect(page.getByText('must say gauge or absolute: 0.5 barg or 0.5 bara')).toBeVisible();
  await pressure.fill('100 psig');
  await expect(page.getByLabel('Answer')).toContainText('people stay 30 m away');
  await expectNoBarriers(page);
});
