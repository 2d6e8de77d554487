import { expect, test, type Locator, type Page } from '@playwright/test';
import {
  actAs,
  answerNo,
  beginShift,
  choose,
  codesOf,
  doAnywhere,
  expectNoBarriers,
  fillBriefing,
  letTimePass,
  nameOf,
  pinOf,
  press,
  sendCommand,
  shoot,
  showTab,
  sign,
  tick,
  type,
  pickByKeys,
} from './desk';

/** Proves the tester, tests every pair, and proves the tester again. */
async function doRound(form: Locator): Promise<void> {
  await type(form.getByLabel('Known live source'), 'proving unit 2');
  await type(form.getByLabel('It is rated for (V)'), '12000');
  for (const label of await form.getByRole('group').locator('label').allTextContents()) {
    await type(form.getByLabel(label, { exact: true }), label.startsWith('Known') ? '690' : '0');
  }
}

const WORDS = ['Who was told', 'How it was stopped', 'How it is held', 'What was seen'];

/** Who takes a step of the seal change. */
function actorOf(phase: string, subject: string): string {
  if (phase === 'tell') return 'ada';
  if (phase === 'stop' || phase === 'try-start') return 'cora';
  return phase === 'isolate-drives' || subject.startsWith('voltage:') ? 'elif' : 'finn';
}

/** Fills in what a step asks for and sends it. */
async function fillStep(form: Locator, phase: string, subject: string): Promise<void> {
  for (const label of WORDS) {
    const box = form.getByLabel(label);
    if (await box.count()) await type(box, 'as agreed with the control room');
  }
  const watcher = form.getByLabel('Who watches it until it is empty');
  if (await watcher.count()) await pickByKeys(watcher, 'finn');
  if (phase === 'prove' && subject.startsWith('voltage:')) await doRound(form);
  else if (phase === 'prove') await type(form.getByLabel(/^Reading/), '0');
  for (const box of await form.getByRole('checkbox').all()) await tick(box);
  await press(form.locator('button.btn-primary, button[type="submit"]').first());
}

/** Does every open step of the work order, whoever it takes. */
async function doField(page: Page, until: (phase: string) => boolean): Promise<void> {
  let last = '';
  let who = '';
  for (let turn = 0; turn < 60; turn++) {
    const step = page.locator('li[data-step]', { has: page.locator('form, button') }).first();
    if ((await step.count()) === 0) return;
    const phase = (await step.getAttribute('data-step')) ?? '';
    if (until(phase)) return;
    const subject = (await step.getAttribute('data-subject')) ?? '';
    const isToWait = phase !== last && phase === 'wait';
    if (isToWait) await letTimePass(page, 0.1);
    last = phase;
    const actor = actorOf(phase, subject);
    if (isToWait || actor !== who) await actAs(page, actor);
    who = actor;
    const form = page.locator(`li[data-step="${phase}"][data-subject="${subject}"]`);
    if (phase === 'try-start') await press(form.getByRole('button', { name: /Nothing moved/ }));
    else await fillStep(form, phase, subject);
    const watch = form.locator('[data-watch]');
    await expect(form.getByText('✓').or(watch)).toBeVisible();
    if (await watch.count()) {
      await type(watch.getByLabel('What was seen'), 'nothing comes any more');
      await press(watch.getByRole('button', { name: 'Record that it has run empty' }));
    }
    await expect(form).toContainText('✓');
  }
}

