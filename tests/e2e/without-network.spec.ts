import { expect, test, type Page } from '@playwright/test';
import { withLocks } from '../support/any-job';
import { fieldSteps, USABLE } from '../support/seal-change';
import { actAs, carryOutOn, expectNoBarriers, open, pinOf, sendCommand, shoot, pick } from './desk';

test.use({ viewport: { width: 390, height: 844 } });

const LOCKS = { E: 8, P: 14, C: 3, BOX: 2 } as const;
const steps = withLocks(fieldSteps(), LOCKS);
const proving = steps.findIndex(([, { kind }]) => kind === 'prove');

/** Types the code of a point, as it stands on its tag. */
async function atPoint(page: Page, code: string): Promise<void> {
  await page.getByLabel('Code at the point').fill(code);
  await page.getByRole('button', { name: 'Go' }).click();
}

/** Waits until the server has what was entered: what is on its way stays with whoever entered it. */
const allSent = (page: Page) =>
  expect(page.getByTestId('network')).not.toContainText('not yet sent');

const eventsOf = async (page: Page, job: string) => {
  await page.goto(`/jobs/${job}/record`);
  return page.locator('main').innerText();
};

/** A picture of one dot. */
const DOT = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
  'base64',
);

let job = '';
let sequence = 0;

test('the field page without a network: entered on the phone, sent once and in order, refused with the reason', async ({
  page,
  context,
}) => {
  const begun = await carryOutOn(page, [...withLocks(USABLE, LOCKS), ...steps.slice(0, 2)]);
  ({ job, sequence } = begun);
  await open(page, 'elif', `/jobs/${job}/field`);
  await expect(page.getByTestId('network')).toHaveText('In reach of the server.');
  await expectNoBarriers(page);

  await atPoint(page, 'HV-2001');
  await expect(page.locator('[data-code="wrong-point"]')).toContainText('That code is HV-2001');
  await expect(page.locator('[data-code="wrong-point"]')).toContainText(/about \d+ m from there/);
  await shoot(page, 'field-wrong');
  await expect(
    page.getByRole('button', { name: 'Record it as isolated, locked and tagged' }),
  ).toHaveCount(0);

  await page.waitForFunction(() => navigator.serviceWorker.controller !== null);
  await context.setOffline(true);
  await expect(page.getByTestId('network')).toContainText('No network.', { timeout: 15_000 });
  await atPoint(page, `${job}/CB-P201`);
  await pick(page.getByRole('combobox', { name: 'Lock' }), 'E-09');
  await page.getByRole('button', { name: 'Record it as isolated, locked and tagged' }).click();
  await expect(page.getByTestId('network')).toContainText('No network.');
  // The page has gone on to the next step.
  await expect(page.locator('[data-task="CB-P201"]')).toHaveCount(0);
  await page.getByLabel('Add a photograph').setInputFiles({
    name: 'handle.png',
    mimeType: 'image/png',
    buffer: DOT,
  });
  await expect(page.getByText('Photograph added.')).toBeVisible();
  await atPoint(page, 'fs-tr2004');
  await pick(page.getByRole('combobox', { name: 'Lock' }), 'E-10');
  await page.getByRole('button', { name: 'Record it as isolated, locked and tagged' }).click();
  await expect(page.getByTestId('network')).toContainText('3 not yet sent.');
  await shoot(page, 'field-offline');

  // The page opens again without a network, and still holds what was entered.
  await page.reload();
  await expect(page.getByTestId('network')).toContainText('3 not yet sent.');
  await expect(page.getByTestId('done')).toHaveText('4');

  // Meanwhile someone else isolates one of the two points.
  const desk = await (await page.context().browser()!.newContext()).newPage();
  const base = new URL(page.url()).origin;
  await desk.request.post(`${base}/api/session`, { data: { person: 'tove', pin: pinOf('tove') } });
  const done = await desk.request.post(`${base}/api/jobs/${job}/commands`, {
    data: {
      command: { kind: 'lock-point', link: 'FS-TR2004', lock: 'E-11', tag: 'T' },
      expected: sequence,
      key: `tove-${Date.now()}`,
      signatures: [],
    },
  });
  expect(done.status()).toBe(200);

  await context.setOffline(false);
  await expect(page.getByTestId('network')).toHaveText('In reach of the server.', {
    timeout: 30_000,
  });
  const refused = page.locator('[data-refused="FS-TR2004"]');
  await expect(refused.locator('[data-code="already-done"]')).toBeVisible();
  await expectNoBarriers(page);
  await shoot(page, 'field-refused');
  await refused.getByRole('button', { name: /Understood/ }).click();
  await expect(page.locator('[data-refused]')).toHaveCount(0);

  const record = await eventsOf(page, job);
  expect(record.match(/E-09/g)).toHaveLength(1);
  expect(record).not.toContain('E-10');
  expect(record).toContain('E-11');
  // The picture came with it, drawn anew, and whoever is signed in sees it.
  const picture = page.getByAltText(/^Photograph/);
  await expect(picture).toBeVisible();
  expect(await picture.evaluate((one) => (one as HTMLImageElement).naturalWidth)).toBe(1);
});

