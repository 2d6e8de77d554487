import { expect, test, type Page } from '@playwright/test';
import { listSigners } from '../../src/core/job';
import { stepsToWalkDown, withLocks } from '../support/any-job';
import {
  airTestOf,
  carryOut,
  CHECK_SPACE,
  fieldStepsOf,
  permitSteps,
  READY,
  type Step,
} from '../support/seal-change';
import {
  actAs,
  carryOutOn,
  expectNoBarriers,
  letTimePass,
  nameOf,
  open,
  pick,
  pinOf,
  sendCommand,
  shoot,
  showTab,
  sign,
} from './desk';

const minutes = (page: Page, count: number) => letTimePass(page, count / 60);
const box: Step = ['ada', { kind: 'lock-box', box: 'BOX-1', lock: 'C-1' }];

/** Sends a command past the screens on the newest state, by whoever signs it. */
async function give(
  page: Page,
  job: string,
  [actor, command]: Step,
  signers: readonly string[] = [actor],
) {
  await actAs(page, actor);
  const probe = await sendCommand(page, job, { kind: 'submit-plan' }, 0);
  const { sequence } = (await probe.json()) as { sequence: number };
  const answer = await sendCommand(page, job, command, sequence, signers);
  expect([command.kind, await answer.text()]).toEqual([
    command.kind,
    expect.stringContaining('"ok":true'),
  ]);
}

