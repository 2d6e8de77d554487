import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { expectNoBarriers, fillBriefing, pick, shoot, takeLeastEffort } from './desk';

/** A small site of its own: a pumping station, put together from nothing by whoever types. */
const FOLDER = 'demo/ferry-lane';
const PINS = { mira: '482913', tom: '571302', ida: '660417', otto: '739528', vera: 'a heron on the weir', pim: '917742' }; // prettier-ignore
/** One shift a day, that changes far from now: no permit of this story ends while it runs. */
const FAR_FROM_NOW = `${String((new Date().getUTCHours() + 12) % 24).padStart(2, '0')}:00`;
type Who = keyof typeof PINS;
const NAMES: Readonly<Record<Who, string>> = {
  mira: 'Mira Holloway',
  tom: 'Tom Barrow',
  ida: 'Ida Renfrew',
  otto: 'Otto Quaresma',
  vera: 'Vera Linklater',
  pim: 'Pim Okonedo',
};

/** Says who one is: picked where names are shown, else typed. */
async function sayWho(page: Page, who: Who): Promise<void> {
  const shown = page.getByRole('combobox', { name: 'Who are you?' });
  const typed = page.getByRole('textbox', { name: /^Who are you/ });
  await expect(shown.or(typed)).toBeVisible();
  if (await typed.isVisible()) await typed.fill(who);
  else await pick(shown, who);
}

