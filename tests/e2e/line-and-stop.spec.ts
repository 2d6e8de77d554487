import { expect, test, type Page } from '@playwright/test';
import { stepsToWalkDown, withLocks } from '../support/any-job';
import { carryOut, fieldStepsOf, permitSteps } from '../support/seal-change';
import {
  carryOutOn,
  codesOf,
  expectNoBarriers,
  letTimePass,
  nameOf,
  open,
  pick,
  readSequence,
  sendCommand,
  shoot,
  showTab,
  sign,
} from './desk';

/** The line as somebody types it, parted at some of its points. */
const rows = (...parted: readonly number[]): string =>
  [
    [0, 12],
    [200, 9],
    [400, 4],
    [600, 6],
  ]
    .map(([at = 0, height]) => `${at}; ${height}; 150${parted.includes(at) ? '; parts' : ''}`)
    .join('\n');

const alertOf = (page: Page, code: string) =>
  page.getByRole('alert').locator(`[data-code="${code}"]`);
const understood = (page: Page) => page.getByRole('button', { name: 'Understood' }).click();

test('a line is cleared with gas section by section; a stuck pig is let down from both sides, never forced', async ({
  page,
  browser,
  baseURL,
}) => {
  const plan = stepsToWalkDown([{ section: 'HYD-PRS', activity: 'touch' }], {
    title: 'Press return line blown through',
    equipment: 'FP-1',
  });
  const walked = carryOut(plan);
  const box = ['ada', { kind: 'lock-box', box: 'BOX-1', lock: 'C-1' }] as const;
  const field = withLocks([...fieldStepsOf(walked), box], { E: 12, P: 30, C: 5, BOX: 5 });
  const { job } = await carryOutOn(page, [...plan, ...field, ...permitSteps(walked)]);

  await open(page, 'jun', `/jobs/${job}`);
  await showTab(page, 'Clearing and messages');
  const line = page.getByRole('region', { name: 'Line cleared with gas' });
  await line.getByLabel(/^The line, one point on each row/).fill(rows(0, 600));
  await line.getByLabel('Driven with (bar)').fill('1.5');
  await line.getByLabel('Relief set to (bar)').fill('2');
  await line.getByLabel('The weakest part stands (bar)').fill('10');
  await line.getByLabel('Speed of the pig (m/min)').fill('20');
  await pick(line.getByLabel('Lets the gas in'), 'jun');
  await pick(line.getByLabel('Stands at the receiver'), 'rosa');
  await line.getByLabel('Where everybody else stays').fill('behind the press hall');
  await line.getByRole('button', { name: 'Work it out and sign it' }).click();
  await sign(page, 'jun');
  await expect(alertOf(page, 'clearing-section')).toContainText('From 0 to 600 m');
  await understood(page);
  // Parted more often, no section holds more than the site allows.
  await line.getByLabel(/^The line, one point on each row/).fill(rows(0, 200, 400, 600));
  await line.getByRole('button', { name: 'Work it out and sign it' }).click();
  await sign(page, 'jun');
  await expect(line).toContainText('Next: from 0 to 200 m');
  await line.getByLabel(/^Sharp bends, crushed places/).fill('none');
  await line.getByRole('button', { name: 'Record that the line was walked' }).click();
  await expect(line).toContainText(`Walked by ${nameOf('jun')}`);

  // No gas before the other end has answered.
  const launch = line.getByRole('button', { name: 'Sign and launch the pig' });
  await launch.click();
  await sign(page, 'jun');
  await expect(alertOf(page, 'message-missing')).toBeVisible();
  await understood(page);
  const messages = page.getByRole('region', { name: 'Messages' });
  await pick(messages.getByLabel('To whom'), 'rosa');
  await messages.getByLabel('What was said').fill('gas goes in, 0 to 200');
  await messages.getByRole('button', { name: 'Note that it was sent' }).click();
  await expect(messages.locator('[data-message="1"]')).toBeVisible();
  const pocket = await browser.newContext({
    viewport: { width: 390, height: 844 },
    ...(baseURL === undefined ? {} : { baseURL }),
  });
  const phone = await pocket.newPage();
  await open(phone, 'rosa', `/jobs/${job}`);
  await showTab(phone, 'Clearing and messages');
  const first = phone.locator('[data-message="1"]');
  await first.getByLabel('What was read back').fill('gas goes in, 0 to 200');
  await first.getByRole('button', { name: 'Note the answer to 1' }).click();
  await expect(first).toContainText('Read back right');
  await expectNoBarriers(phone);
  await shoot(phone, 'message-read-back');

  await page.reload();
  await showTab(page, 'Clearing and messages');
  await launch.click();
  await sign(page, 'jun');
  await expect(line).toContainText('on its way to 200 m');
  await letTimePass(page, 4 / 60);
  await open(page, 'jun', `/jobs/${job}`);
  await showTab(page, 'Clearing and messages');
  await expect(line).toContainText(/about 8\d m/);
  await letTimePass(page, 20 / 60);
  await open(page, 'jun', '/watch');
  await expect(
    page
      .getByRole('listitem')
      .filter({ hasText: /the pig should have come by now/i })
      .first(),
  ).toBeVisible();
  await open(page, 'jun', `/jobs/${job}`);
  await showTab(page, 'Clearing and messages');
  await expect(line).toContainText('take it as stuck');
  await line.getByLabel('What shows that it is stuck').fill('pressure stands, nothing comes');
  await line.getByRole('button', { name: 'Report that it is stuck' }).click();
  await expect(line.getByRole('alert')).toContainText('Never force it');
  await expectNoBarriers(page);
  await shoot(page, 'pig-stuck');

  const readSide = async (side: 'behind' | 'ahead', bar: string) => {
    await line.getByLabel('Side that was read').selectOption(side);
    await line.getByLabel('Reading (bar)').fill(bar);
    await pick(line.getByLabel('Gauge'), 'PG-T1');
    await line.getByRole('button', { name: 'Record the reading' }).click();
    await expect(line.getByLabel('Read on both sides')).toContainText(`${bar} bar`);
  };
  await readSide('behind', '0');
  const free = line.getByRole('button', { name: 'Sign that the pig is out' });
  await line.getByLabel(/^How it was taken out/).fill('parted at 200 m, a weld bead held it');
  await free.click();
  await sign(page, 'jun');
  await expect(alertOf(page, 'line-under-pressure')).toContainText('ahead of the pig');
  await understood(page);
  await readSide('ahead', '0');
  await line.getByLabel(/^How it was taken out/).fill('parted at 200 m, a weld bead held it');
  await free.click();
  await sign(page, 'jun');
  await expect(line).toContainText('Next: from 0 to 200 m');

  // The next try needs a message of its own.
  const give = async (person: string, command: object) => {
    await open(page, person, `/jobs/${job}`);
    return sendCommand(page, job, command, await readSequence(page, job), [person]);
  };
  expect(await codesOf(await give('jun', { kind: 'launch-pig' }))).toEqual(['message-missing']);
  await pocket.close();
});

