import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { expectNoBarriers, pick, shoot, takeLeastEffort } from './desk';

/** A small site of its own: a pumping station, put together from nothing by whoever types. */
const FOLDER = 'demo/ferry-lane';
const PINS = { mira: '482913', tom: '571302', ida: '660417', otto: '739528', vera: '808639', pim: '917742' }; // prettier-ignore
type Who = keyof typeof PINS;
const NAMES: Readonly<Record<Who, string>> = {
  mira: 'Mira Holloway',
  tom: 'Tom Barrow',
  ida: 'Ida Renfrew',
  otto: 'Otto Quaresma',
  vera: 'Vera Linklater',
  pim: 'Pim Okonedo',
};

/** Signs in by the screen, as people do. */
async function signIn(page: Page, who: Who): Promise<void> {
  await page.context().clearCookies({ name: 'lantern' });
  await page.goto('/login');
  await pick(page.getByRole('combobox', { name: 'Who are you?' }), who);
  await page.getByLabel('PIN').fill(PINS[who]);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('button', { name: NAMES[who] })).toBeVisible();
}

/** Gives the PIN that the dialog asks for. */
async function sign(page: Page, who: Who): Promise<void> {
  await page.getByLabel(`PIN of ${NAMES[who]}`).fill(PINS[who]);
  await page.getByRole('button', { name: 'Sign', exact: true }).click();
  await expect(page.getByRole('dialog', { name: 'Sign' })).toHaveCount(0);
}

/** Reads a sheet in as the screen asks for it: looked at first, then saved with the PIN of who is signed in. */
async function bringSheet(page: Page, what: string, file: string, who: Who): Promise<void> {
  const part = page.getByRole('region', { name: new RegExp(`^${what}$`, 'i') });
  await part.getByText(new RegExp(`^Read ${what} from a sheet`)).click();
  await part.getByLabel(`Sheet of ${what}`).setInputFiles(`${FOLDER}/${file}`);
  await expect(part.getByRole('list', { name: 'What would change' })).toBeVisible();
  const form = part.locator('form', { hasText: 'Save all of it' });
  await form.getByLabel('Your PIN').fill(PINS[who]);
  await form.getByRole('button', { name: 'Save all of it' }).click();
  await expect(part.getByText('Saved.')).toBeVisible();
}

/** A site manager makes a code for somebody, who sets their own PIN with it. */
async function givePin(page: Page, who: Who): Promise<void> {
  await page.goto(`/people?person=${who}`);
  const panel = page.getByRole('region', { name: 'PIN' });
  await panel.getByLabel('Your PIN').fill(PINS.mira);
  await panel.getByRole('button', { name: 'Make a code' }).click();
  const code = await panel.locator('strong').innerText();
  await page.goto('/first-pin');
  await pick(page.getByRole('combobox', { name: 'Who are you?' }), who);
  await page.getByLabel('Code from a site manager').fill(code);
  await page.getByLabel('Your new PIN', { exact: true }).fill(PINS[who]);
  await page.getByLabel('Your new PIN again').fill(PINS[who]);
  await page.getByRole('button', { name: 'Set my PIN' }).click();
  await expect(page.getByRole('status')).toContainText('made by Mira Holloway');
}