test('in practice the round finds a blade that stuck, and the try-start that runs holds everything up', async ({
  page,
}) => {
  const fault = (on: boolean, ...conductors: string[]) =>
    Promise.all(
      conductors.map((conductor) =>
        page.request.post('/api/stand-ins/faults', {
          data: { fault: { kind: 'stuck-blade', item: 'CB-P201', conductor }, on },
        }),
      ),
    );
  const probe = await sendCommand(page, job, { kind: 'submit-plan' }, 0);
  expect(probe.status()).toBe(401);
  await open(page, 'ada', `/jobs/${job}/field`);
  const asked = await sendCommand(page, job, { kind: 'submit-plan' }, 0);
  const { sequence: now } = (await asked.json()) as { sequence: number };
  await carryOutOn(page, steps.slice(4, proving), { job, sequence: now });
  await actAs(page, 'ada');
  await page.getByText('Practice: what is wrong').click();
  await page.getByLabel('What goes wrong').selectOption('stuck-blade');
  await page.getByLabel('Conductor').selectOption('L2');
  await page.getByRole('button', { name: 'Put the fault in' }).click();
  await expect(page.getByText(/stand-in plant \(1\)/)).toBeVisible();

  const round = async (code = 'P201-CBL') => {
    await actAs(page, 'elif');
    await atPoint(page, code);
    await page.getByLabel('Conductors').selectOption('three-wire');
    await page.getByRole('button', { name: 'Test with the stand-in' }).click();
    await expect(page.getByText(/Filled in as the stand-ins show it/)).toBeVisible();
  };
  await round();
  await expect(page.getByLabel('L2 to E (V)')).toHaveValue('230.9');
  await expect(page.getByLabel('L1 to L3 (V)')).toHaveValue('0');
  await expectNoBarriers(page);
  await page.getByRole('button', { name: 'Record the round' }).click();
  await expect(page.getByText(/NOT DEAD: 230.9 V/)).toBeVisible();
  await shoot(page, 'field-live');

  await actAs(page, 'ada');
  await fault(false, 'L2');
  await round();
  await page.getByRole('button', { name: 'Record the round' }).click();
  await expect(page.getByText(/NOT DEAD/)).toHaveCount(0);
  await allSent(page);

  // The feeder before the contactor and the line before the isolator are pieces of their own, each proved by a round of its own.
  for (const piece of ['P201-FDR', 'P201-LINE']) {
    await round(piece);
    await page.getByRole('button', { name: 'Record the round' }).click();
    await expect(page.locator(`[data-task$=":${piece}"]`)).toHaveCount(0);
    await allSent(page);
  }

  // Each further proof is read from the stand-in plant as well.
  for (const [who, code] of [
    ['finn', 'P201-PSH'],
    ['finn', 'P201-CAS'],
    ['finn', 'P201-DIS'],
    ['finn', 'P201-FLU'],
    ['finn', 'P201-NOZ'],
    ['finn', 'P201-SUC'],
  ] as const) {
    await actAs(page, who);
    await atPoint(page, code);
    await page.getByRole('button', { name: 'Read the stand-in' }).click();
    await expect(page.getByText(/Filled in as the stand-ins show it/)).toBeVisible();
    await page.getByRole('button', { name: 'Record the reading' }).click();
    await expect(page.locator(`[data-task$=":${code}"]`)).toHaveCount(0);
    await allSent(page);
  }

  // The breaker creeps in on two poles after the round: only the try to start finds it.
  await actAs(page, 'ada');
  await fault(true, 'L1');
  await fault(true, 'L3');
  await actAs(page, 'cora');
  await atPoint(page, 'local start station P-201');
  await page.getByRole('button', { name: 'Press start on the stand-in' }).click();
  await expect(page.getByText('IT MOVES.')).toBeVisible();
  await page.getByRole('button', { name: 'Something moved' }).click();
  await expect(page.getByText(/IT MOVED at/)).toBeVisible();
  await shoot(page, 'field-moved');
  await expect(page.getByText(/Prove voltage:P201-CBL/)).toBeVisible();
});
