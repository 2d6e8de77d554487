import { readFileSync } from 'node:fs';
import AxeBuilder from '@axe-core/playwright';
import { expect, type APIResponse, type Locator, type Page } from '@playwright/test';
import { listSigners, type Command } from '../../src/core/job';
import { findShift } from '../../src/core/permits';
import { DEFAULT_VALUES } from '../../src/core/rules/values';

type Step = readonly [actor: string, command: Command];

interface SiteFile {
  people: { id: string; name: string; pin: string }[];
}
const { people } = JSON.parse(readFileSync('demo/quillmere.site.json', 'utf8')) as SiteFile;

const find = (id: string) => {
  const person = people.find((one) => one.id === id);
  if (!person) throw new Error(`no such demonstration person: ${id}`);
  return person;
};
export const pinOf = (id: string): string => find(id).pin;
export const nameOf = (id: string): string => find(id).name;

/** Signs another person in at the same desk and loads the page anew. */
export async function actAs(page: Page, id: string): Promise<void> {
  const answer = await page.request.post('/api/session', { data: { person: id, pin: pinOf(id) } });
  expect(answer.ok()).toBe(true);
  await page.reload();
  await expect(page.getByText(nameOf(id)).first()).toBeVisible();
  await untilReady(page);
}

/** Waits until the page answers, and the work of a job too where the page is about one. */
async function untilReady(page: Page): Promise<void> {
  await expect(page.locator('html')).toHaveAttribute('data-awake', 'yes');
  if ((await page.locator('#workspace').count()) === 0) return;
  await expect(page.locator('html')).toHaveAttribute('data-ready', 'yes');
}

/** More stops of the tab key than any screen has. */
const MOST_TABS = 600;

/**
 * Where a control lies from the one in focus: on it, further on or back, and about how many stops away. With nothing in focus yet, whichever
 * end of the page is nearer.
 */
function lookAhead(element: Element): { way: 'here' | 'Tab' | 'Shift+Tab'; stops: number } {
  const from = document.activeElement;
  if (from === element) return { way: 'here', stops: 0 };
  const all = [...document.querySelectorAll('a, button, input, select, textarea, summary')].filter(
    (one) => one.getClientRects().length > 0 && !one.matches(':disabled, [tabindex="-1"]'),
  );
  const to = all.indexOf(element);
  if (from === null || from === document.body) {
    const isNear = to * 2 < all.length;
    return { way: isNear ? 'Tab' : 'Shift+Tab', stops: isNear ? to : all.length - to };
  }
  const isBefore = from.compareDocumentPosition(element) & Node.DOCUMENT_POSITION_PRECEDING;
  const at = all.indexOf(from);
  return { way: isBefore ? 'Shift+Tab' : 'Tab', stops: at < 0 ? 1 : Math.abs(to - at) };
}

/** Goes to a control by the tab key alone, forwards or back; fails when it cannot be reached. */
async function tabTo(target: Locator): Promise<void> {
  await target.waitFor();
  const page = target.page();
  let before: string | undefined;
  let isPast = false;
  for (let turn = 0; turn < MOST_TABS; turn++) {
    const { way, stops } = await target.evaluate(lookAhead);
    if (way === 'here') return;
    // A group of choices is one stop, so no more than half the way is gone without looking again; once it was passed, step by step.
    isPast ||= before !== undefined && before !== way;
    before = way;
    const steps = isPast ? 1 : Math.max(1, Math.floor(stops / 2));
    for (let step = 0; step < steps; step++) await page.keyboard.press(way);
  }
  throw new Error(`not reached by keyboard: ${String(target)}`);
}

/** Presses a button or follows a link by keyboard. */
export async function press(target: Locator): Promise<void> {
  await expect(target).toBeEnabled({ timeout: 60_000 });
  await tabTo(target);
  await target.page().keyboard.press('Enter');
}

/** Opens the palette by keyboard and types into it. */
export async function ask(page: Page, words: string): Promise<void> {
  await page.keyboard.press('Control+k');
  const field = page.getByRole('dialog', { name: 'Find or do' }).getByRole('combobox');
  await expect(field).toBeFocused();
  await page.keyboard.type(words);
  // A page that is still being put together may swallow a letter; whoever sees that types it again.
  if ((await field.inputValue()) !== words) await field.fill(words);
}

