import { expect, type Locator, type Page } from '@playwright/test';
import { nameOf, pinOf } from '../desk';

/** What a story costs: presses of a button or a finger, keys, and seconds by the clock. */
export interface Cost {
  readonly presses: number;
  readonly keys: number;
  readonly seconds: number;
}

/** Counts presses and keys as a browser sees them, over every page of a tab. */
function watch(): void {
  const read = (key: string) => Number(sessionStorage.getItem(key) ?? 0);
  const count = (key: string) => () => sessionStorage.setItem(key, String(read(key) + 1));
  addEventListener('pointerdown', count('presses'), true);
  addEventListener('keydown', count('keys'), true);
}

export const startCounting = (page: Page): Promise<void> =>
  page.addInitScript(watch).then(() => undefined);

/** Types like a person: a press into the field, then key by key. */
export async function typeInto(field: Locator, words: string): Promise<void> {
  await field.click();
  await field.page().keyboard.press('Control+A');
  await field.page().keyboard.type(words);
}

/** Picks in a combobox like a person: a press opens it, what is typed finds it, Enter takes it. */
export async function pickInto(field: Locator, id: string): Promise<void> {
  await field.click();
  const { keyboard } = field.page();
  await expect(field.page().getByPlaceholder('Type to find')).toBeFocused();
  await keyboard.type(id);
  await keyboard.press('Enter');
  await expect(field.page().getByRole('listbox')).toHaveCount(0);
}

/** Gives the PINs that the dialog asks for, the last one followed by Enter. */
export async function signByHand(page: Page, ...ids: string[]): Promise<void> {
  for (const [n, id] of ids.entries()) {
    const field = page.getByLabel(`PIN of ${nameOf(id)}`);
    // The first has the focus already.
    if (n === 0) await expect(field).toBeFocused();
    else await page.keyboard.press('Tab');
    await page.keyboard.type(pinOf(id));
  }
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog', { name: 'Sign' })).toHaveCount(0);
}

/**
 * Runs a story, says what it cost beside its budget, and fails when it costs more. Seconds are said, and not held against anybody. `before` was
 * counted by hand on the screens of before, as their own browser tests drove them.
 */
export async function keepBudget(
  page: Page,
  name: string,
  budget: Pick<Cost, 'presses' | 'keys'> & { readonly before?: number },
  story: () => Promise<void>,
): Promise<void> {
  await page.evaluate(() => sessionStorage.clear());
  const start = Date.now();
  await story();
  const spent = await page.evaluate(() => ({
    presses: Number(sessionStorage.getItem('presses') ?? 0),
    keys: Number(sessionStorage.getItem('keys') ?? 0),
  }));
  const seconds = Math.round((Date.now() - start) / 1000);
  const { presses, keys, before } = budget;
  console.log(
    `${name}: ${spent.presses} presses (budget ${presses}${before === undefined ? '' : `, ${before} on the screens before`}), ${spent.keys} keys (budget ${keys}), ${seconds} s`,
  );
  expect(spent.presses).toBeLessThanOrEqual(presses);
  expect(spent.keys).toBeLessThanOrEqual(keys);
}