test('a seal change from raise to close, by keyboard alone', async ({ page }) => {
  test.setTimeout(900_000);
  await beginShift(page);
  await page.context().clearCookies();
  await page.goto('/login');
  await expectNoBarriers(page);
  await pickByKeys(page.getByLabel('Who are you?'), 'ada');
  await type(page.getByLabel('PIN'), '0000');
  await press(page.getByRole('button', { name: 'Sign in' }));
  await expect(page.getByText('That PIN is not right.')).toBeVisible();
  await type(page.getByLabel('PIN'), pinOf('ada'));
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Jobs' })).toBeVisible();
  await expectNoBarriers(page);

  await press(page.getByRole('link', { name: 'Raise a job', exact: true }));
  await type(
    page.getByLabel('What is to be done'),
    'Seal change on digestate pump P-201, second shift',
  );
  await pickByKeys(page.getByLabel('Equipment'), 'P-201');
  await pickByKeys(page.getByLabel('Section 1'), 'P201-CAS');
  await press(page.getByRole('button', { name: 'One more place' }));
  await pickByKeys(page.getByLabel('Section 2'), 'P201-PSH');
  await pickByKeys(page.getByLabel('Who leads the work'), 'jun');
  await expectNoBarriers(page);
  await press(page.getByRole('button', { name: 'Raise the job' }));
  await page.waitForURL(/jobs\/J-\d+$/);
  const JOB = page.url().split('/').at(-1) ?? '';

  await expect(page.locator('[data-code="plan-missing"]')).toBeVisible();
  await press(page.getByRole('button', { name: /Biogas from gas holder/ }));
  await expect(page.locator('[data-source="HOLDER"]')).toContainText('double-bled');
  await expect(page.getByRole('group', { name: /lit route/ })).toBeVisible();
  await press(page.getByRole('button', { name: 'Compute the isolation' }));
  await press(page.getByRole('button', { name: 'Take least effort' }));
  await expect(page.getByTestId('check-verdict')).toContainText('passes');
  await press(page.getByRole('button', { name: 'take HV-2005 out of the plan' }));
  await expect(page.getByTestId('check-verdict')).toContainText('stops');
  const live = page
    .locator('[data-code="outlet-on-live-body"]')
    .filter({ hasText: 'DR-2004 on P201-DIS would be opened on live plant' });
  await expect(live).toContainText('HV-2005');
  await press(live.getByRole('button', { name: 'shut and lock HV-2005 (gate-valve)' }));
  await expect(page.getByTestId('check-verdict')).toContainText('passes');
  await press(page.getByRole('button', { name: 'Keep this plan' }));
  await expect(page.locator('[data-code="plan-not-submitted"]')).toBeVisible();
  await expectNoBarriers(page);
  await shoot(page, 'plan');
  await press(page.getByRole('button', { name: 'Send it for review' }));

  await press(page.getByRole('button', { name: 'Accept the plan' }));
  await sign(page, 'ada');
  await expect(page.locator('[data-code="own-review"]')).toBeVisible();
  await actAs(page, 'hana');
  await press(page.getByRole('button', { name: 'Accept the plan' }));
  await sign(page, 'hana');
  await expect(page.getByRole('heading', { name: 'Walk the plan down' })).toBeVisible();
  await expect(page.locator('[data-code="not-walked-down"]')).toBeVisible();
  await expectNoBarriers(page);
  await actAs(page, 'finn');
  await walkDown(page);
  await expect(page.getByRole('heading', { name: 'Isolate, let down and prove' })).toBeVisible();

  const sequence = async () => {
    const probe = await sendCommand(page, JOB, { kind: 'submit-plan' }, 0);
    return ((await probe.json()) as { sequence: number }).sequence;
  };
  const refused = await sendCommand(
    page,
    JOB,
    { kind: 'issue-permit', briefed: true, performer: 'jun' },
    await sequence(),
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
  await press(page.getByRole('button', { name: 'Lock the box: keys in, control lock on' }));
  await sign(page, 'ada');
  await expect(page.getByRole('heading', { name: 'Papers' })).toBeVisible();
  await expect(page.getByTestId('lamps-dark')).not.toHaveText('0 dark');
  await expectNoBarriers(page);

  await actAs(page, 'hana');
  await answerNo(page);
  await press(page.getByRole('button', { name: 'Decide on these papers' }));
  await sign(page, 'hana');
  await expect(page.locator('[data-hazard="corrosive"]')).toBeVisible();
  await type(page.getByLabel('Step 1 of the task'), 'change the seal');
  await expectNoBarriers(page);
  await press(page.getByRole('button', { name: 'Keep the assessment' }));
  await press(page.getByRole('button', { name: 'Approve' }));
  await sign(page, 'hana');
  // Filled in directly: its fields are plain ones, and tabbing to each of thirty takes minutes.
  await fillBriefing(page, [nameOf('jun'), nameOf('kit')]);
  await expectNoBarriers(page);
  await shoot(page, 'briefing');
  await sign(page, 'hana', 'jun', 'kit');
  await expect(page.getByText(`Held by ${nameOf('hana')}`)).toBeVisible();
  await showTab(page, 'Permit');
  await type(page.getByLabel(/^Valid for/), '8');
  await press(page.getByRole('button', { name: 'Issue with both signatures' }));
  await sign(page, 'hana', 'jun');
  await expect(
    page.getByRole('heading', { name: `Permit ${JOB.replace('J', 'P')}` }),
  ).toBeVisible();

  await pickByKeys(page.getByLabel('Who signs on'), 'kit');
  await pickByKeys(page.getByLabel('Personal lock'), 'W-02');
  await press(page.getByRole('button', { name: 'Sign on' }));
  await sign(page, 'kit');
  await expect(page.getByTestId('count-on')).toHaveText('1');
  await expectNoBarriers(page);
  await shoot(page, 'work');

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

  await press(page.getByRole('button', { name: `Sign ${nameOf('kit')} off` }));
  await sign(page, 'kit');
  await expect(page.getByTestId('count-on')).toHaveText('0');
  await actAs(page, 'ada');
  await doAnywhere(page, 'clock of the demonstration 1 h');
  expect((await page.request.post('/api/clock', { data: { hours: 8 } })).ok()).toBe(true);
  await actAs(page, 'hana');
  await expect(page.getByText('LAPSED at', { exact: true })).toBeVisible();
  // Nobody was at it for hours: nothing is proved any more.
  await expect(page.locator('[data-code="left-unattended"]').first()).toBeVisible();
  await expect(page.getByTestId('lamps-dark')).toHaveText('0 dark');
  await pickByKeys(page.getByLabel('Who signs on'), 'kit');
  await pickByKeys(page.getByLabel('Personal lock'), 'W-02');
  await press(page.getByRole('button', { name: 'Sign on' }));
  await sign(page, 'kit');
  await expect(page.getByRole('alert').locator('[data-code="permit-lapsed"]')).toBeVisible();
  await actAs(page, 'jun');
  await choose(page.locator('select[name="finished"]'), 'yes');
  await tick(page.getByLabel(/tools and people out/));
  await press(page.getByRole('button', { name: 'Hand back' }));
  await sign(page, 'jun');
  await actAs(page, 'hana');
  await type(page.getByLabel('What was inspected'), 'seal dry, guard on');
  await press(page.getByRole('button', { name: 'Inspected: close the permit' }));
  await sign(page, 'hana');

  await actAs(page, 'ada');
  await press(page.getByRole('button', { name: /Take control lock/ }));
  await sign(page, 'ada');
  await expect(page.getByRole('button', { name: /Take control lock/ })).toHaveCount(0);
  for (const actor of ['finn', 'elif']) {
    await actAs(page, actor);
    for (let turn = 0; turn < 30; turn++) {
      await testForLeaks(page, actor);
      const step = page.locator('li[data-subject]', { has: page.locator('button') }).first();
      if ((await step.count()) === 0) break;
      const subject = (await step.getAttribute('data-subject')) ?? '';
      if (actor === 'finn' && (await step.textContent())?.includes(nameOf('elif'))) break;
      await press(step.getByRole('button'));
      if ((await step.textContent())?.includes('lock')) await signIfAsked(page, actor);
      await expect(page.locator(`li[data-subject="${subject}"]`)).toContainText('✓');
    }
  }
  await actAs(page, 'cora');
  await expectNoBarriers(page);
  await shoot(page, 'restore');
  await walkTheLine(page);
  await type(page.getByLabel('Who was told before it'), 'control room and pump hall');
  await type(page.getByLabel('What was seen of it'), 'runs quiet, seal dry');
  await press(page.getByRole('button', { name: 'Record the start' }));
  await expect(page.getByRole('alert').locator('[data-code="not-kept-clear"]')).toBeVisible();
  await press(page.getByRole('button', { name: 'Understood' }));
  await tick(page.getByLabel(/keep clear/));
  await press(page.getByRole('button', { name: 'Record the start' }));
  await expect(page.getByText(/runs quiet, seal dry/)).toBeVisible();
  await type(page.getByLabel('Who was told'), 'control room and pump hall');
  await press(page.getByRole('button', { name: 'Take it back into operation' }));
  await sign(page, 'cora');
  await actAs(page, 'ada');
  await press(page.getByRole('button', { name: 'Close the job' }));
  await sign(page, 'ada');
  await expect(page.getByRole('heading', { name: 'Closed' })).toBeVisible();
  await press(page.getByRole('link', { name: 'Whole record' }));
  await expect(page.getByText('job closed')).toBeVisible();
  await expectNoBarriers(page);
  await shoot(page, 'record');
  await page.goto('/records?check');
  await expect(page.getByText('The ledger is whole')).toBeVisible();
  await expectNoBarriers(page);
});

/** Holds a pressure on each line that was opened, once its form is there. */
async function testForLeaks(page: Page, actor: string): Promise<void> {
  const form = page.locator('li[data-leak] form').first();
  if ((await form.count()) === 0 || (await page.getByText('✓ tight').count()) > 0) return;
  await letTimePass(page, 0.3);
  await actAs(page, actor);
  for (const [label, value] of [
    [/^Pressure at the start/, '2'],
    [/^At the end/, '2'],
    [/^Held for/, '15'],
    [/^Smallest step/, '0.02'],
    [/^What was seen at joints/, 'dry'],
  ] as const) {
    await type(form.getByLabel(label), value);
  }
  await press(form.getByRole('button', { name: 'Record the leak test' }));
  await expect(page.getByText('✓ tight')).toBeVisible();
}

/** Walks the line; one valve is first found shut, is opened, and is walked again. */
async function walkTheLine(page: Page): Promise<void> {
  for (const point of await page.locator('li[data-point]').all()) {
    const id = (await point.getAttribute('data-point')) ?? '';
    const words = (await point.textContent()) ?? '';
    const normal = /normally (.+?)(?:,|Found|$)/.exec(words)?.[1] ?? '';
    if (id === 'HV-2001') {
      await press(point.getByRole('button', { name: 'Found shut' }));
      await expect(point).toContainText('Found shut:');
      await expect(page.locator('[data-code="position-wrong"]')).toBeVisible();
    }
    // One by keyboard shows that it goes; the others are the same, and tabbing to each takes minutes.
    await point.getByRole('button', { name: `Found ${normal}` }).click();
    await expect(point).toContainText('✓');
  }
}

/** Finds every point as it is drawn. */
async function walkDown(page: Page): Promise<void> {
  for (const point of await page.locator('li[data-label]').all()) {
    const tag = (await point.getAttribute('data-label')) ?? '';
    await press(point.getByRole('button', { name: `${tag} is as drawn` }));
    const heading = page.getByRole('heading', { name: 'Isolate, let down and prove' });
    await expect(point.getByText(/as drawn:/).or(heading)).toBeVisible();
  }
}

async function signIfAsked(page: Page, actor: string): Promise<void> {
  const dialog = page.getByRole('dialog', { name: 'Sign' });
  await dialog.waitFor({ timeout: 1500 }).catch(() => undefined);
  if (await dialog.isVisible()) await sign(page, actor);
}

test('the plant and a planned job at both sizes', async ({ page }) => {
  await page.goto('/login');
  await actAs(page, 'ada').catch(() => undefined);
  await page.goto('/plant');
  await expect(page.getByRole('region', { name: 'Pump hall' })).toBeVisible();
  await expectNoBarriers(page);
  await shoot(page, 'plant');
  await page.goto('/jobs');
  await shoot(page, 'jobs');
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto('/jobs/J-0002');
  await expect(page.getByLabel('Holding this up')).toBeVisible();
  await expectNoBarriers(page);
  await shoot(page, 'job-narrow');
});