/** Does something that can be done from anywhere, by the keyboard alone. */
export async function doAnywhere(page: Page, words: string): Promise<void> {
  await ask(page, words);
  await expect(page.getByRole('option', { name: words }).first()).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog')).toHaveCount(0);
}

/** Types into a field by keyboard, over what stands there. */
export async function type(target: Locator, text: string): Promise<void> {
  await tabTo(target);
  await target.page().keyboard.press('Control+A');
  await target.page().keyboard.type(text);
  await expect(target).toHaveValue(text);
}

/** What stands in the open list of a combobox, by its id. */
const choiceIn = (page: Page, id: string): Locator =>
  page.getByRole('option').and(page.locator(`[data-id="${id}"]`));

/** Picks in a combobox by hand: a press opens it, one takes the choice. */
export async function pick(target: Locator, id: string): Promise<void> {
  await target.click();
  await choiceIn(target.page(), id).click();
  await expect(target.page().getByRole('listbox')).toHaveCount(0);
}

/** Picks in a combobox by keyboard: opens it, types, takes what is found. */
export async function pickByKeys(target: Locator, id: string): Promise<void> {
  await tabTo(target);
  const page = target.page();
  await page.keyboard.press('ArrowDown');
  await expect(page.getByPlaceholder('Type to find')).toBeFocused();
  await page.keyboard.type(id);
  await expect(choiceIn(page, id)).toHaveAttribute('data-selected', 'true');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('listbox')).toHaveCount(0);
  await expect(target).toBeFocused();
}

/** Chooses from a short list by keyboard: opens it, steps to the choice, takes it. */
export async function choose(target: Locator, value: string): Promise<void> {
  await tabTo(target);
  const { keyboard } = target.page();
  if ((await target.inputValue()) === value) return;
  await keyboard.press('Space');
  const wanted = target.locator(`option[value="${value}"]`);
  const isOn = () => wanted.evaluate((option) => option === document.activeElement);
  await keyboard.press('Home');
  const most = await target.locator('option').count();
  for (let turn = 0; turn < most && !(await isOn()); turn++) await keyboard.press('ArrowDown');
  await keyboard.press('Enter');
  await expect(target).toHaveValue(value);
}

/** No view loads more JavaScript than this (bytes on the wire). */
const MOST_SCRIPT = 250_000;

/** Fails when the page at hand has loaded more JavaScript than a view may. */
export async function expectLight(page: Page): Promise<void> {
  await page.waitForLoadState('load');
  // What is loaded once the page stands counts as well.
  await page.waitForTimeout(1500);
  const bytes = await page.evaluate(() => {
    const scripts = performance
      .getEntriesByType('resource')
      .filter(({ name }) => name.includes('.js'))
      .map((one): [string, number] => [
        one.name,
        (one as PerformanceResourceTiming).encodedBodySize,
      ]);
    // The field page asks for each a second time, to keep it: the larger counts.
    const most = new Map(scripts.sort(([, a], [, b]) => a - b));
    return [...most.values()].reduce((sum, size) => sum + size, 0);
  });
  console.log(`${new URL(page.url()).pathname}: ${Math.round(bytes / 1000)} kB of JavaScript`);
  expect(bytes).toBeGreaterThan(10_000);
  expect(bytes).toBeLessThan(MOST_SCRIPT);
}

/** Looks at another part of a job. */
export async function showTab(page: Page, name: string): Promise<void> {
  const tab = page.getByRole('tab', { name: new RegExp(`^${name}`) });
  await tab.click();
  await expect(tab).toHaveAttribute('data-state', 'active');
}

/** Answers every question of the screening with no, by keyboard. */
export async function answerNo(page: Page): Promise<void> {
  for (const question of await page.locator('[data-question]').all()) {
    await tabTo(question.getByLabel('yes'));
    await page.keyboard.press('ArrowRight');
    await expect(question.getByLabel('no')).toBeChecked();
  }
}

/** Ticks a box by keyboard. */
export async function tick(target: Locator): Promise<void> {
  await tabTo(target);
  await target.page().keyboard.press('Space');
  await expect(target).toBeChecked();
}

/** Gives the PINs that the dialog asks for. */
export async function sign(page: Page, ...ids: string[]): Promise<void> {
  for (const id of ids) await type(page.getByLabel(`PIN of ${nameOf(id)}`), pinOf(id));
  await press(page.getByRole('button', { name: 'Sign', exact: true }));
  await expect(page.getByRole('dialog', { name: 'Sign' })).toHaveCount(0);
}