test('hot work by the holder: its overflow breathes out there, is blanked; a round of the tail is missed', async ({
  page,
}) => {
  test.setTimeout(600_000);
  // The blind of the seal pot is swung under a job of its own.
  const blind = stepsToWalkDown([{ section: 'SEAL-OVF', activity: 'open' }], {
    title: 'Seal pot blind swung for the weld beside it',
    equipment: 'GH-1',
  });
  const swung = await carryOutOn(page, blind);
  const plan = stepsToWalkDown([{ section: 'HW-GAS', activity: 'touch' }], {
    title: 'Heating main bracket',
    equipment: 'HM-7',
  });
  const walked = carryOut(plan);
  const papers = permitSteps(walked, ['spark']);
  const [screen, assess, approve] = papers;
  if (!screen || !assess || !approve) throw new Error('no papers');
  const field = withLocks([...fieldStepsOf(walked), box], { E: 0, P: 0, C: 0, BOX: 0 });
  const { job } = await carryOutOn(page, [...plan, ...field, screen, assess, approve]);

  await open(page, 'jun', `/jobs/${job}`);
  const holding = page.getByLabel('Holding this up');
  for (const code of ['cold-not-asked', 'surroundings-open', 'breathes-out', 'monitors-few']) {
    await expect(holding.locator(`[data-code="${code}"]`)).toBeVisible();
  }
  await holding
    .locator('[data-code="cold-not-asked"]')
    .getByRole('button', { name: 'Take me there' })
    .click();
  const surroundings = page.getByLabel('Surroundings of the hot work');
  await expect(surroundings.getByLabel('Answer')).toBeFocused();
  await surroundings.getByLabel('Cold: why not, or how').fill('a clamp would slip');
  await surroundings.getByLabel('Elsewhere: why not, or where').fill('the main is fixed');
  await surroundings.getByRole('button', { name: 'Keep the answer' }).click();
  await sign(page, 'jun');
  await expect(holding.locator('[data-code="cold-not-asked"]')).toHaveCount(0);

  // Two tanks away, over valves that are only shut.
  const breath = surroundings.locator('[data-breathes="OE-SP"]');
  await expect(breath).toContainText('Holder seal pot');
  await expect(breath).toContainText('SEAL-OVF › SB-SP › SP-1');
  await surroundings
    .getByRole('img', { name: /^Plot plan/ })
    .evaluate((plan) => plan.scrollIntoView({ block: 'end' }));
  await shoot(page, 'hot-work');
  await breath.getByText(/more bodies behind it/).click();
  await expect(breath).toContainText('Digester 1 gas space');
  await expect(breath).toContainText('Blank it at SB-SP');
  await expectNoBarriers(page);

  const row = surroundings.locator('[data-neighbour="OE-SP"]');
  await row.getByLabel('It is').selectOption('blanked');
  await row.getByLabel('How, and what was seen').fill('swung, pinned, tag on it');
  await row.getByLabel('under job').fill('J-9999');
  await row.getByRole('button', { name: 'Tick OE-SP' }).click();
  await sign(page, 'jun');
  await expect(page.getByRole('alert').locator('[data-code="blank-not-held"]')).toBeVisible();
  await page.getByRole('button', { name: 'Understood' }).click();
  await row.getByLabel('under job').fill(swung.job);
  await row.getByRole('button', { name: 'Tick OE-SP' }).click();
  await sign(page, 'jun');
  await expect(row).toContainText(`blanked at SB-SP under ${swung.job}`);
  await expect(holding.locator('[data-code="breathes-out"]')).toHaveCount(0);
  await expect(surroundings.getByText(/Nothing that burns reaches an open end/)).toBeVisible();

  for (const step of papers.slice(3)) {
    const [actor, command] = step;
    if (command.kind === 'ask-cold') continue;
    if (command.kind === 'clear-neighbour' && command.neighbour === 'OE-SP') continue;
    if (command.kind === 'test-air') {
      const now = await minutes(page, 1);
      await give(page, job, [actor, airTestOf(carryOut([screen], walked), 'hot-work', {}, now)]);
      continue;
    }
    await give(page, job, step, listSigners(command, actor));
  }
  const watch = { kind: 'take-duty', person: 'sol', duty: 'fire-watch' } as const;
  await give(page, job, ['jun', { ...watch, checked: READY['fire-watch'] }], ['sol']);
  const on = { kind: 'sign-on', person: 'kit', lock: 'W-02', sparks: true } as const;
  await give(page, job, ['hana', on], ['kit']);
  await give(page, job, ['kit', { kind: 'sign-off', person: 'kit', lock: 'W-02' }]);
  const back = {
    kind: 'hand-back',
    cleared: true,
    finished: true,
    remarks: '',
    watcher: 'sol',
  } as const;
  await give(page, job, ['jun', back], ['jun', 'sol']);

  // The tail: one round in time, one missed, and what nobody saw does not count.
  const tail = page.getByLabel('Watch for fire');
  const round = async (words: string, last = false) => {
    await actAs(page, 'sol');
    await tail.getByLabel('What was looked at').fill(words);
    if (last) await tail.getByLabel(/this is the last look/).check();
    await tail
      .getByRole('button', {
        name: last ? 'Record the last look' : 'Record the round of the watch',
      })
      .click();
    await sign(page, 'sol');
    await expect(tail.getByText(words).first()).toBeVisible();
  };
  await minutes(page, 14);
  await round('weld and lagging');
  await expect(page.getByTestId('rounds-missed')).toHaveCount(0);
  await minutes(page, 30);
  await round('drain cover');
  await expect(page.getByTestId('rounds-missed')).toBeVisible();
  await expect(page.getByTestId('tail-left')).toHaveText(/3[01] min/);
  await expectNoBarriers(page);
  await shoot(page, 'tail');
  const close = { kind: 'close-permit', inspected: 'cold' };
  await minutes(page, 15);
  await round('both sides');
  await actAs(page, 'hana');
  const early = await sendCommand(page, job, close, 0, ['hana']);
  expect(early.status()).toBe(409);
  await minutes(page, 17);
  await expect(async () => {
    await actAs(page, 'hana');
    await expect(tail).toHaveAttribute('data-tail', 'over');
  }).toPass();
  await expect(holding.locator('[data-code="tail-final-missing"]')).toBeVisible();
  await round('all of it, cold to the hand', true);
  // The unbroken watch is over: operations know, and go on looking.
  await actAs(page, 'sol');
  await expect(holding.locator('[data-code="watch-end-untold"]')).toBeVisible();
  await tail.getByLabel('Who in the control room was told').fill('the shift leader');
  await pick(tail.getByLabel('Who in operations goes on looking'), 'dov');
  await tail.getByRole('button', { name: 'Sign, both, that operations take over' }).click();
  await sign(page, 'sol', 'dov');
  await expect(tail).toContainText('goes on looking for operations');
  await actAs(page, 'hana');
  await page.getByLabel('What was inspected').fill('weld cold');
  await page.getByRole('button', { name: 'Inspected: close the permit' }).click();
  await sign(page, 'hana');
  await expect(page.getByLabel('Watch for fire')).toHaveCount(0);
  // What was put in for it comes out before the job is closed.
  await actAs(page, 'finn');
  const blanks = page.getByLabel('Blanks of the hot work');
  await blanks.getByLabel(/how it was left/).fill('swung back, gasket new');
  await blanks.getByRole('button', { name: 'Blanks behind OE-SP are out' }).click();
  await sign(page, 'finn');
  await expect(blanks).toHaveCount(0);
});

