import { expect, test, type Browser, type Page } from '@playwright/test';
import type { QuestionCode } from '../../src/core/permits';
import type { Activity } from '../../src/core/plant';
import { stepsToWalkDown, withLocks } from '../support/any-job';
import { carryOut, fieldStepsOf, permitSteps, type Step } from '../support/seal-change';
import {
  actAs,
  carryOutOn,
  expectNoBarriers,
  fillBriefing,
  letTimePass,
  nameOf,
  open,
  sendCommand,
  shoot,
  sign,
  pick,
  showTab,
} from './desk';

interface Morning {
  readonly title: string;
  readonly section: string;
  readonly activity?: Activity;
  readonly yes?: QuestionCode[];
  /** How far the numbers of locks and boxes are moved up, so that the jobs stand side by side. */
  readonly up: Readonly<Record<'E' | 'P' | 'C' | 'BOX', number>>;
}

const PRESS: Morning = {
  title: 'Press ram gland',
  section: 'HYD-PRS',
  up: { E: 0, P: 0, C: 0, BOX: 0 },
};
const LIFT: Morning = {
  title: 'Macerator air cylinder lifted out',
  section: 'AIR-MAC',
  yes: ['lift'],
  up: { E: 1, P: 0, C: 2, BOX: 2 },
};
const MAIN: Morning = {
  title: 'Heating main bracket',
  section: 'HW-GAS',
  up: { E: 2, P: 2, C: 3, BOX: 3 },
};
const BELT: Morning = {
  title: 'Compressor belt',
  section: 'AC1-SH',
  up: { E: 2, P: 4, C: 4, BOX: 4 },
};

/** What of the papers is done before the hatch: everything up to approval, or one step less. */
function stepsOf({ title, section, activity = 'touch', yes = [], up }: Morning, papers: number) {
  const plan = stepsToWalkDown([{ section, activity }], { title, equipment: section });
  const walked = carryOut(plan);
  const box: Step = ['ada', { kind: 'lock-box', box: 'BOX-1', lock: 'C-1' }];
  return [
    ...plan,
    ...withLocks([...fieldStepsOf(walked), box], up),
    ...permitSteps(walked, yes).slice(0, papers),
  ];
}

const ISSUE = { kind: 'issue-permit', briefed: true, performer: 'jun' } as const;

/** Another desk, with someone else signed in at a page. */
async function anotherDesk(browser: Browser, person: string, url: string): Promise<Page> {
  const desk = await (
    await browser.newContext({ viewport: { width: 1280, height: 800 } })
  ).newPage();
  await open(desk, person, url);
  return desk;
}

const counts = (page: Page) => page.getByTestId('watch-counts');

async function issueAtHatch(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Issue with both signatures' }).click();
  await sign(page, 'hana', 'jun');
  await expect(page.getByRole('heading', { name: /^Permit P-/ })).toBeVisible();
}

