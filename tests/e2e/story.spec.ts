import { expect, test, type Page } from '@playwright/test';
import { actAs, codesOf, expectNoBarriers, nameOf, pinOf, sendCommand, sign } from './desk';

const JOB = 'J-0005';
const shots = process.env.LANTERN_SHOTS;
const shoot = async (page: Page, name: string) => {
  if (shots) await page.screenshot({ path: `${shots}/${name}.png` });
};

/** Does every open step of the work order, whoever it takes. */
async function doField(page: Page, until: (phase: string) => boolean): Promise<void> {
  for (let turn = 0; turn < 60; turn++) {
    const step = page.locator('li[data-step]', { has: page.locator('form, button') }).first();
    if ((await step.count()) === 0) return;
    const phase = (await step.getAttribute('data-step')) ?? '';
    if (until(phase)) return;
    const subject = (await step.getAttribute('data-subject')) ?? '';
    const electrical = phase === 'isolate-drives' || subject.startsWith('voltage:');
    const actor =
      phase === 'tell'
        ? 'ada'
        : phase === 'stop' || phase === 'try-start'
          ? 'cora'
          : electrical
            ? 'elif'
            : 'finn';
    if (!(await page.getByText(nameOf(actor), { exact: true }).first().isVisible()))
      await actAs(page, actor);
    const form = page.locator(`li[data-step="${phase}"][data-subject="${subject}"]`);
    if (phase === 'try-start') {
      await form.getByRole('button', { name: /did not start/ }).click();
    } else {
      for (const label of [
        'Who was told',
        'How it was stopped',
        'How it is held',
        'What was seen',
      ]) {
        const box = form.getByLabel(label);
        if (await box.count()) await box.fill('as agreed with the control room');
      }
      if (phase === 'prove') {
        await form.getByLabel(/^Reading/).fill('0');
        if (subject.startsWith('voltage:'))
          await form.getByLabel('tester proved before and after').check();
      }
      await form.getByRole('button').click();
    }
    await expect(form).toContainText('✓');
  }
}

