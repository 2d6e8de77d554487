import { expect, test, type Locator, type Page } from '@playwright/test';
import { withLocks } from '../../support/any-job';
import { fieldSteps, PERMIT, USABLE } from '../../support/seal-change';
import { actAs, carryOutOn, letTimePass, nameOf, open, readSequence } from '../desk';
import { keepBudget, pickInto, signByHand, startCounting, typeInto } from './count';

const PHONE = { width: 390, height: 844 };
const DESK = { width: 1280, height: 800 };

/** What a step in the field asks for in words, in the order of its form. */
const WORDS = [
  'Who was told',
  'How it was stopped',
  'How it is held',
  'What was seen',
  'Known live source',
];

/** Who does the step at hand, by what it is called and where it is. */
function actorOf(label: string, subject: string): string {
  if (label === 'Tell') return 'ada';
  if (label === 'Stop' || label === 'Try to start') return 'cora';
  return label === 'Isolate drives' || subject.startsWith('voltage:') ? 'elif' : 'finn';
}

/** Proves the tester, tests every pair of conductors, proves the tester again: keys alone, from field to field. */
async function typeRound(form: Locator): Promise<void> {
  const { keyboard } = form.page();
  await typeInto(form.getByLabel('It is rated for (V)'), '12000');
  const labels = await form.getByRole('group').locator('label').allTextContents();
  for (const [n, label] of labels.entries()) {
    if (n === 0) await form.getByLabel(label, { exact: true }).click();
    else await keyboard.press('Tab');
    await keyboard.type(label.startsWith('Known') ? '690' : '0');
  }
}

/** The step that the field page shows, by what it is and where; empty once every step is done. Read at one go: the last step may go while it is read. */
const titleOf = async (page: Page): Promise<string> => {
  const [title = ''] = await page.getByRole('region', { name: 'Now' }).locator('p').allInnerTexts();
  return title;
};

/** Waits until the field page shows another step. */
const untilOver = (page: Page, title: string): Promise<void> =>
  expect.poll(() => titleOf(page)).not.toBe(title);

/** Types the code of the point at hand, where one hangs there. */
async function giveCode(page: Page, job: string): Promise<void> {
  const subject = await page.getByRole('region', { name: 'Now' }).getAttribute('data-task');
  const code = page.getByLabel('Code at the point');
  if ((await code.count()) === 0) return;
  await typeInto(code, `${job}/${subject ?? ''}`);
  await page.keyboard.press('Enter');
}

/** Does the step that the field page shows, as a gloved hand does: code, what is asked, the large button. */
async function doStep(page: Page, job: string): Promise<void> {
  const now = page.getByRole('region', { name: 'Now' });
  const title = await titleOf(page);
  await giveCode(page, job);
  const form = now.locator('form').last();
  for (const label of WORDS) {
    const field = now.getByLabel(label);
    if (await field.count()) await typeInto(field, 'all well');
  }
  if (await now.getByLabel('It is rated for (V)').count()) await typeRound(form);
  else if (await now.getByLabel(/^Reading/).count())
    await typeInto(now.getByLabel(/^Reading/), '0');
  for (const box of await now.getByRole('checkbox').all()) await box.click();
  await now
    .getByRole('button', { name: /^(Record|Nothing moved|I found it open)/ })
    .first()
    .click();
  const watch = page.getByRole('button', { name: 'Record that it has run empty' });
  await expect(async () =>
    expect((await watch.isVisible()) || (await titleOf(page)) !== title).toBe(true),
  ).toPass({ timeout: 30_000 });
  if (await watch.isVisible()) {
    await typeInto(now.getByLabel('What was seen'), 'empty');
    await watch.click();
  }
  await untilOver(page, title);
  await expect(page.getByTestId('network')).not.toContainText('not yet sent');
}

/** Points of the plan that an electrician locks. */
const ELECTRICAL = ['CB-P201', 'FS-TR2004'];