/** Fills in a briefing with those named, each question asked of the next of them, up to where they sign. */
export async function fillBriefing(page: Page, present: readonly string[]): Promise<void> {
  await showTab(page, 'Briefing');
  const form = page.getByRole('region', { name: 'Briefing', exact: true });
  for (const name of present) await form.getByRole('checkbox', { name: `${name},` }).check();
  const asked = await form.getByLabel('Asked of').all();
  for (const [n, of] of asked.entries())
    await of.selectOption({ label: present[n % present.length] ?? '' });
  for (const answer of await form.getByLabel('What they answered').all())
    await answer.fill('shown on the spot, in their own words');
  for (const look of await form.locator('select[aria-label^="Who looked"][required]').all())
    await look.selectOption({ label: present[0] ?? '' });
  for (const seen of await form.getByLabel(/^What was seen of/).all()) await seen.fill('sound');
  if (await form.getByLabel('What is carried').isVisible()) {
    await form.getByLabel('What is carried').fill('heaviest part');
    await form.getByLabel('It weighs (kg)').fill('30');
  }
  await form.getByLabel('Air at the work (°C)').fill('18');
  await form.getByLabel(/^What else goes on/).fill('nobody near');
  await form.getByRole('button', { name: /^Record the briefing/ }).click();
}

const LOOKS = 4;

/**
 * Fails when axe finds anything serious or critical. A screen that is being loaded anew has no title
 * for a moment, so it looks again a few times; how long a look takes does not count, since the whole
 * plant on a busy machine takes axe many seconds.
 */
export async function expectNoBarriers(page: Page): Promise<void> {
  let grave: string[] = [];
  for (let look = 0; look < LOOKS; look++) {
    await expect(page).toHaveTitle(/./);
    const { violations } = await new AxeBuilder({ page }).analyze();
    grave = violations
      .filter(({ impact }) => impact === 'serious' || impact === 'critical')
      .map(({ id, nodes }) => `${id}: ${nodes[0]?.html ?? ''}`);
    if (grave.length === 0) return;
  }
  expect(grave).toEqual([]);
}

/** Sends a command past the screens, as someone would who tries to go round them. */
export function sendCommand(
  page: Page,
  job: string,
  command: object,
  expected: number,
  signers: readonly string[] = [],
): Promise<APIResponse> {
  return page.request.post(`/api/jobs/${job}/commands`, {
    data: {
      command,
      expected,
      key: `test-${Math.random()}-${Date.now()}`,
      signatures: signers.map((person) => ({ person, pin: pinOf(person) })),
    },
  });
}

/** The number of a job's newest event. */
export async function readSequence(page: Page, job: string): Promise<number> {
  const probe = await sendCommand(page, job, { kind: 'submit-plan' }, 0);
  return ((await probe.json()) as { sequence: number }).sequence;
}

/** Finds every point of the job at hand as it is drawn, past the screens. */
export async function walkDownAs(page: Page, job: string, person: string): Promise<void> {
  await actAs(page, person);
  const points = await page
    .locator('li[data-label]')
    .evaluateAll((all) => all.map((one) => one.getAttribute('data-label') ?? ''));
  for (const point of points) {
    const probe = await sendCommand(page, job, { kind: 'submit-plan' }, 0);
    const { sequence } = (await probe.json()) as { sequence: number };
    const command = { kind: 'check-label', point, found: 'as-drawn', note: '' };
    expect((await sendCommand(page, job, command, sequence)).ok()).toBe(true);
  }
  await page.reload();
}

/** The rule codes of a refusal. */
export async function codesOf(answer: APIResponse): Promise<string[]> {
  const body = (await answer.json()) as { refusals?: { code: string }[] };
  return (body.refusals ?? []).map(({ code }) => code);
}

const shots = process.env.LANTERN_SHOTS;
/** Keeps a picture of the screen when pictures are asked for. */
export const shoot = async (page: Page, name: string) => {
  if (shots) await page.screenshot({ path: `${shots}/${name}.png` });
};

/** Signs someone in and opens a page. */
export async function open(page: Page, person: string, url: string): Promise<void> {
  await page.request.post('/api/session', { data: { person, pin: pinOf(person) } });
  await page.goto(url);
  await untilReady(page);
}