test('a morning at the hatch: five jobs, a lapsed authorisation, a clash, a stop, a lapse, seen at once on another desk', async ({
  page,
  browser,
}) => {
  test.setTimeout(600_000);
  const press = await carryOutOn(page, stepsOf(PRESS, 3));
  const next = { job: 'next', sequence: 0 };
  const lift = await carryOutOn(page, stepsOf(LIFT, 2), next);
  const main = await carryOutOn(page, stepsOf(MAIN, 4), next);
  const belt = await carryOutOn(page, stepsOf(BELT, 4), next);
  const drain = await carryOutOn(
    page,
    stepsToWalkDown([{ section: 'P202-FLU', activity: 'touch' }], { title: 'Flushing valve' }),
    next,
  );
  const watch = await anotherDesk(browser, 'ada', '/watch');
  await expect(watch.getByRole('heading', { name: 'Watch' })).toBeVisible();
  await expect(counts(watch)).toContainText('0 live');
  await expect(watch.getByLabel('Needs someone next')).toContainText('Isolate, let down and prove');
  await expect(watch.getByLabel('Needs someone next')).toContainText(drain.job);

  // A lift is in the way of the crew beside it: it is moved behind it.
  await open(page, 'hana', `/jobs/${press.job}`);
  await page.getByRole('button', { name: 'Issue with both signatures' }).click();
  await sign(page, 'hana', 'jun');
  await expect(page.getByRole('alert').locator('[data-code="lift-over-crew"]')).toBeVisible();
  await expectNoBarriers(page);
  await page.getByRole('button', { name: 'Understood' }).click();
  await open(page, 'ada', `/jobs/${lift.job}`);
  await page.getByRole('tab', { name: 'Timing and neighbours' }).click();
  await expect(page.locator('[data-clash="lift-over-crew"]', { hasText: press.job })).toContainText(
    'Move this job',
  );
  await page.getByText('Agree another hour').click();
  const free = new Date(Date.now() + 5 * 86_400_000).toISOString().slice(0, 10);
  await page.getByLabel('From (UTC)').fill(`${free}T08:00`);
  await page.getByLabel('Until (UTC)').fill(`${free}T14:00`);
  await page.getByLabel('From (UTC)').scrollIntoViewIfNeeded();
  await shoot(page, 'clash');
  await page.getByRole('button', { name: 'Record the agreed hour' }).click();
  await sign(page, 'ada', 'cora');
  await expect(page.locator('[data-clash="lift-over-crew"]', { hasText: press.job })).toContainText(
    'Not at the same time',
  );

  // The first job: nothing is missing, and the permit is out at once.
  await open(page, 'hana', `/jobs/${press.job}`);
  await fillBriefing(page, [nameOf('jun'), nameOf('lena')]);
  // What would be refused is said before anybody types a PIN.
  await page.getByRole('button', { name: 'Do not sign' }).click();
  const answer = page.getByLabel('What they answered').first();
  await answer.fill('OK');
  const record = page.getByRole('button', { name: /^Record the briefing/ });
  await record.click();
  await expect(page.getByRole('alert').locator('[data-code="answer-says-nothing"]')).toBeVisible();
  await expect(page.getByRole('dialog', { name: 'Sign' })).toHaveCount(0);
  await answer.fill('out past the gland');
  await record.click();
  await sign(page, 'hana', 'jun', 'lena');
  await expect(page.getByText(`Held by ${nameOf('hana')}`)).toBeVisible();
  await showTab(page, 'Permit');
  await expect(page.getByLabel('Holding this up').locator('[data-code]')).toHaveCount(1);
  await expect(page.locator('[data-code="not-issued"]')).toBeVisible();
  await expectNoBarriers(page);
  await shoot(page, 'hatch');
  await issueAtHatch(page);
  await expect(counts(watch)).toContainText('1 live');
  await expect(watch.locator(`[data-row="${press.job}"]`)).toContainText('Press ram gland');

  // Whoever comes later is asked one of the questions before signing on.
  await pick(page.getByLabel('Who signs on'), 'kit');
  const late = page.getByRole('region', { name: `Brief ${nameOf('kit')}` });
  await late.getByLabel('What they answered').fill('ok');
  await late.getByRole('button', { name: `Record that ${nameOf('kit')} is briefed` }).click();
  await sign(page, 'kit');
  await expect(page.getByRole('alert').locator('[data-code="answer-says-nothing"]')).toBeVisible();
  await page.getByRole('button', { name: 'Understood' }).click();
  await late.getByLabel('What they answered').fill('beside it, never in line with it');
  await late.getByRole('button', { name: `Record that ${nameOf('kit')} is briefed` }).click();
  await sign(page, 'kit');
  await expect(late).toHaveCount(0);

  // Someone whose authorisation has lapsed is refused, and whoever holds another job's paper.
  await pick(page.getByLabel('Who signs on'), 'moss');
  await pick(page.getByLabel('Personal lock'), 'W-04');
  await page.getByRole('button', { name: 'Sign on' }).click();
  await sign(page, 'moss');
  await expect(page.getByRole('alert').locator('[data-code="authorisation-lapsed"]')).toBeVisible();
  await page.getByRole('button', { name: 'Understood' }).click();
  await pick(page.getByLabel('Who signs on'), 'kit');
  await pick(page.getByLabel('Personal lock'), 'W-02');
  await page.getByLabel('Number on the permit in their hand').fill('P-9999');
  await page.getByRole('button', { name: 'Sign on' }).click();
  await sign(page, 'kit');
  await expect(page.getByRole('alert').locator('[data-code="other-permit"]')).toBeVisible();
  await page.getByRole('button', { name: 'Understood' }).click();
  await page.getByLabel('Number on the permit in their hand').fill('');
  await page.getByRole('button', { name: 'Sign on' }).click();
  await sign(page, 'kit');
  await expect(page.getByTestId('count-on')).toHaveText('1');
  await expect(counts(watch)).toContainText('1 people on');
  await expect(watch.locator(`[data-row="${press.job}"]`)).toContainText(nameOf('kit'));

  // The lift that was moved is approved, and not issued while the crew is there.
  await page.goto(`/jobs/${lift.job}`);
  await page.getByRole('button', { name: 'Approve' }).click();
  await sign(page, 'hana');
  await page.getByRole('button', { name: 'Issue with both signatures' }).click();
  await sign(page, 'hana', 'jun');
  await expect(page.getByRole('alert').locator('[data-code="lift-over-crew"]')).toBeVisible();

  // A job is stopped by a worker and let go on by an issuing authority.
  const live = await carryOutOn(
    page,
    [
      ['hana', ISSUE],
      ['hana', { kind: 'sign-on', person: 'lena', lock: 'W-03' }],
    ],
    main,
  );
  await open(page, 'lena', `/jobs/${live.job}`);
  await page.getByText('Stop this job').click();
  await page.getByLabel('Why', { exact: true }).fill('a smell of gas');
  await page.getByRole('button', { name: 'Stop it now' }).click();
  await expect(page.getByRole('heading', { name: 'Stopped' })).toBeVisible();
  await expect(page.getByText('SUSPENDED, would lapse at')).toBeVisible();
  await expect(counts(watch)).toContainText('1 stopped');
  await expect(watch.locator('[data-urgency="now"]')).toContainText(`call off ${nameOf('lena')}`);
  await shoot(page, 'stopped');
  await shoot(watch, 'watch');
  await expectNoBarriers(watch);
  await actAs(page, 'hana');
  await page.getByLabel('What was found, and what was done').fill('a vent of the filter; shut');
  await page.getByRole('button', { name: 'Let the work go on' }).click();
  await sign(page, 'hana');
  await expect(counts(watch)).toContainText('0 stopped');

  // A permit lapses by the clock alone; the next number is issued.
  await carryOutOn(page, [['hana', { ...ISSUE, hours: 0.3 }]], belt);
  await expect(watch.locator(`[data-row="${belt.job}"]`)).toBeVisible();
  await letTimePass(page, 0.4);
  await expect(counts(watch)).toContainText('1 lapsed');
  await expect(watch.locator(`[data-strip="${belt.job}"]`)).toHaveAttribute('data-state', 'lapsed');
  await open(page, 'jun', `/jobs/${belt.job}`);
  await expect(page.getByText('LAPSED at', { exact: true })).toBeVisible();
  await page.getByLabel(/tools and people out/).check();
  await page.getByRole('button', { name: 'Hand back' }).click();
  await sign(page, 'jun');
  await actAs(page, 'hana');
  await expect(page.getByText('the next number is issued')).toBeVisible();
  await page.getByLabel('What was inspected').fill('belt off, guard on, left safe');
  await page.getByRole('button', { name: 'Inspected: close the permit' }).click();
  await sign(page, 'hana');
  await page.getByRole('button', { name: 'Keep the assessment' }).click();
  await page.getByRole('button', { name: 'Approve' }).click();
  await sign(page, 'hana');
  await fillBriefing(page, [nameOf('jun')]);
  await sign(page, 'hana', 'jun');
  await expect(page.getByText(`Held by ${nameOf('hana')}`)).toBeVisible();
  await showTab(page, 'Permit');
  await issueAtHatch(page);
  await expect(
    page.getByRole('heading', { name: `Permit ${belt.job.replace('J', 'P')}-2` }),
  ).toBeVisible();
  await expect(counts(watch)).toContainText('0 lapsed');

  // Everyone goes off with their own lock, stopped, lapsed or not.
  for (const [job, person, lock] of [
    [press.job, 'kit', 'W-02'],
    [main.job, 'lena', 'W-03'],
  ] as const) {
    const probe = await sendCommand(page, job, { kind: 'submit-plan' }, 0);
    const { sequence } = (await probe.json()) as { sequence: number };
    await carryOutOn(page, [[person, { kind: 'sign-off', person, lock }]], { job, sequence });
  }
  await expect(counts(watch)).toContainText('0 people on');

  // The shift is handed over from the record, both sign, and who has not read it is seen on the other desk.
  await open(page, 'hana', '/handover');
  const reported = page.getByLabel('Live permits');
  await expect(reported).toContainText('Press ram gland');
  await expect(page.getByLabel('Isolated without a live permit')).toContainText('point lock');
  await page.getByLabel(/^Notes/).fill('Belt goes on; the heating main was stopped for a vent.');
  await page.getByRole('button', { name: 'Add a promise' }).click();
  await page.getByLabel('Promised 1').fill('vent of the filter piped outside');
  await pick(page.getByLabel('By whom'), 'finn');
  await pick(page.getByLabel('Who takes over'), 'ben');
  await expectNoBarriers(page);
  await shoot(page, 'handover');
  await page.getByRole('button', { name: 'Hand over with both signatures' }).click();
  await sign(page, 'hana', 'ben');
  await expect(page.locator('[data-handover="1"]')).toContainText('to Ben');
  await expect(page.getByLabel('Open promises')).toContainText('vent of the filter piped outside');
  await expect(watch.locator('[data-handover-line]')).toContainText('H-0001');
  await pick(page.getByLabel('Who has read it'), 'cora');
  await page.getByRole('button', { name: 'Sign that I have read it' }).click();
  await sign(page, 'cora');
  await expect(page.locator('[data-unread]')).not.toContainText(nameOf('cora'));
  await expect(page.locator('[data-unread]')).toContainText(nameOf('finn'));

  // The set of papers prints.
  const pdf = await page.request.get(`/api/jobs/${belt.job}/papers`);
  expect([pdf.status(), pdf.headers()['content-type']]).toEqual([200, 'application/pdf']);
  expect((await pdf.body()).subarray(0, 5).toString()).toBe('%PDF-');

  // Out of reach of the server the board says that it is not up to date.
  await watch.route('**/api/live', (route) => route.abort());
  await watch.reload();
  await expect(watch.getByText(/NOT UP TO DATE since/)).toBeVisible({ timeout: 20_000 });
  await watch.unroute('**/api/live');
  await expect(watch.getByTestId('fresh')).toBeVisible({ timeout: 20_000 });
  await watch.context().close();
});