/** Signs in by the screen, as people do. */
async function signIn(page: Page, who: Who): Promise<void> {
  await page.context().clearCookies({ name: 'lantern' });
  await page.goto('/login');
  await sayWho(page, who);
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
  await part.getByText(new RegExp(`^Load ${what} from a CSV file`)).click();
  await part.getByLabel(`CSV file of ${what}`).setInputFiles(`${FOLDER}/${file}`);
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
  await page.getByLabel('Your new PIN or passphrase').fill(PINS[who]);
  await page.getByLabel('The same again').fill(PINS[who]);
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
    await page.getByLabel('Shifts begin at').fill(FAR_FROM_NOW);
    await page.getByLabel('Name', { exact: true }).fill(NAMES.mira);
    await page.getByLabel(/^Short name/).fill('mira');
    await page.getByLabel('Employer').fill('Ferry Lane Water');
    await page.getByLabel(/^On what evidence/).fill('appointed by letter of 2026-11-01');
    await page.getByLabel(/^Passphrase, or a PIN/).fill(PINS.mira);
    await page.getByLabel('The same again').fill(PINS.mira);
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
  await expect(page.locator('[data-step="pins"]')).toContainText('No PIN yet: Nan Albright');
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

/** Who of the station takes a step in the field. */
function actorOf(phase: string, subject: string): Who {
  if (phase === 'tell') return 'ida';
  if (phase === 'isolate-drives' || subject.startsWith('voltage:')) return 'vera';
  return 'otto';
}

/** What a step in the field asks for in words. */
const WORDS = ['Who was told', 'How it was stopped', 'Known live source'];

/** Does every step in the field that is open, each as whoever takes it. */
async function doField(page: Page, job: string): Promise<void> {
  for (let turn = 0; turn < 20; turn++) {
    const open = page.locator('li[data-step]', { has: page.locator('form, button') }).first();
    if ((await open.count()) === 0) return;
    const phase = (await open.getAttribute('data-step')) ?? '';
    const subject = (await open.getAttribute('data-subject')) ?? '';
    await signIn(page, actorOf(phase, subject));
    await page.goto(job);
    const step = page.locator(`li[data-step="${phase}"][data-subject="${subject}"]`);
    await expect(step.locator('button').first()).toBeEnabled();
    if (phase === 'try-start') await step.getByRole('button', { name: /Nothing moved/ }).click();
    else {
      for (const label of WORDS) {
        const field = step.getByLabel(label);
        if ((await field.count()) > 0) await field.fill('as agreed with the control desk');
      }
      const rated = step.getByLabel('It is rated for (V)');
      if ((await rated.count()) > 0) {
        await rated.fill('690');
        const labels = await step.getByRole('group').locator('label').allTextContents();
        for (const label of labels)
          await step
            .getByLabel(label, { exact: true })
            .fill(label.startsWith('Known') ? '400' : '0');
      }
      for (const box of await step.getByRole('checkbox').all()) await box.check();
      await step.locator('button.btn-primary, button[type="submit"]').first().click();
    }
    await expect(step).toContainText('✓');
  }
}

test('and a job there goes from its raising to closed', async ({ page }) => {
  await signIn(page, 'ida');
  await page.goto('/jobs/new');
  await page.getByLabel('What is to be done').fill('Motor cable of river pump 2 terminated anew');
  await pick(page.getByLabel('Equipment'), 'P-2');
  await pick(page.getByLabel('Section 1'), 'CBL-2');
  await page.getByLabel('Activity 1').selectOption('touch');
  await pick(page.getByLabel('Who leads the work'), 'pim');
  await page.getByRole('button', { name: 'Raise the job' }).click();
  await page.waitForURL(/jobs\/J-\d+$/);
  const job = page.url();
  await takeLeastEffort(page);
  await page.getByRole('button', { name: 'Keep this plan' }).click();
  await page.getByRole('button', { name: 'Send it for review' }).click();
  const as = async (who: Who) => {
    await signIn(page, who);
    await page.goto(job);
  };
  await as('tom');
  await page.getByRole('button', { name: 'Accept the plan' }).click();
  await sign(page, 'tom');
  await as('otto');
  const labels = page.locator('li[data-label]');
  await expect(labels.first()).toBeVisible();
  for (const point of await labels.all())
    await point.getByRole('button', { name: /as drawn/i }).click();
  await expect(page.getByRole('heading', { name: 'Isolate, let down and prove' })).toBeVisible();
  await doField(page, job);

  await as('ida');
  await page.getByRole('button', { name: 'Lock the box: keys in, control lock on' }).click();
  await sign(page, 'ida');
  await as('tom');
  await expect(page.getByRole('heading', { name: 'Papers' })).toBeVisible();
  for (const question of await page.locator('[data-question]').all())
    await question.getByLabel('no').check();
  await page.getByRole('button', { name: 'Decide on these papers' }).click();
  await sign(page, 'tom');
  await page.getByLabel('Step 1 of the task').fill('cut back, crimp, connect');
  await page.getByRole('button', { name: 'Keep the assessment' }).click();
  await page.getByRole('button', { name: 'Approve' }).click();
  await sign(page, 'tom');
  await page.getByLabel('From where to where they stand').fill('from the door to the pit');
  await page.getByLabel('What the notices say').fill('keep out, on both sides');
  await page.getByRole('button', { name: 'Record that they are set' }).click();
  await expect(page.getByText('from the door to the pit. Notices')).toBeVisible();
  await fillBriefing(page, [NAMES.pim]);
  await page.getByLabel(`PIN of ${NAMES.tom}`).fill(PINS.tom);
  await sign(page, 'pim');
  await expect(page.getByText(`Held by ${NAMES.tom}`)).toBeVisible();
  await page.getByRole('tab', { name: 'Permit' }).click();
  await page.getByRole('button', { name: 'Issue with both signatures' }).click();
  await page.getByLabel(`PIN of ${NAMES.tom}`).fill(PINS.tom);
  await sign(page, 'pim');
  await pick(page.getByLabel('Who signs on'), 'pim');
  await page.getByRole('button', { name: 'Sign on', exact: true }).click();
  await sign(page, 'pim');
  await expect(page.getByTestId('count-on')).toHaveText('1');
  await page.getByRole('button', { name: `Sign ${NAMES.pim} off` }).click();
  await sign(page, 'pim');
  await as('pim');
  await page.locator('select[name="finished"]').selectOption('yes');
  await page.getByLabel(/tools and people out/).check();
  await page.getByRole('button', { name: 'Hand back' }).click();
  await sign(page, 'pim');
  await as('tom');
  await page.getByLabel('What was inspected').fill('gland tight, cover on');
  await page.getByRole('button', { name: 'Inspected: close the permit' }).click();
  await sign(page, 'tom');

  await as('ida');
  await page.getByRole('button', { name: /^Take control lock/ }).click();
  await sign(page, 'ida');
  await as('vera');
  const lock = page.locator('li[data-subject]', { has: page.locator('button') });
  await lock.first().getByRole('button').click();
  await sign(page, 'vera');
  await as('otto');
  for (let turn = 0; turn < 20; turn++) {
    const line = page.locator('li[data-point]', { has: page.locator('button') }).first();
    if ((await line.count()) === 0) break;
    const point = (await line.getAttribute('data-point')) ?? '';
    const normal = /normally (\w+)/.exec(await line.innerText())?.[1] ?? '';
    await line.getByRole('button', { name: new RegExp(`^Found ${normal}`) }).click();
    await expect(page.locator(`li[data-point="${point}"]`)).toContainText('✓');
  }
  await page.getByLabel('Who was told before it').fill('control desk and hall');
  await page.getByLabel('What was seen of it').fill('turns the right way');
  await page.getByLabel(/keep clear/).check();
  await page.getByRole('button', { name: 'Record the start' }).click();
  await page.getByLabel('Who was told', { exact: true }).fill('control desk');
  await page.getByRole('button', { name: 'Take it back into operation' }).click();
  await sign(page, 'otto');
  await as('ida');
  await page.getByRole('button', { name: 'Close the job' }).click();
  await sign(page, 'ida');
  await expect(page.getByRole('heading', { name: 'Closed' })).toBeVisible();
  await page.goto('/records?check');
  await expect(page.getByText('The ledger is whole')).toBeVisible();
});

test('a forgotten PIN is set anew by two, and its owner is told by whom', async ({ page }) => {
  await signIn(page, 'mira');
  await page.goto('/people?person=pim');
  const panel = page.getByRole('region', { name: 'PIN' });
  await panel.getByLabel('Your PIN').fill(PINS.mira);
  await pick(panel.getByRole('combobox', { name: 'Second' }), 'tom');
  await panel.getByLabel('PIN of the second').fill('000000');
  await panel.getByRole('button', { name: 'Make a code' }).click();
  await expect(panel.getByRole('alert')).toContainText('A PIN is not right');
  await panel.getByLabel('PIN of the second').fill(PINS.tom);
  await panel.getByRole('button', { name: 'Make a code' }).click();
  const code = await panel.locator('strong').innerText();
  await page.goto('/first-pin');
  await sayWho(page, 'pim');
  await page.getByLabel('Code from a site manager').fill(code);
  await page.getByLabel('Your new PIN or passphrase').fill('246813');
  await page.getByLabel('The same again').fill('246813');
  await page.getByRole('button', { name: 'Set my PIN' }).click();
  await expect(page.getByRole('status')).toContainText('made by Mira Holloway and Tom Barrow');
});

test('a drawing with other ids takes an open job along where it is told to, and a job says what it stands on', async ({
  page,
}) => {
  await signIn(page, 'ida');
  await page.goto('/jobs/new');
  await page.getByLabel('What is to be done').fill('Casing of river pump 1 looked into');
  await pick(page.getByLabel('Equipment'), 'P-1');
  await pick(page.getByLabel('Section 1'), 'CAS-1');
  await pick(page.getByLabel('Who leads the work'), 'pim');
  await page.getByRole('button', { name: 'Raise the job' }).click();
  await page.waitForURL(/jobs\/J-\d+$/);
  const job = page.url();
  const [id = ''] = /J-\d+$/.exec(job) ?? [];
  const plant = await (await page.request.get('/api/plant/export?format=json')).text();
  const renamed = plant.replaceAll('"CAS-1"', '"CASING-1"');
  await page.goto('/plant/edit');
  const load = async (document: object) =>
    page.getByLabel(/^Load a plant file/).setInputFiles({
      name: 'ferry-lane.json',
      mimeType: 'application/json',
      buffer: Buffer.from(JSON.stringify(document)),
    });
  const save = async () => {
    await page.getByLabel('What was changed, and why').fill('tags renewed');
    await page.getByLabel('Your PIN').fill(PINS.ida);
    await page.getByRole('button', { name: /^Save as version/ }).click();
  };
  const answers = page.getByLabel(new RegExp(`What becomes of ${id}`));
  // Without its old id the section is gone, and the job can only keep what it has.
  await load(JSON.parse(renamed) as object);
  await save();
  await expect(page.getByRole('region', { name: 'What would change' })).toContainText(
    'CAS-1 is not on this plant',
  );
  await expect(answers.locator('option')).toHaveCount(2);
  await load({ ...(JSON.parse(renamed) as object), renamed: [{ id: 'CAS-1', now: 'CASING-1' }] });
  await save();
  await expect(page.getByRole('region', { name: 'What would change' })).toContainText(
    'CAS-1 is called CASING-1 on it',
  );
  await answers.selectOption('follow');
  await save();
  await page.waitForURL(/\/plant$/);
  await page.goto(job);
  await expect(page.getByText('CASING-1').filter({ visible: true }).first()).toBeVisible();
  await page.goto(`${job}/record`);
  await expect(page.getByRole('row', { name: /names.taken.over/ })).toContainText('CASING-1');
  // The first job stands on the drawing that its plan was accepted on.
  await page.goto('/jobs/J-0001');
  await expect(page.getByText(/^Stands on drawing \d+; \d+ is in force/)).toBeVisible();
});
