import { readFileSync } from 'node:fs';
import AxeBuilder from '@axe-core/playwright';
import { expect, type APIResponse, type Page } from '@playwright/test';

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
}

/** Gives the PINs that the dialog asks for. */
export async function sign(page: Page, ...ids: string[]): Promise<void> {
  for (const id of ids) await page.getByLabel(`PIN of ${nameOf(id)}`).fill(pinOf(id));
  await page.getByRole('button', { name: 'Sign', exact: true }).click();
  await expect(page.getByRole('dialog', { name: 'Sign' })).toHaveCount(0);
}

/** Fails when axe finds anything serious or critical. */
export async function expectNoBarriers(page: Page): Promise<void> {
  const { violations } = await new AxeBuilder({ page }).analyze();
  const grave = violations.filter(({ impact }) => impact === 'serious' || impact === 'critical');
  expect(grave.map(({ id, nodes }) => `${id}: ${nodes[0]?.html ?? ''}`)).toEqual([]);
}

/** Sends a command past the screens, as someone would who tries to go round them. */
export function sendCommand(
  page: Page,
  job: string,
  command: object,
  expected: number,
  signers: string[] = [],
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

/** The rule codes of a refusal. */
export async function codesOf(answer: APIResponse): Promise<string[]> {
  const body = (await answer.json()) as { refusals?: { code: string }[] };
  return (body.refusals ?? []).map(({ code }) => code);
}