/** Raises a seal change on pump P-201 and answers its number. */
export async function raise(page: Page, title: string): Promise<string> {
  await open(page, 'ada', '/jobs/new');
  await page.getByLabel('What is to be done').fill(title);
  await pick(page.getByLabel('Equipment'), 'P-201');
  await pick(page.getByLabel('Section 1'), 'P201-CAS');
  await pick(page.getByLabel('Who leads the work'), 'jun');
  await page.getByRole('button', { name: 'Raise the job' }).click();
  await page.waitForURL(/jobs\/J-\d+$/);
  return page.url().split('/').at(-1) ?? '';
}

/** Has the isolation computed and takes the answer of least effort. */
export async function takeLeastEffort(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Compute the isolation' }).click();
  await page.getByRole('button', { name: 'Take least effort' }).click({ timeout: 60_000 });
  await expect(page.getByTestId('check-verdict')).toContainText('passes');
}

/** Moves the clock of the demonstration forward by `hours`, as the coordinator; who is signed in then is the coordinator. */
export async function letTimePass(page: Page, hours: number): Promise<string> {
  await page.request.post('/api/session', { data: { person: 'ada', pin: pinOf('ada') } });
  const answer = await page.request.post('/api/clock', { data: { hours } });
  expect(answer.ok()).toBe(true);
  return ((await answer.json()) as { now: string }).now;
}

/** Moves the clock of the demonstration to the beginning of the next shift, where a permit has the whole shift before it. */
export async function beginShift(page: Page): Promise<void> {
  const now = await letTimePass(page, 0.001);
  const { end } = findShift(now, DEFAULT_VALUES);
  await letTimePass(page, (Date.parse(end) - Date.parse(now)) / 3_600_000 + 0.02);
}

/** What cannot be done before something has let down or run down. */
const AFTER_A_WAIT: readonly (string | undefined)[] = ['wait-out-store', 'prove'];

/** Carries out steps on a job past the screens, each by whoever takes it; answers the job and its sequence. */
export async function carryOutOn(
  page: Page,
  steps: readonly Step[],
  from: { readonly job: string; readonly sequence: number } = { job: 'new', sequence: 0 },
): Promise<{ job: string; sequence: number }> {
  let { job, sequence } = from;
  if (job === 'new') await beginShift(page);
  for (const [index, [actor, command]] of steps.entries()) {
    const before = steps[index - 1]?.[1].kind;
    if (AFTER_A_WAIT.includes(command.kind) && !AFTER_A_WAIT.includes(before))
      await letTimePass(page, 0.1);
    await page.request.post('/api/session', { data: { person: actor, pin: pinOf(actor) } });
    const signers = listSigners(command, actor);
    const answer = await sendCommand(page, job, command, sequence, signers);
    const sent = (await answer.json()) as { jobId: string; sequence: number };
    expect([command.kind, answer.ok(), JSON.stringify(sent)]).toEqual([
      command.kind,
      true,
      JSON.stringify(sent),
    ]);
    job = sent.jobId;
    sequence = sent.sequence;
  }
  return { job, sequence };
}

/** A lead comes with a crew lock: of a new crew, or in place of the lead who is there. */
export async function hangCrewLock(
  page: Page,
  crew: string,
  lead: string,
  lock: string,
): Promise<void> {
  await page.getByText('A crew comes, or changes its lead').click();
  await page.locator('input[name="crew"]').fill(crew);
  await pick(page.getByLabel('Lead', { exact: true }), lead);
  await pick(page.getByLabel('Crew lock'), lock);
  await page.getByLabel('What the lead saw of the isolation').fill('every lock and tag, the round');
  await page.getByRole('button', { name: 'Hang the crew lock' }).click();
  await sign(page, 'hana', lead);
  await page.getByText('A crew comes, or changes its lead').click();
}

/** Signs somebody of a crew on, with a personal lock. */
export async function signOn(
  page: Page,
  person: string,
  lock: string,
  crew: string,
): Promise<void> {
  await pick(page.getByLabel('Who signs on'), person);
  await page.getByLabel('In crew').selectOption(crew);
  await pick(page.getByLabel('Personal lock'), lock);
  await page.getByRole('button', { name: 'Sign on', exact: true }).click();
  await sign(page, person);
}
