import { expect, test, type Page } from '@playwright/test';
import { ON_STEPS } from '../support/seal-change';
import {
  carryOutOn,
  expectNoBarriers,
  nameOf,
  open,
  pinOf,
  raise,
  shoot,
  sign,
  takeLeastEffort,
} from './desk';

/** The links that the plan of a job closes. */
async function closedBy(page: Page, job: string): Promise<readonly string[]> {
  const answer = await page.request.get(`/api/v1/jobs/${job}`);
  const { dossier } = (await answer.json()) as {
    readonly dossier: { readonly plan: { readonly plan?: { readonly close: readonly string[] } } };
  };
  return dossier.plan.plan?.close ?? [];
}

/** A seal change on P-201 with its permit out: the one that another story left, or one that is carried out now. */
async function sealUnderPermit(page: Page): Promise<string> {
  await open(page, 'ada', '/watch');
  const answer = await page.request.get('/api/v1/board');
  const { rows } = (await answer.json()) as {
    readonly rows: readonly { readonly job: string; readonly equipment: string }[];
  };
  const there = rows.find(({ equipment }) => equipment === 'P-201');
  if (there) return there.job;
  return (await carryOutOn(page, ON_STEPS())).job;
}

/** Has the least effort computed on the page of a job, and keeps it. */
async function planAnew(page: Page): Promise<void> {
  await takeLeastEffort(page);
  await page.getByRole('button', { name: 'Keep this plan' }).click();
  await expect(page.getByRole('button', { name: 'Send it for review' })).toBeVisible();
}

test('a valve that passes is reported on the phone, stops the work and changes the next plan', async ({
  page,
  browser,
  baseURL,
}) => {
  test.setTimeout(420_000);
  const job = await sealUnderPermit(page);
  const other = await raise(page, 'Another seal, later');
  await planAnew(page);
  await expect.poll(() => closedBy(page, other)).toContain('HV-2004');

  const pocket = await browser.newContext({
    viewport: { width: 390, height: 844 },
    ...(baseURL === undefined ? {} : { baseURL }),
  });
  const phone = await pocket.newPage();
  await phone.request.post('/api/session', { data: { person: 'lena', pin: pinOf('lena') } });
  await phone.goto('/defects');
  await phone.getByRole('link', { name: 'Report a defect' }).click();
  await phone.getByRole('combobox', { name: 'Which device' }).click();
  await phone.getByPlaceholder('Type to find').fill('HV-2004');
  await phone.locator('[role=option][data-id="HV-2004"]').click();
  await phone.getByLabel('passes when it is shut').check();
  await phone.getByLabel('What you saw').fill('It hisses, and the bleed behind it never runs dry.');
  await expectNoBarriers(phone);
  await shoot(phone, 'defect-report');
  await phone.getByRole('button', { name: 'Report it' }).click();
  await expect(phone.getByRole('status')).toContainText(`${job} Seal change was stopped`);
  await expect(phone.getByRole('status')).toContainText(`Call off by radio now: ${nameOf('kit')}`);
  await pocket.close();

  // The work stands still, and says why and what to do.
  await open(page, 'ada', `/jobs/${job}`);
  await expect(page.getByText('HV-2004 passes when it is shut').first()).toBeVisible();
  await open(page, 'ada', '/watch');
  await expect(
    page.getByRole('listitem').filter({ hasText: 'call off' }).filter({ hasText: job }).first(),
  ).toBeVisible();

  // The plan that leaned on it is refused, and one that does without it passes.
  await open(page, 'ada', `/jobs/${other}`);
  await expect(page.locator('[data-code="plan-stops"]').first()).toBeAttached();
  await planAnew(page);
  await expect.poll(() => closedBy(page, other)).not.toContain('HV-2004');

  await open(page, 'ada', '/defects');
  const card = page.locator('[data-defect]').filter({ hasText: 'HV-2004' });
  await expect(card).toContainText(job);
  await expect(card).toContainText(/\d+ points?|no plan holds it|nothing more/, {
    timeout: 60_000,
  });
  await expectNoBarriers(page);
  await shoot(page, 'defects');

  // Whoever repairs it does not say that it is fit; somebody else tries it, and then it counts again.
  await open(page, 'finn', '/defects');
  await card.getByLabel('What was done about it').fill('new seat ring');
  await card.getByRole('button', { name: 'Record the repair' }).click();
  await expect(card).toContainText('Waits to be tried by somebody else');
  await open(page, 'cora', '/defects');
  await card.getByLabel('How it was tried').fill('held 2 bar for 10 min, the bleed is dry');
  await card.getByRole('button', { name: 'Sign what was found' }).click();
  await sign(page, 'cora');
  await expect(page.getByText('Proved to be mended: 1')).toBeVisible();
  await open(page, 'ada', `/jobs/${other}`);
  await planAnew(page);
  await expect.poll(() => closedBy(page, other)).toContain('HV-2004');
});

