import { expect, test, type Page } from '@playwright/test';
import { withLocks } from '../support/any-job';
import { fieldSteps, PERMIT, USABLE } from '../support/seal-change';
import {
  actAs,
  carryOutOn,
  expectNoBarriers,
  hangCrewLock,
  nameOf,
  open,
  sendCommand,
  shoot,
  sign,
  signOn,
  pick,
  showTab,
} from './desk';

const OXMOOR = 'Oxmoor Electrical';
const TARNBECK = 'Tarnbeck Mechanical';

/** Refusals that the desk shows for what was just tried. */
const refusal = (page: Page, code: string) =>
  page.getByRole('alert').locator(`[data-code="${code}"]`);

test('two crews work in a group, change shift, lose an owner, and hand the box over', async ({
  page,
  browser,
}) => {
  test.setTimeout(900_000);
  const steps = withLocks([...USABLE, ...fieldSteps(), ...PERMIT], {
    E: 4,
    P: 7,
    C: 1,
    BOX: 1,
  });
  const { job, sequence } = await carryOutOn(page, steps);
  await open(page, 'hana', `/jobs/${job}`);
  await actAs(page, 'hana');

  await hangCrewLock(page, TARNBECK, 'jun', 'L-1');
  await hangCrewLock(page, OXMOOR, 'nell', 'L-2');
  await signOn(page, 'kit', 'W-02', TARNBECK);
  // The next command is given on what the screen shows once it has heard of this one.
  await expect(page.getByTestId('count-on')).toHaveText('1');
  await signOn(page, 'otto', 'W-06', OXMOOR);
  await expect(page.locator(`[data-crew="${OXMOOR}"]`)).toContainText('1 on');
  await expect(page.getByTestId('count-on')).toHaveText('2');
  await expectNoBarriers(page);
  await shoot(page, 'crews');

  // Each lead may only go once the next one's lock is on.
  const oxmoor = page.locator(`[data-crew="${OXMOOR}"]`);
  await oxmoor.getByRole('button', { name: 'Crew leaves: take L-2 off' }).click();
  await sign(page, 'nell');
  await expect(refusal(page, 'crew-members-on')).toBeVisible();
  await page.getByRole('button', { name: 'Understood' }).click();
  await hangCrewLock(page, OXMOOR, 'pia', 'L-3');
  await oxmoor.getByRole('button', { name: 'Hand over: take L-2 off' }).click();
  await sign(page, 'nell');
  await expect(oxmoor).toContainText(`Lead ${nameOf('pia')}`);

  // Two desks at once: the second is told what the first did, and nothing of it is lost or doubled.
  const other = await (await browser.newContext()).newPage();
  // The other desk has not been told yet what this one does: otherwise its screen would show it.
  await other.route('**/api/live', (route) => route.abort());
  await open(other, 'ben', `/jobs/${job}`);
  await expect(other.getByTestId('count-on')).toHaveText('2');
  await signOn(page, 'lena', 'W-03', TARNBECK);
  await expect(page.getByTestId('count-on')).toHaveText('3');
  await signOn(other, 'lena', 'W-03', TARNBECK);
  await expect(other.getByText(/The job changed meanwhile/)).toBeVisible();
  await expect(other.getByTestId('count-on')).toHaveText('3');
  // Both give the same command on what they saw: on an old state neither counts, on the newest exactly one.
  const race = await Promise.all(
    [page, other].map((desk) =>
      sendCommand(desk, job, { kind: 'sign-off', person: 'lena', lock: 'W-03' }, sequence, [
        'lena',
      ]),
    ),
  );
  expect(race.map((answer) => answer.status())).toEqual([409, 409]);
  const { sequence: now } = (await race[0]?.json()) as { sequence: number };
  const again = await Promise.all(
    [page, other].map((desk) =>
      sendCommand(desk, job, { kind: 'sign-off', person: 'lena', lock: 'W-03' }, now, ['lena']),
    ),
  );
  expect(again.map((answer) => answer.status()).sort()).toEqual([200, 409]);
  await page.reload();
  await expect(page.getByTestId('count-on')).toHaveText('2');

  // An owner goes home with the key in the pocket.
  const otto = nameOf('otto');
  await actAs(page, 'ada');
  await page.getByText(`${otto} is not there`).click();
  const form = page.locator('[data-on="otto"]');
  await form.getByLabel(/^How it was made sure/).fill('gate log');
  await form.getByLabel(/^What was done to reach/).fill('telephone, twice');
  await form.getByRole('button', { name: `Take W-06 off for ${otto}` }).click();
  await sign(page, 'ada', 'uma');
  await expect(page.getByTestId('count-on')).toHaveText('1');
  await actAs(page, 'hana');
  await signOn(page, 'otto', 'W-06', OXMOOR);
  await expect(refusal(page, 'owner-not-told')).toBeVisible();
  await page.getByRole('button', { name: 'Understood' }).click();
  await page.getByLabel('What they were told').fill('why, when and by whom');
  await page.getByRole('button', { name: `${otto} has been told` }).click();
  await sign(page, 'hana', 'otto');
  await signOn(page, 'otto', 'W-06', OXMOOR);
  await expect(page.getByTestId('count-on')).toHaveText('2');

  // The box changes hands: the incoming control lock first, nobody on, and everything proved again.
  await actAs(page, 'ben');
  await showTab(page, 'Locks');
  await page.getByText('Hand the box over at the change of shift').click();
  await pick(page.getByLabel('Incoming control lock'), 'C-6');
  await page.getByRole('button', { name: 'Hang the incoming control lock' }).click();
  await sign(page, 'ben');
  await expect(page.getByText('Incoming control lock C-6')).toBeVisible();
  await actAs(page, 'ada');
  await page.getByRole('button', { name: 'Take C-2 off' }).click();
  await sign(page, 'ada');
  await expect(refusal(page, 'people-on')).toBeVisible();
  await page.getByRole('button', { name: 'Understood' }).click();
  await actAs(page, 'hana');
  await showTab(page, 'Work');
  for (const person of ['kit', 'otto']) {
    await page.getByRole('button', { name: `Sign ${nameOf(person)} off` }).click();
    await sign(page, person);
  }
  await expect(page.getByTestId('count-on')).toHaveText('0');
  await actAs(page, 'ada');
  await showTab(page, 'Locks');
  await page.getByRole('button', { name: 'Take C-2 off' }).click();
  await sign(page, 'ada');
  await expect(page.locator('[data-code="shift-changed"]').first()).toBeVisible();
  await expect(page.getByTestId('lamps-dark')).toHaveText('0 dark');
  await shoot(page, 'shift-changed');
  await actAs(page, 'hana');
  await showTab(page, 'Work');
  await signOn(page, 'kit', 'W-02', TARNBECK);
  await expect(refusal(page, 'shift-changed')).toBeVisible();
});