test('an entry in order: tested, opened, purged to the end, tested, counted, and emptied by an alarm', async ({
  page,
  browser,
}) => {
  test.setTimeout(600_000);
  const plan = stepsToWalkDown([{ section: 'CH-1', activity: 'touch' }], {
    title: 'Condensate chamber float switch',
    equipment: 'CC-1',
  });
  const walked = carryOut(plan);
  const papers = permitSteps(walked, ['enter']);
  const field = withLocks([...fieldStepsOf(walked), box], { E: 8, P: 20, C: 3, BOX: 3 });
  const isPlan = ([, { kind }]: Step) => kind === 'plan-entry';
  const ahead = papers.filter((step) =>
    ['screen-job', 'assess-task', 'approve-permit'].includes(step[1].kind),
  );
  const { job } = await carryOutOn(page, [...plan, ...field, ...ahead]);
  const screened = carryOut(papers.slice(0, 1), walked);

  await open(page, 'hana', `/jobs/${job}`);
  const holding = page.getByLabel('Holding this up');
  await expect(holding.locator('[data-code="entry-not-planned"]')).toBeVisible();
  await showTab(page, 'Entry');
  const entry = page.getByLabel('Entry into the space');
  await entry.getByLabel('Got out by').selectOption('team');
  await entry.getByLabel('How, with what').fill('tripod and winch');
  await entry.getByLabel('Rescue last practised').fill('2026-09-01');
  await entry.getByLabel('How those inside talk').fill('radio 4');
  await entry.getByLabel('How help is called').fill('radio 1');
  await entry.getByRole('button', { name: 'Sign the entry plan' }).click();
  await sign(page, 'hana');
  await expect(page.getByRole('alert').locator('[data-code="rescue-by-device"]')).toBeVisible();
  await page.getByRole('button', { name: 'Understood' }).click();
  await entry.getByLabel('Got out by').selectOption('device');
  await entry.getByRole('button', { name: 'Sign the entry plan' }).click();
  await sign(page, 'hana');
  await expect(holding.locator('[data-code="entry-not-planned"]')).toHaveCount(0);
  await expectNoBarriers(page);

  const testAir = async (more: Parameters<typeof airTestOf>[2] = {}) => {
    const now = await minutes(page, 4);
    await give(page, job, ['finn', airTestOf(screened, 'entry', more, now)]);
  };
  await testAir();
  const issue = papers.at(-1);
  if (!issue || !papers.some(isPlan)) throw new Error('no permit');
  const last = ['check-kit', 'hold-briefing'];
  for (const step of papers.filter(([, { kind }]) => last.includes(kind))) {
    const [actor, command] = step;
    await give(page, job, step, listSigners(command, actor));
  }
  await give(page, job, issue, ['hana', 'jun']);
  const attend = { kind: 'take-duty', person: 'otto', duty: 'attendant' } as const;
  await give(page, job, ['hana', { ...attend, checked: READY.attendant }], ['otto']);
  await give(page, job, ['hana', { kind: 'sign-on', person: 'kit', lock: 'W-02' }], ['kit']);

  await actAs(page, 'otto');
  const before = entry.getByLabel('Looked at before it is opened');
  await before.getByLabel('The cover weighs (kg)').fill('38');
  for (const how of await before.getByLabel('How it is').all()) await how.fill('as it should be');
  await before.getByRole('button', { name: 'Sign what stands round the opening' }).click();
  await sign(page, 'otto');
  await expect(page.getByRole('alert').locator('[data-code="cover-too-heavy"]')).toBeVisible();
  await page.getByRole('button', { name: 'Understood' }).click();
  await before.getByLabel('It is drawn').selectOption('two');
  await before.getByRole('button', { name: 'Sign what stands round the opening' }).click();
  await sign(page, 'otto');
  await expect(before).toContainText('Cover: 38 kg, drawn by two people');
  const { answers } = CHECK_SPACE;
  await give(page, job, ['otto', { kind: 'check-space', answers }]);
  await actAs(page, 'otto');
  await entry.getByLabel('How the opening is guarded').fill('rail and sign');
  await entry.getByRole('button', { name: 'Record that the space is open' }).click();
  await sign(page, 'otto');
  await entry.getByLabel('Gas now (% vol)').fill('0.4');
  await entry.getByLabel('Oxygen now (% vol)').fill('20.1');
  await entry.getByLabel('Openings it leaves by').fill('2');
  await expect(page.getByTestId('purge-ways')).toContainText('30 min, the longest counts');
  await entry.getByLabel('Where it takes its air').fill('upwind, by the road');
  await entry.scrollIntoViewIfNeeded();
  await shoot(page, 'entry-purge');
  await entry.getByRole('button', { name: 'Start the purge' }).click();
  await expect(entry.locator('[data-purge="running"]')).toContainText('of 30 left');
  await expect(entry.getByRole('button', { name: 'Record that the purge is over' })).toHaveCount(0);
  const early = await sendCommand(page, job, { kind: 'end-purge', seen: 'seems clear' }, 0, [
    'otto',
  ]);
  expect(early.ok()).toBe(false);
  await minutes(page, 31);
  await actAs(page, 'otto');
  await entry.getByLabel('What was seen').fill('clock over, blower runs on');
  await entry.getByRole('button', { name: 'Record that the purge is over' }).click();
  await sign(page, 'otto');
  await expect(entry.getByText(/Purged to the end/)).toBeVisible();

  // Purged, and not yet tested again.
  const goIn = async () => {
    await pick(entry.getByLabel('Who goes in'), 'kit');
    await entry.getByLabel('Things taken in').fill('3');
    await entry.getByRole('button', { name: 'Let this person in' }).click();
    await sign(page, 'kit');
  };
  await goIn();
  await expect(page.getByRole('alert').locator('[data-code="test-before-purge"]')).toBeVisible();
  await page.getByRole('button', { name: 'Understood' }).click();
  await testAir();
  await actAs(page, 'otto');
  await goIn();
  await expect(page.getByTestId('count-inside')).toHaveText('1');

  // Everyone sees who is inside; then an alarm, by name, on every screen.
  const other = await (await browser.newContext()).newPage();
  await open(other, 'ada', '/locks');
  await expect(other.getByTestId('in-spaces')).toContainText('1');
  // A detector inside sends by itself: first clean air, then what its clock, a stranger or nonsense would spoil, then a leak.
  const detector = {
    kind: 'place-detector',
    device: 'GM-20',
    use: 'entry',
    place: 'at the bottom',
  } as const;
  await give(page, job, ['finn', detector]);
  await actAs(page, 'finn');
  await showTab(page, 'Air');
  const log = page.getByLabel('Log of the air');
  await log.getByRole('button', { name: 'Have the stand-in read' }).click();
  await expect(log.locator('[data-sensor="GM-20 oxygen"]')).toContainText(/20\.[89]/);
  await expect(log.getByRole('img', { name: /^oxygen at GM-20/ })).toBeVisible();
  await expectNoBarriers(page);
  await log.scrollIntoViewIfNeeded();
  await shoot(page, 'air-log');
  await actAs(page, 'uma');
  const made = await page.request.post('/api/tokens', {
    data: { kind: 'make-token', name: 'GM-20', scope: 'readings', pin: pinOf('uma') },
  });
  const { text } = (await made.json()) as { text: string };
  const now = await minutes(page, 1);
  const reading = { number: 9000, at: now, gas: 'methane', shown: 30, unit: '%LFL' };
  const met = await page.request.get('/api/v1/readings', {
    headers: { authorization: `Bearer ${text}` },
  });
  expect(await met.json()).toMatchObject({
    ok: true,
    next: expect.any(Number) as unknown,
  });
  const readings = (more: object, device = 'GM-20') =>
    page.request.post('/api/v1/readings', {
      headers: { authorization: `Bearer ${text}` },
      data: { device, clock: now, readings: [{ ...reading, ...more }] },
    });
  for (const [more, device, status, words] of [
    [{}, 'GM-21', 403, 'The token is that of GM-20'],
    [{ gas: 'gold' }, 'GM-20', 400, 'gas'],
    [{ gas: 'chlorine', unit: 'ppm' }, 'GM-20', 422, 'gas-not-measured'],
    [{ gas: 'oxygen', unit: '%vol', shown: 0.21 }, 'GM-20', 422, 'gas-as-fraction'],
    [{ at: '2099-01-01T00:00:00.000Z' }, 'GM-20', 422, 'gas-in-future'],
  ] as const) {
    const answer = await readings(more, device);
    expect([answer.status(), await answer.text()]).toEqual([
      status,
      expect.stringContaining(words),
    ]);
  }
  // Bad news was heard although all of these were refused.
  await expect(other.locator(`[data-alarm="${job}"]`)).toContainText(
    'Methane 30 %LFL (limit below 10 % LFL) at Condensate chamber',
  );
  // The device shows as faulty; its stand-in may send clean air at any moment, and is spoilt again.
  await expect(async () => {
    await readings({ gas: 'chlorine', unit: 'ppm' });
    await expect(page.locator('[data-detector-fault="GM-20"]')).toContainText('GM-20', {
      timeout: 3000,
    });
  }).toPass();
  expect(await (await readings({})).json()).toMatchObject({ taken: 1, alarms: [] });
  await expect(page.locator('[data-detector-fault="GM-20"]')).toHaveCount(0);
  expect(await (await readings({})).json()).toMatchObject({ taken: 0, known: 1, alarms: [] });
  await expect(other.locator(`[data-alarm="${job}"]`)).toContainText(
    `Account for ${nameOf('kit')}`,
  );
  await actAs(page, 'otto');
  await expect(page.getByLabel('To account for')).toContainText(nameOf('kit'));
  await expectNoBarriers(page);
  await showTab(page, 'Entry');
  await page.getByLabel('To account for').scrollIntoViewIfNeeded();
  await shoot(page, 'entry-alarm');
  await testAir();
  await actAs(page, 'hana');
  await page
    .getByLabel('What was found, and what was done about it')
    .fill('sludge stirred up; blown clear');
  await page.getByRole('button', { name: 'Let the work go on' }).click();
  await sign(page, 'hana');
  await expect(page.getByRole('alert').locator('[data-code="not-accounted"]')).toBeVisible();
  await page.getByRole('button', { name: 'Understood' }).click();
  await page.getByRole('button', { name: `${nameOf('kit')} is out, seen by me` }).click();
  await expect(page.getByTestId('count-inside')).toHaveText('0');
  await expect(other.locator(`[data-alarm="${job}"]`)).toHaveCount(0);
  await expect(other.getByTestId('in-spaces')).toContainText('0');
  await page.getByRole('button', { name: 'Let the work go on' }).click();
  await sign(page, 'hana');
  await expect(page.getByRole('heading', { name: 'Stopped' })).toHaveCount(0);
  // It was left empty: purged and tested again before anyone goes back.
  await actAs(page, 'otto');
  await goIn();
  await expect(page.getByRole('alert').locator('[data-code="purge-missing"]')).toBeVisible();
});
