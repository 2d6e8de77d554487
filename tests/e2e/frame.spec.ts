import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { ask, expectNoBarriers, nameOf, open, pinOf, shoot } from './desk';

test('jobs are found, sorted and written out; the keyboard goes anywhere; the desk changes hands', async ({
  page,
}) => {
  await open(page, 'ada', '/');
  await expect(page).toHaveURL(/\/jobs$/);
  const table = page.getByRole('table', { name: 'Jobs' });
  const ids = () => table.getByRole('link').allTextContents();
  await expect(table.getByRole('link').first()).toBeVisible();
  const all = await ids();
  expect(all.length).toBeGreaterThan(3);
  await expectNoBarriers(page);

  await test.step('a heading sorts, a word and a tick narrow it down', async () => {
    await table.getByRole('button', { name: 'Job', exact: true }).click();
    expect(await ids()).toEqual([...all].sort());
    await page.getByLabel('Jobs with this in them').fill('macerator');
    await expect(page.getByRole('status').filter({ hasText: `of ${all.length}` })).toHaveText(
      `1 of ${all.length}`,
    );
    await page.getByLabel('Jobs with this in them').fill('zzz');
    await expect(page.getByText('No job is like that.')).toBeVisible();
    await page.getByLabel('Jobs with this in them').fill('');
  });

  await test.step('what is shown is written out, with the columns that are shown', async () => {
    await page.getByRole('button', { name: 'Columns' }).click();
    await page.getByRole('menuitemcheckbox', { name: 'Employer' }).click();
    await page.keyboard.press('Escape');
    await expect(table.getByRole('columnheader', { name: 'Employer' })).toBeVisible();
    const waiting = page.waitForEvent('download');
    await page.getByRole('button', { name: 'CSV of what is shown' }).click();
    const text = readFileSync(await (await waiting).path(), 'utf8');
    expect(text.split('\r\n')[0]).toContain('Area,Employer,Stands,"Next, and whose it is"');
    expect(text.split('\r\n')).toHaveLength(all.length + 1);
  });

  await test.step('the arrow keys step from job to job', async () => {
    await table.getByRole('link').first().focus();
    await page.keyboard.press('ArrowDown');
    await expect(table.getByRole('link').nth(1)).toBeFocused();
  });

  await test.step('Ctrl K finds a job and goes there; it also goes to places', async () => {
    await ask(page, 'macerator rotor');
    await expect(page.getByRole('option', { name: /Macerator rotor change/ })).toBeVisible();
    await shoot(page, 'palette');
    await page.keyboard.press('Enter');
    await expect(page).toHaveURL(/\/jobs\/J-\d+$/);
    await ask(page, 'locks');
    await page.getByRole('option', { name: 'Locks', exact: true }).click();
    await expect(page).toHaveURL(/\/locks$/);
  });

  await test.step('"?" lists the keys, and is only a letter while something is typed', async () => {
    await page.keyboard.press('?');
    await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
    await expectNoBarriers(page);
    await page.keyboard.press('Escape');
    await expect(page.getByRole('dialog')).toHaveCount(0);
  });

  await test.step('somebody else takes over where the screen stands; a wrong PIN changes nothing', async () => {
    await page.getByRole('button', { name: nameOf('ada') }).click();
    await page.getByRole('menuitem', { name: 'Somebody else takes over' }).click();
    await page.getByPlaceholder('Name or role').fill(nameOf('hana'));
    await page.getByRole('option', { name: nameOf('hana') }).click();
    await page.getByLabel(`PIN of ${nameOf('hana')}`).fill('000000');
    await page.keyboard.press('Enter');
    await expect(page.getByText('That PIN is not right.')).toBeVisible();
    await expectNoBarriers(page);
    await page.getByLabel(`PIN of ${nameOf('hana')}`).fill(pinOf('hana'));
    await page.keyboard.press('Enter');
    // The dialog names her, too: only once it is gone has the desk changed hands.
    await expect(page.getByRole('dialog')).toHaveCount(0);
    await expect(page.getByRole('button', { name: nameOf('hana') })).toBeVisible();
    await expect(page).toHaveURL(/\/locks$/);
  });

  await test.step('an address that leads nowhere says so, and where to go', async () => {
    const answer = await page.goto('/nowhere/at/all');
    expect(answer?.status()).toBe(404);
    await expect(
      page.getByRole('heading', { name: 'There is nothing at this address' }),
    ).toBeVisible();
    await expectNoBarriers(page);
    await page.getByRole('main').getByRole('link', { name: 'Watch' }).click();
    await expect(page).toHaveURL(/\/watch$/);
  });

  await test.step('the rail can be drawn in and stays so', async () => {
    await page.getByRole('button', { name: 'Show icons alone' }).click();
    await expect(page.getByRole('button', { name: 'Show the words of the rail' })).toBeVisible();
    await page.reload();
    await expect(page.getByRole('button', { name: 'Show the words of the rail' })).toBeVisible();
  });

  await test.step('signing out leads to the sign-in', async () => {
    await page.getByRole('button', { name: nameOf('hana') }).click();
    await page.getByRole('menuitem', { name: 'Sign out' }).click();
    await expect(page).toHaveURL(/\/login$/);
  });
});

test('what is pressed before the page answers is made good, and no PIN is ever in the address', async ({
  page,
}) => {
  let release = () => {};
  const held = new Promise<void>((resolve) => (release = resolve));
  await page.context().clearCookies({ name: 'lantern' });
  await page.route('**/_next/static/**/*.js', async (route) => {
    await held;
    await route.continue();
  });
  const addresses: string[] = [];
  page.on('request', (request) => addresses.push(request.url()));
  await page.goto('/login', { waitUntil: 'commit' });
  await page.getByLabel('PIN').fill(pinOf('ada'));
  await page.getByLabel('PIN').press('Enter');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page).toHaveURL(/\/login$/);
  release();
  // The first of the list is who signs in where nobody else is picked.
  await expect(page.getByRole('button', { name: nameOf('ada') })).toBeVisible();
  expect(addresses.filter((url) => url.includes(pinOf('ada')))).toEqual([]);
});

test('on a phone the places stand behind one button', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await open(page, 'ada', '/jobs');
  await expect(page.getByRole('navigation', { name: 'Places' })).toBeHidden();
  await page.getByRole('button', { name: 'Places' }).click();
  await page.getByRole('menuitem', { name: 'Plant' }).click();
  await expect(page).toHaveURL(/\/plant$/);
  await expectNoBarriers(page);
});

test('at the first visit each role is told in three lines what it does here, once', async ({
  page,
}) => {
  await page.context().clearCookies();
  await open(page, 'hana', '/jobs');
  const told = page.getByRole('region', { name: 'What you do here' });
  await expect(told).toContainText('You are the issuing authority here.');
  await expect(told.getByRole('listitem')).toHaveCount(3);
  await expectNoBarriers(page);
  await told.getByRole('link', { name: 'Go to the hatch' }).click();
  await expect(page.getByRole('heading', { name: 'Hatch' })).toBeVisible();
  // Whoever holds several roles is told of the next one then.
  for (let turn = 0; turn < 8 && (await told.count()) > 0; turn++) {
    const words = await told.innerText();
    await told.getByRole('button', { name: 'I know my way' }).click();
    await expect(async () => {
      const [now = ''] = await told.allInnerTexts();
      expect(now).not.toBe(words);
    }).toPass();
  }
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Hatch' })).toBeVisible();
  await expect(told).toHaveCount(0);
});
