import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import {
  actAs,
  expectNoBarriers,
  open,
  pinOf,
  raise,
  shoot,
  sign,
  takeLeastEffort,
  walkDownAs,
} from './desk';

async function saveVersion(page: Page, note: string): Promise<void> {
  await page.getByLabel('What was changed, and why').fill(note);
  await page.getByLabel('Your PIN').fill(pinOf('ada'));
  await page.getByRole('button', { name: /Save as version/ }).click();
  await page.waitForURL('**/plant');
}

test('a broken sheet is told by row and column, mended and saved; a plan used before says what has changed', async ({
  page,
}) => {
  const first = await raise(page, 'Seal change, template');
  await takeLeastEffort(page);
  await page.getByRole('button', { name: 'Keep this plan' }).click();
  await page.getByRole('button', { name: 'Send it for review' }).click();
  await actAs(page, 'hana');
  await page.getByRole('button', { name: 'Accept the plan' }).click();
  await sign(page, 'hana');
  await expect(page.getByRole('heading', { name: 'Walk the plan down' })).toBeVisible();
  await walkDownAs(page, first, 'finn');

  await open(page, 'ada', '/plant');
  const exported = page.waitForEvent('download');
  await page.getByRole('link', { name: 'CSV sheets' }).click();
  const files = unzipSync(new Uint8Array(readFileSync(await (await exported).path())));
  const links = strFromU8(files['links.csv'] ?? new Uint8Array());
  const row = links.split('\r\n').find((line) => line.startsWith('HV-2008,')) ?? '';
  const load = (text: string) =>
    page.getByLabel(/Load a plant file/).setInputFiles({
      name: 'plant.zip',
      mimeType: 'application/zip',
      buffer: Buffer.from(zipSync({ ...files, 'links.csv': strToU8(text) })),
    });
  await page.getByRole('link', { name: 'Change or load a plant' }).click();
  await load(links.replace(row, row.replace('ball-valve', 'ball valve')));
  const alert = page.getByRole('alert').filter({ hasText: 'was not loaded' });
  await expect(alert).toContainText(/links\.csv row \d+, column kind: must be one of/);
  await expectNoBarriers(page);
  const bypass = row.replace('HV-2008', 'HV-2018');
  await load(links.replace(row, `${row}\r\n${bypass}`));
  await expect(alert).toHaveCount(0);
  const changes = page.getByLabel('Changes');
  await expect(changes).toContainText('link HV-2018 added');

  await page.getByLabel('Find', { exact: true }).fill('HV-2009');
  await page.getByRole('button', { name: 'change HV-2009' }).click();
  await page.getByLabel('Minutes to close').fill('-4');
  await page.getByRole('button', { name: 'Keep the row' }).click();
  await expect(page.getByText(/minutes must be at least 0, found -4/)).toBeVisible();
  await expect(page.getByRole('button', { name: /Save as version/ })).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(changes).not.toContainText('HV-2009');
  await page.getByRole('button', { name: 'change HV-2009' }).click();
  await page.getByLabel('Minutes to close').fill('4');
  await page.getByRole('button', { name: 'Keep the row' }).click();
  await expect(changes).toContainText('link HV-2009 changed: minutes from nothing to 4');
  await expectNoBarriers(page);
  await shoot(page, 'plant-change');
  await saveVersion(page, 'seal flush bypass added');
  await expect(page.getByText('seal flush bypass added')).toBeVisible();

  await page.goto(`/jobs/${first}`);
  await expect(page.locator('[data-code="plant-outgrew-plan"]')).toContainText('version 2');
  await raise(page, 'Seal change, again');
  await page.getByText(/Take a plan used before/).click();
  const template = page.getByRole('listitem').filter({ hasText: `Take the plan of ${first}` });
  await expect(template).toContainText('Made on version 1; version 2 is in force. 2 changes since');
  await expect(template).toContainText('near: link HV-2018 added');
  await shoot(page, 'template');
  await template.getByRole('button', { name: `Take the plan of ${first}` }).click();
  await expect(page.getByTestId('check-verdict')).toContainText('stops');
  await takeLeastEffort(page);
  await page.getByRole('button', { name: 'Keep this plan' }).click();
  await expect(page.locator('[data-code="plan-not-submitted"]')).toBeVisible();
});