/** What is asked for at a test for leaks, in the order of its fields. */
const LEAK_TEST = [
  [/^Pressure at the start/, '2'],
  [/^At the end/, '2'],
  [/^Held for/, '15'],
  [/^Smallest step/, '0.02'],
  [/^What was seen at joints/, 'dry'],
] as const;

/** Whose step of the way back is at hand. */
function restorerOf(label: string, subject: string): string {
  if (label === 'Take the lock off') return ELECTRICAL.includes(subject) ? 'elif' : 'finn';
  return label === 'Walk the line' || label === 'Start it' ? 'cora' : 'finn';
}

/** Puts everything back, tests for leaks, walks the line and sees the start, step by step as the field page asks. */
async function restore(page: Page, job: string): Promise<void> {
  const now = page.getByRole('region', { name: 'Now' });
  await open(page, 'finn', `/jobs/${job}/field`);
  let who = 'finn';
  for (let step = 0; step < 60; step++) {
    await expect(now.or(page.getByText('Every step is done.'))).toBeVisible();
    if ((await now.count()) === 0) return;
    const label = await now.locator('strong').first().innerText();
    const subject = (await now.getAttribute('data-task')) ?? '';
    const actor = restorerOf(label, subject);
    if (label === 'Test for leaks') await letTimePass(page, 0.3);
    if (actor !== who || label === 'Test for leaks') await actAs(page, actor);
    who = actor;
    const title = await titleOf(page);
    await giveCode(page, job);
    if (label === 'Walk the line') {
      const normal = /normally (\w+)/.exec(await now.innerText())?.[1] ?? '';
      await now.getByRole('button', { name: new RegExp(`^Found ${normal}`) }).click();
    } else if (label === 'Test for leaks') {
      for (const [field, value] of LEAK_TEST) await typeInto(now.getByLabel(field), value);
      await page.keyboard.press('Enter');
    } else if (label === 'Start it') {
      await typeInto(now.getByLabel('Who was told before it'), 'control room');
      await typeInto(now.getByLabel('What was seen of it'), 'runs quiet');
      await now.getByRole('checkbox').click();
      await now.getByRole('button', { name: 'Record the start' }).click();
    } else {
      await now.getByRole('button', { name: label }).click();
      if (label === 'Take the lock off') await signByHand(page, actor);
    }
    await untilOver(page, title);
  }
}