test('a seal change from raise to close', async ({ page }) => {
  await page.goto('/login');
  await expectNoBarriers(page);
  await page.getByLabel('Who are you?').selectOption('ada');
  await page.getByLabel('PIN').fill('0000');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByText('That PIN is not right.')).toBeVisible();
  await page.getByLabel('PIN').fill(pinOf('ada'));
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Jobs' })).toBeVisible();
  await expectNoBarriers(page);

  await page.getByRole('link', { name: 'Raise a job' }).click();
  await page
    .getByLabel('What is to be done')
    .fill('Seal change on digestate pump P-201, second shift');
  await page.getByLabel('Equipment').selectOption('P-201');
  await page.getByLabel('Section 1').selectOption('P201-CAS');
  await page.getByRole('button', { name: 'One more place' }).click();
  await page.getByLabel('Section 2').selectOption('P201-PSH');
  await page.getByLabel('Who leads the work').selectOption('jun');
  await expectNoBarriers(page);
  await page.getByRole('button', { name: 'Raise the job' }).click();
  await page.waitForURL(`**/jobs/${JOB}`);

  await expect(page.locator('[data-code="plan-missing"]')).toBeVisible();
  await page.getByRole('link', { name: 'HOLDER' }).click();
  await expect(page.getByText('gas holder (biogas)')).toBeVisible();
  await page.getByRole('button', { name: 'Compute the isolation' }).click();
  await page.getByRole('button', { name: 'Take least effort' }).click({ timeout: 60_000 });
  await expect(page.getByTestId('check-verdict')).toContainText('passes');
  await page.getByRole('button', { name: 'take FS-TR2004 out of the plan' }).click();
  await expect(page.getByTestId('check-verdict')).toContainText('stops');
  const live = page.locator('[data-code="outlet-on-live-body"]').first();
  await expect(live).toContainText('DR-2004 on P201-DIS would be opened on live plant');
  await expect(live).toContainText('HT-2004');
  await live.getByRole('button', { name: 'close and lock FS-TR2004 (fuse-switch)' }).click();
  await expect(page.getByTestId('check-verdict')).toContainText('passes');
  await page.getByRole('button', { name: 'Keep this plan' }).click();
  await expect(page.locator('[data-code="plan-not-submitted"]')).toBeVisible();
  await expectNoBarriers(page);
  await shoot(page, 'plan');
  await page.getByRole('button', { name: 'Put up for review' }).click();

  await page.getByRole('button', { name: 'Accept the plan' }).click();
  await sign(page, 'ada');
  await expect(page.locator('[data-code="own-review"]')).toBeVisible();
  await actAs(page, 'hana');
  await page.getByRole('button', { name: 'Accept the plan' }).click();
  await sign(page, 'hana');
  await expect(page.getByRole('heading', { name: 'Isolate, let down and prove' })).toBeVisible();

  const refused = await sendCommand(
    page,
    JOB,
    { kind: 'issue-permit', hours: 8, briefed: true, performer: 'jun' },
    4,
    ['hana', 'jun'],
  );
  expect(refused.status()).toBe(409);
  expect(await codesOf(refused)).toEqual(
    expect.arrayContaining(['locks-missing', 'not-proved', 'not-approved']),
  );

  await doField(page, (phase) => phase === 'prove');
  await expect(page.getByTestId('lamps-lit')).toHaveText('0 lit');
  await expectNoBarriers(page);
  await shoot(page, 'isolate');
  await doField(page, () => false);
  await actAs(page, 'ada');
  await page.getByRole('button', { name: 'Keys in, control lock on' }).click();
  await expect(page.getByRole('heading', { name: 'General permit' })).toBeVisible();
  await expect(page.getByTestId('lamps-dark')).not.toHaveText('0 dark');
  await expectNoBarriers(page);

  await actAs(page, 'hana');
  await page.getByLabel('Hazard 1').fill('digestate left in the casing');
  await page.getByLabel('Control 1').fill('drain open, visor and gloves');
  await page.getByLabel('Protective equipment').fill('visor, gloves, gas alarm');
  await page.getByLabel('In an emergency').fill('eyewash at the door, call 3333');
  await page.getByRole('button', { name: 'Keep assessment' }).click();
  await page.getByRole('button', { name: 'Approve' }).click();
  await sign(page, 'hana');
  await page.getByLabel(/briefing held/).check();
  await page.getByRole('button', { name: 'Issue with both signatures' }).click();
  await sign(page, 'hana', 'jun');
  await expect(page.getByRole('heading', { name: 'Permit P-0005' })).toBeVisible();

  await page.getByLabel('Who signs on').selectOption('kit');
  await page.getByLabel('Personal lock').selectOption('W-02');
  await page.getByRole('button', { name: 'Sign on' }).click();
  await sign(page, 'kit');
  await expect(page.getByTestId('count-on')).toHaveText('1');
  await expectNoBarriers(page);
  await shoot(page, 'work');

  const sequence = async () => {
    const probe = await sendCommand(page, JOB, { kind: 'submit-plan' }, 0);
    return ((await probe.json()) as { sequence: number }).sequence;
  };
  const stolen = await sendCommand(
    page,
    JOB,
    { kind: 'sign-off', person: 'kit', lock: 'W-02' },
    await sequence(),
    ['lena'],
  );
  expect(await codesOf(stolen)).toEqual(['signature-missing']);
  const unlocked = await sendCommand(
    page,
    JOB,
    { kind: 'unlock-point', link: 'CB-P201' },
    await sequence(),
    ['hana'],
  );
  expect(await codesOf(unlocked)).toEqual(
    expect.arrayContaining(['role-missing', 'permit-open', 'box-still-locked']),
  );

  await page.getByRole('button', { name: `Sign ${nameOf('kit')} off` }).click();
  await sign(page, 'kit');
  await expect(page.getByTestId('count-on')).toHaveText('0');
  await actAs(page, 'ada');
  await page.getByRole('button', { name: 'demo: 1 h later' }).click();
  expect((await page.request.post('/api/clock', { data: { hours: 8 } })).ok()).toBe(true);
  await actAs(page, 'hana');
  await expect(page.getByText('LAPSED at', { exact: true })).toBeVisible();
  await page.getByLabel('Who signs on').selectOption('kit');
  await page.getByLabel('Personal lock').selectOption('W-02');
  await page.getByRole('button', { name: 'Sign on' }).click();
  await sign(page, 'kit');
  await expect(page.getByRole('alert').locator('[data-code="permit-lapsed"]')).toBeVisible();
  await actAs(page, 'jun');
  await page.getByLabel(/tools and people out/).check();
  await page.getByRole('button', { name: 'Hand back' }).click();
  await sign(page, 'jun');
  await actAs(page, 'hana');
  await page.getByLabel('What was inspected').fill('seal dry, guard on');
  await page.getByRole('button', { name: 'Inspected: close the permit' }).click();
  await sign(page, 'hana');

  await actAs(page, 'ada');
  await page.getByRole('button', { name: /Take control lock/ }).click();
  await expect(page.getByRole('button', { name: /Take control lock/ })).toHaveCount(0);
  for (const actor of ['finn', 'elif']) {
    await actAs(page, actor);
    for (let turn = 0; turn < 30; turn++) {
      const step = page.locator('li[data-subject]', { has: page.locator('button') }).first();
      if ((await step.count()) === 0) break;
      const subject = (await step.getAttribute('data-subject')) ?? '';
      if (actor === 'finn' && (await step.textContent())?.includes(nameOf('elif'))) break;
      await step.getByRole('button').click();
      if ((await step.textContent())?.includes('lock')) await signIfAsked(page, actor);
      await expect(page.locator(`li[data-subject="${subject}"]`)).toContainText('✓');
    }
  }
  await actAs(page, 'cora');
  await shoot(page, 'restore');
  for (const point of await page.locator('li[data-point]').all()) {
    const normal = (await point.textContent())?.includes('normally open') ? 'open' : 'closed';
    await point.getByRole('button', { name: `Found ${normal}` }).click();
    await expect(point).toContainText('✓');
  }
  await page.getByLabel('Who was told').fill('control room and pump hall');
  await page.getByRole('button', { name: 'Operations takes it back' }).click();
  await sign(page, 'cora');
  await actAs(page, 'ada');
  await page.getByRole('button', { name: 'Close the job' }).click();
  await sign(page, 'ada');
  await expect(page.getByRole('heading', { name: 'Closed' })).toBeVisible();
  await page.getByRole('link', { name: 'Whole record' }).click();
  await expect(page.getByText('job closed')).toBeVisible();
  await expectNoBarriers(page);
  await shoot(page, 'record');
  await page.goto('/records');
  await expect(page.getByText('The ledger is whole')).toBeVisible();
  await expectNoBarriers(page);
});

async function signIfAsked(page: Page, actor: string): Promise<void> {
  const dialog = page.getByRole('dialog', { name: 'Sign' });
  await dialog.waitFor({ timeout: 1500 }).catch(() => undefined);
  if (await dialog.isVisible()) await sign(page, actor);
}

test('the plant and a planned job at both sizes', async ({ page }) => {
  await page.goto('/login');
  await actAs(page, 'ada').catch(() => undefined);
  await page.goto('/plant');
  await expect(page.getByRole('img', { name: /173 sections/ })).toBeVisible();
  await expectNoBarriers(page);
  await shoot(page, 'plant');
  await page.goto('/');
  await shoot(page, 'jobs');
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto('/jobs/J-0002');
  await expect(page.getByText('Holding this up')).toBeVisible();
  await expectNoBarriers(page);
  await shoot(page, 'job-narrow');
});