test('a stop is counted back from its hour; it slips with the first step that does, and nothing is locked before the call', async ({
  page,
}) => {
  const plan = stepsToWalkDown([{ section: 'AC1-SH', activity: 'touch' }], {
    title: 'Compressor shaft seal',
    equipment: 'AR-1',
  });
  const { job } = await carryOutOn(page, plan);
  const now = await letTimePass(page, 0.001);
  const after = (minutes: number) => new Date(Date.parse(now) + minutes * 60_000).toISOString();
  await open(page, 'ada', `/jobs/${job}`);
  const hour = { kind: 'schedule-job', from: after(120), until: after(480), operator: 'cora' };
  const agreed = await sendCommand(page, job, hour, await readSequence(page, job), ['ada', 'cora']);
  expect(agreed.ok()).toBe(true);

  await open(page, 'cora', `/jobs/${job}`);
  await showTab(page, 'Before the stop');
  const runUp = page.getByRole('region', { name: 'Before the stop' });
  const add = async (what: string, who: string, minutes: number, after?: string) => {
    await runUp.getByLabel('What is done').fill(what);
    await pick(runUp.getByLabel('Who does it'), who);
    await runUp.getByLabel('How long (min)').fill(String(minutes));
    if (after !== undefined) await runUp.getByRole('checkbox', { name: after }).check();
    await runUp.getByRole('button', { name: 'Add this step' }).click();
    await expect(runUp.getByRole('listitem').filter({ hasText: `${what},` })).toBeVisible();
    const more = runUp.getByText('Add a step before the stop');
    if (!(await runUp.getByLabel('What is done').isVisible())) await more.click();
  };
  await add('Air turned over to the standby', 'cora', 30);
  await add('Receiver let down', 'dov', 60, 'Air turned over to the standby');
  const [first, second] = [runUp.locator('[data-step="B1"]'), runUp.locator('[data-step="B2"]')];
  await expect(first).toContainText('has to begin by');
  await expect(first).toContainText('If it slips, so does Receiver let down and the stop.');
  await expect(runUp.getByRole('status')).toHaveText('As things go, the hour holds.');

  // Half an hour before the hour nobody has begun: it takes ninety minutes.
  await letTimePass(page, 1.5);
  await open(page, 'cora', `/jobs/${job}`);
  await showTab(page, 'Before the stop');
  await expect(runUp.getByRole('status')).toContainText(/will be ready (59|60|61) min late/);
  await expect(runUp.getByRole('status')).toContainText('Air turned over to the standby');
  await expectNoBarriers(page);
  await shoot(page, 'stop-slips');
  await open(page, 'cora', '/watch');
  await expect(
    page
      .getByRole('listitem')
      .filter({ hasText: /before the stop: begin Air turned over/i })
      .first(),
  ).toBeVisible();

  const give = async (person: string, command: object) => {
    await open(page, person, `/jobs/${job}`);
    const sequence = await readSequence(page, job);
    return sendCommand(page, job, command, sequence, [person]);
  };
  await give('cora', { kind: 'tell-affected', who: 'everybody in the hall' });
  const stop = { kind: 'stop-plant', how: 'stopped at the panel' };
  expect(await codesOf(await give('cora', stop))).toEqual(['window-not-called']);

  await open(page, 'cora', `/jobs/${job}`);
  await showTab(page, 'Before the stop');
  const finish = async (step: typeof first, what: string) => {
    await step.getByRole('button', { name: `Begin: ${what}` }).click();
    await step.getByLabel('What was seen').fill('as planned');
    await step.getByRole('button', { name: `Record as finished: ${what}` }).click();
    await expect(step).toContainText('done');
  };
  await expect(second).toContainText('Waits for Air turned over to the standby.');
  await finish(first, 'Air turned over to the standby');
  await runUp.getByLabel('Who was called').fill('the control room');
  await runUp.getByLabel('What was said').fill('it is yours');
  const ready = runUp.getByRole('button', { name: 'Sign the call that the plant is ready' });
  await ready.click();
  await sign(page, 'cora');
  await expect(alertOf(page, 'run-up-open')).toContainText('Receiver let down');
  await understood(page);
  await finish(second, 'Receiver let down');
  await runUp.getByLabel('Who was called').fill('the control room');
  await runUp.getByLabel('What was said').fill('it is yours');
  await ready.click();
  await sign(page, 'cora');
  await expect(runUp).toContainText(`Ready: ${nameOf('cora')} called the control room`);
  expect((await give('cora', stop)).ok()).toBe(true);
});