test('a site manager changes a rule after seeing what it does, and nobody else can', async ({
  page,
}) => {
  await open(page, 'ada', '/rules');
  await expect(page.getByText('A site manager may change these values.')).toBeVisible();
  await showTab(page, 'Hot work');
  await expect(page.getByLabel(/^Fire watch after the last spark/)).toHaveAttribute('readonly', '');
  await showTab(page, 'Rule book');
  await page.getByLabel('Find a rule').fill('own-review');
  await expect(page.locator('[data-rule="own-review"]')).toBeVisible();
  await expectNoBarriers(page);
  await actAs(page, 'uma');
  await showTab(page, 'Hot work');
  await page.getByLabel(/^Fire watch after the last spark/).fill('5');
  await page.getByRole('button', { name: 'What this would change' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'tail-min' })).toBeVisible();
  await page.getByLabel(/^Fire watch after the last spark/).fill('90');
  await page.getByRole('button', { name: 'What this would change' }).click();
  await expect(page.getByText('No open job is affected.')).toBeVisible();
  await page.getByLabel('What is changed, and why').fill('as the insurer asks');
  await page.getByLabel('Your PIN').fill('620826');
  await page.getByRole('button', { name: 'Save as version 1' }).click();
  await expect(page.getByText('Version 1 counts.')).toBeVisible();
  await showTab(page, 'Versions');
  await expect(page.getByRole('list', { name: 'Versions' })).toContainText('as the insurer asks');
  await shoot(page, 'rules');
});