test('one job by its people: the field on a phone, signing on, an alarm, the way back, the shift', async ({
  page,
}) => {
  test.setTimeout(900_000);
  const { job } = await carryOutOn(page, USABLE);

  await page.setViewportSize(PHONE);
  await startCounting(page);
  await open(page, 'ada', `/jobs/${job}/field`);
  const count = Number(/of (\d+) done/.exec(await page.locator('main').innerText())?.[1]);
  const perStep = { presses: 4, keys: 30 };
  await keepBudget(
    page,
    `lock, drain and prove on a phone, ${count} steps`,
    { presses: perStep.presses * count, keys: perStep.keys * count },
    async () => {
      let who = 'ada';
      let last = '';
      for (let step = 0; step < count; step++) {
        const now = page.getByRole('region', { name: 'Now' });
        const label = await now.locator('strong').first().innerText();
        const subject = (await now.getAttribute('data-task')) ?? '';
        const isToWait = label === 'Wait out' && last !== label;
        if (isToWait) await letTimePass(page, 0.1);
        last = label;
        const actor = actorOf(label, subject);
        // Another phone: whoever carries it has signed in before.
        if (actor !== who || isToWait) await actAs(page, actor);
        who = actor;
        await doStep(page, job);
      }
    },
  );

  await page.setViewportSize(DESK);
  const box = fieldSteps().filter(([, { kind }]) => kind === 'lock-box');
  const more = [...withLocks(box, { E: 0, P: 0, C: 1, BOX: 1 }), ...PERMIT];
  await carryOutOn(page, more, { job, sequence: await readSequence(page, job) });
  await open(page, 'hana', `/hatch?job=${job}`);
  await expect(page.getByRole('button', { name: 'Sign on' })).toBeVisible();
  // All of the employer that leads: others sign on in a crew of their own.
  const crew = ['kit', 'lena', 'jun'];
  await keepBudget(
    page,
    `sign ${crew.length} people on`,
    { presses: 4 * crew.length, keys: 12 * crew.length, before: 6 * crew.length },
    async () => {
      for (const [n, id] of crew.entries()) {
        await pickInto(page.getByLabel('Who signs on'), id);
        await page.getByRole('button', { name: 'Sign on', exact: true }).click();
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
      await page.keyboard.type(job.replace('J', 'P'));
      await expect(page.getByRole('option', { name: new RegExp(job) }).first()).toBeVisible();
      await page.keyboard.press('Enter');
      await expect(page.getByRole('heading', { name: new RegExp(job) })).toBeVisible();
    },
  );

  const alarm = { kind: 'raise-alarm', where: 'P201-CAS', seen: 'gauge rises' } as const;
  await carryOutOn(page, [['kit', alarm]], { job, sequence: await readSequence(page, job) });
  await open(page, 'hana', '/locks');
  await keepBudget(page, 'react to an alarm', { presses: 3, keys: 40, before: 5 }, async () => {
    await page.getByRole('link', { name: `Go to ${job}` }).click();
    await expect(page.getByText(/Call off by name:/).first()).toContainText(nameOf('kit'));
    await typeInto(
      page.getByLabel('Cause, and what was done about it'),
      'gauge was knocked, hangs again',
    );
    await page.keyboard.press('Enter');
    await signByHand(page, 'hana');
    await expect(page.getByRole('heading', { name: 'Alarm' })).toHaveCount(0);
    await expect(page.getByRole('link', { name: `Go to ${job}` })).toHaveCount(0);
  });

  for (const person of crew) {
    await actAs(page, 'hana');
    await page.getByRole('button', { name: `Sign ${nameOf(person)} off` }).click();
    await signByHand(page, person);
    await expect(page.getByRole('button', { name: `Sign ${nameOf(person)} off` })).toHaveCount(0);
  }
  const back = { kind: 'hand-back', cleared: true, finished: true, remarks: '' } as const;
  const closed = { kind: 'close-permit', inspected: 'seal dry' } as const;
  await carryOutOn(
    page,
    [
      ['jun', back],
      ['hana', closed],
    ],
    { job, sequence: await readSequence(page, job) },
  );

  const goOn = { kind: 'lift-stop', found: 'gauge hangs again' } as const;
  await carryOutOn(page, [['hana', goOn]], { job, sequence: await readSequence(page, job) });
  await page.setViewportSize(PHONE);
  await open(page, 'ada', `/jobs/${job}`);
  await keepBudget(page, 'restore on a phone and close', { presses: 80, keys: 760 }, async () => {
    await page.getByRole('button', { name: /^Take control lock/ }).click();
    await signByHand(page, 'ada');
    await expect(page.getByRole('button', { name: /^Take control lock/ })).toHaveCount(0);
    await restore(page, job);
    await open(page, 'cora', `/jobs/${job}`);
    await typeInto(page.getByLabel('Who was told'), 'control room');
    await page.keyboard.press('Enter');
    await signByHand(page, 'cora');
    await actAs(page, 'ada');
    await page.getByRole('button', { name: 'Close the job' }).click();
    await signByHand(page, 'ada');
    await expect(page.getByRole('heading', { name: 'Closed' })).toBeVisible();
  });

  await page.setViewportSize(DESK);
  await open(page, 'hana', '/handover');
  await keepBudget(page, 'hand over a shift', { presses: 3, keys: 40, before: 5 }, async () => {
    await typeInto(page.getByLabel(/^Notes/), 'Belt goes on at six.');
    await pickInto(page.getByLabel('Who takes over'), 'ben');
    await page.getByRole('button', { name: 'Hand over with both signatures' }).click();
    await signByHand(page, 'hana', 'ben');
    await expect(page.locator('[data-handover]').first()).toContainText('to Ben');
  });
});