test('a plan that was carried out is written down as a procedure, inspected by another, and taken over', async ({
  page,
}) => {
  test.setTimeout(300_000);
  const job = await sealUnderPermit(page);
  await open(page, 'ada', `/jobs/${job}`);
  await page.getByText('Write it down as the procedure of this machine').click();
  await page.getByLabel('Task', { exact: true }).fill('Mechanical seal changed');
  await page.getByRole('button', { name: 'Write it down', exact: true }).click();
  await sign(page, 'ada');
  await page.getByRole('link', { name: 'PR-0001' }).click();
  await expect(
    page.getByRole('heading', { name: /PR-0001 Mechanical seal changed/ }),
  ).toBeVisible();
  await expect(page.getByLabel('Order of work')).toContainText('HV-2004');
  await expectNoBarriers(page);
  await shoot(page, 'procedure');

  // Whoever works by it does not inspect it.
  await open(page, 'elif', '/procedures/1');
  await expect(page.getByText('somebody authorised who does not use it')).toBeVisible();
  await open(page, 'ben', '/procedures/1');
  await page.getByRole('combobox', { name: 'Gone through with' }).click();
  await page.getByPlaceholder('Type to find').fill(nameOf('finn'));
  await page.locator('[role=option][data-id="finn"]').click();
  await page
    .getByLabel('What was seen')
    .fill('a seal change watched from the first lock to the try-start');
  await page.getByRole('button', { name: 'Sign the inspection' }).click();
  await sign(page, 'ben');
  await expect(page.getByText('followed as written')).toBeVisible();

  // Two presses from Watch; the next job on the machine is offered it, and takes its plan over.
  await open(page, 'ada', '/watch');
  await page.getByRole('link', { name: 'Jobs', exact: true }).first().click();
  await page.getByRole('link', { name: 'Written procedures' }).click();
  await expect(page.locator('[data-procedure="PR-0001"]')).toContainText(
    'holds on the newest drawing',
  );
  await open(page, 'ada', '/jobs/new');
  await page.getByRole('combobox', { name: 'Equipment' }).click();
  await page.getByPlaceholder('Type to find').fill('P-201');
  await page.locator('[role=option][data-id="P-201"]').click();
  await page.getByRole('button', { name: 'Raise it by PR-0001' }).click();
  await expect(page.getByLabel('What is to be done')).toHaveValue('Mechanical seal changed');
  await page.getByRole('button', { name: 'Raise the job' }).click();
  await page.waitForURL(/jobs\/J-\d+$/);
  const next = page.url().split('/').at(-1) ?? '';
  await page.getByRole('button', { name: 'Take the plan of PR-0001' }).click();
  await expect(page.getByTestId('check-verdict')).toContainText('passes');
  await page.getByRole('button', { name: 'Keep this plan' }).click();
  await expect.poll(() => closedBy(page, next)).toContain('HV-2004');
});

test('a hose that nobody reviewed is a way for every plan, until it was looked at, allowed, put back and seen to be gone', async ({
  page,
}) => {
  test.setTimeout(300_000);
  const job = await raise(page, 'Seal, while a hose is on');
  await open(page, 'lena', '/changes');
  await page.getByRole('button', { name: 'Record a change' }).click();
  const form = page.getByRole('form', { name: 'Record a change' });
  await form.getByRole('combobox', { name: /^The sections that it joins/ }).click();
  await page.getByPlaceholder('Type to find').fill('P201-CAS');
  await page.locator('[role=option][data-id="P201-CAS"]').click();
  await form.getByLabel('What is changed').fill('rinsing hose from the tanker');
  await form.getByLabel('Why').fill('the casing is rinsed before it is opened');
  await expectNoBarriers(page);
  await form.getByRole('button', { name: 'Record the change' }).click();
  const card = page.locator('[data-change]').filter({ hasText: 'rinsing hose' });
  await expect(card).toContainText('reviewed by nobody');
  await expect(card).toContainText(job);

  await open(page, 'ada', `/jobs/${job}`);
  await expect(page.getByText('NOT REVIEWED').first()).toBeVisible();

  await open(page, 'cora', '/changes');
  await card.getByLabel('What it can do').fill('water under the seal');
  await card.getByLabel('What is done about that').fill('off before the pump is opened');
  await card.getByRole('button', { name: 'Sign what was looked at' }).click();
  await sign(page, 'cora');
  await open(page, 'hana', '/changes');
  await card.getByRole('button', { name: 'Sign that it is allowed' }).click();
  await sign(page, 'hana');
  await expect(card).toContainText('Next: tell those who run the plant');
  await expectNoBarriers(page);
  await shoot(page, 'changes');
  await open(page, 'finn', '/changes');
  await card.getByText('Put it back', { exact: true }).click();
  await card.getByLabel('How it was put back').fill('rolled up, both ends blanked');
  await card.getByRole('button', { name: 'Record that it is put back' }).click();
  await expect(card).toContainText('Waits for somebody else');
  await open(page, 'cora', '/changes');
  await card.getByLabel('What was seen').fill('nothing at either end');
  await card.getByRole('button', { name: 'Sign what was seen' }).click();
  await sign(page, 'cora');
  await expect(page.getByText('Settled or gone: 1')).toBeVisible();

  // Two presses from Watch.
  await open(page, 'ada', '/watch');
  await page.getByRole('link', { name: 'Changes', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Changes' })).toBeVisible();
  await open(page, 'ada', `/jobs/${job}`);
  await planAnew(page);
  await expect.poll(() => closedBy(page, job)).toContain('HV-2004');
});