test('a site is set up from nothing, and its first job is planned and reviewed', async ({
  page,
}) => {
  await page.goto('/');
  await expect(page).toHaveURL(/set-up/);
  await expect(page.getByRole('heading', { name: 'Set up this site' })).toBeVisible();
  await expectNoBarriers(page);
  const fill = async (code: string) => {
    await page.getByLabel('Code from the server').fill(code);
    await page.getByLabel('Name of the site').fill('Ferry Lane pumping station');
    await page.getByLabel('Name', { exact: true }).fill(NAMES.mira);
    await page.getByLabel(/^Short name/).fill('mira');
    await page.getByLabel('Employer').fill('Ferry Lane Water');
    await page.getByLabel(/^On what evidence/).fill('appointed by letter of 2026-11-01');
    await page.getByLabel(/^PIN, at least/).fill(PINS.mira);
    await page.getByLabel('PIN again').fill(PINS.mira);
    await page.getByRole('button', { name: 'Set the site up' }).click();
  };
  await fill('AAAA-BBBB-CCCC');
  await expect(page.getByRole('alert').first()).toContainText('That code is not right');
  await shoot(page, 'set-up');
  await fill(readFileSync('.lantern/own/lantern.db.set-up-code', 'utf8').trim());
  await expect(page.getByRole('heading', { name: /^What the site still needs/ })).toBeVisible();
  const step = (id: string, is: 'done' | 'missing') =>
    page.locator(`[data-step="${id}"]`).getByLabel(is);
  for (const id of ['plant', 'people', 'locks', 'instruments', 'job'])
    await expect(step(id, 'missing')).toBeVisible();
  await expectNoBarriers(page);

  await page.getByRole('link', { name: /A second site manager/ }).click();
  await bringSheet(page, 'people', 'people.csv', 'mira');
  await expect(page.getByRole('row', { name: /Vera Linklater/ })).toContainText('no PIN yet');
  await expectNoBarriers(page);
  for (const who of ['tom', 'ida', 'otto', 'vera', 'pim'] as const) await givePin(page, who);

  await page.goto('/people?new');
  const form = page.getByRole('form', { name: 'Add a person' });
  await form.getByLabel('Name', { exact: true }).fill('Nan Albright');
  await form.getByLabel('Short name').fill('nan');
  await form.getByLabel('Employer').fill('Reed Contractors');
  await form.getByRole('button', { name: 'Add an authorisation' }).click();
  await form.getByLabel('Authorised as').selectOption('worker');
  await form.getByLabel('Until').fill('2099-12-31');
  await form.getByLabel('Your PIN').fill(PINS.mira);
  await form.getByRole('button', { name: 'Add this person' }).click();
  await expect(page.getByRole('alert').first()).toContainText('Nothing says on what Nan Albright');
  await form.getByLabel(/^Evidence/).fill('course 3, 2026-11-20');
  await form.getByLabel('Your PIN').fill(PINS.mira);
  await form.getByRole('button', { name: 'Add this person' }).click();
  await expect(page.getByRole('row', { name: /Nan Albright/ })).toBeVisible();
  await page.goto('/people?person=mira');
  const own = page.getByRole('form', { name: 'Change Mira Holloway' });
  await own.getByRole('button', { name: 'Add an authorisation' }).click();
  await own.getByLabel('Authorised as').last().selectOption('coordinator');
  await own.getByLabel('Until').last().fill('2099-12-31');
  await own
    .getByLabel(/^Evidence/)
    .last()
    .fill('I say so');
  await own.getByLabel('Your PIN').fill(PINS.mira);
  await own.getByRole('button', { name: 'Save the change' }).click();
  await expect(page.getByRole('alert').first()).toContainText('authorisation to themselves');
  await shoot(page, 'people');

  await page.goto('/registers');
  await bringSheet(page, 'locks', 'locks.csv', 'mira');
  await page.getByRole('tab', { name: /^Lock boxes/ }).click();
  await bringSheet(page, 'lock boxes', 'boxes.csv', 'mira');
  await page.getByRole('tab', { name: /^Instruments/ }).click();
  await bringSheet(page, 'instruments', 'instruments.csv', 'mira');
  await page.getByRole('tab', { name: /^Earthing sets/ }).click();
  await page.getByRole('button', { name: 'Add an earthing set' }).click();
  const add = page.getByRole('group', { name: 'Add an earthing set' });
  await add.getByLabel('Number').fill('EA-1');
  await add.getByLabel('Name').fill('Earthing set 1');
  await add.getByLabel('Test in date until').fill('2099-12-31');
  await add.getByLabel('Your PIN').fill(PINS.mira);
  await add.getByRole('button', { name: 'Add it' }).click();
  await expect(page.getByRole('row', { name: /EA-1/ })).toBeVisible();
  await expectNoBarriers(page);
  await shoot(page, 'registers');

  await signIn(page, 'ida');
  await page.goto('/plant/edit');
  await page.getByLabel(/Load a plant file/).setInputFiles(`${FOLDER}/ferry-lane.plant.json`);
  await page.getByLabel('What was changed, and why').fill('as built');
  await page.getByLabel('Your PIN').fill(PINS.ida);
  await page.getByRole('button', { name: /Save as version/ }).click();
  await page.waitForURL('**/plant');
  await page.goto('/site');
  for (const id of ['plant', 'managers', 'people', 'locks', 'boxes', 'instruments'])
    await expect(step(id, 'done')).toBeVisible();
  await expect(page.locator('[data-step="pins"]')).toContainText('1 have no PIN yet');
  await shoot(page, 'site');

  await page.goto('/jobs/new');
  await page.getByLabel('What is to be done').fill('Seal of river pump 1');
  await pick(page.getByLabel('Equipment'), 'P-1');
  await pick(page.getByLabel('Section 1'), 'CAS-1');
  await pick(page.getByLabel('Who leads the work'), 'pim');
  await page.getByRole('button', { name: 'Raise the job' }).click();
  await page.waitForURL(/jobs\/J-\d+$/);
  await takeLeastEffort(page);
  await page.getByRole('button', { name: 'Keep this plan' }).click();
  await page.getByRole('button', { name: 'Send it for review' }).click();
  const job = page.url();
  await signIn(page, 'tom');
  await page.goto(job);
  await page.getByRole('button', { name: 'Accept the plan' }).click();
  await sign(page, 'tom');
  await expect(page.getByRole('heading', { name: 'Walk the plan down' })).toBeVisible();
  await page.goto('/registers');
  await expect(page.getByRole('row', { name: /PL-1 / })).toBeVisible();

  // Elsewhere nobody is shown who works here.
  await page.context().clearCookies({ name: /^lantern/ });
  await page.goto('/login');
  await expect(page.getByRole('combobox', { name: 'Who are you?' })).toHaveCount(0);
  await page.getByLabel(/^Who are you/).fill('tom');
  await page.getByLabel('PIN').fill(PINS.tom);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('button', { name: NAMES.tom })).toBeVisible();
  await page.goto('/site');
  const devices = page.getByRole('region', { name: 'Devices' });
  await expect(devices).toContainText('This device is not enrolled');
  const enrol = devices.locator('form', { hasText: 'Enrol this device' });
  await enrol.getByLabel(/^Where it stands/).fill('gate 1');
  await enrol.getByLabel('Your PIN').fill(PINS.tom);
  await enrol.getByRole('button', { name: 'Enrol this device' }).click();
  await expect(devices).toContainText('This device is enrolled as gate 1');
  await expectNoBarriers(page);
  await page.goto(job);
  await page.context().clearCookies({ name: 'lantern' });
  await page.goto('/login');
  await expect(page.getByRole('combobox', { name: 'Who are you?' })).toBeVisible();
});
