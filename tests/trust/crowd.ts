import { nanoid } from 'nanoid';
import { closeDatabase, openDatabase } from '../../src/db';
import { iterateEvents } from '../../src/ledger';
import { verifyAll } from '../../src/server/verify';
import { pick, seeded } from './random';
import type { Send } from './routes';
import { sender, signIn, type Attacked } from './server';

/** What many desks at once came to. */
export interface CrowdCount {
  readonly desks: number;
  readonly acknowledged: number;
  /** Told that somebody was faster, and done again from there. */
  readonly faster: number;
  readonly sentAgain: number;
  readonly lost: number;
  readonly doubled: number;
  readonly wrong: readonly string[];
  readonly broken: readonly string[];
  /** How long a command took (ms), the middle one and the slowest of a hundred. */
  readonly median_ms: number;
  readonly p99_ms: number;
}

const JOBS = ['J-0001', 'J-0002', 'J-0003'] as const;
const PEOPLE = ['ada', 'ben'] as const;

class Desk {
  readonly acknowledged: string[] = [];
  readonly wrong: string[] = [];
  readonly took_ms: number[] = [];
  faster = 0;
  sentAgain = 0;
  private expected = new Map<string, number>();

  constructor(
    private readonly send: Send,
    private readonly random: () => number,
  ) {}

  /** Gives one command; sends it again under its key now and then, as a device does whose answer was lost. */
  async giveOne(): Promise<void> {
    const job = pick(this.random, JOBS);
    const key = nanoid();
    const command = { kind: 'draft-plan', origin: 'own', close: [`HV-200${1 + Math.floor(this.random() * 5)}`], open: [], restrain: [] }; // prettier-ignore
    for (let tries = 0; tries < 200; tries++) {
      const body = JSON.stringify({ command, expected: this.expected.get(job) ?? 0, key, signatures: [] }); // prettier-ignore
      const began = performance.now();
      const { status, text } = await this.send('POST', `/api/jobs/${job}/commands`, { body });
      this.took_ms.push(performance.now() - began);
      const answer = JSON.parse(text) as { ok: boolean; kind?: string; sequence?: number };
      if (status === 200 && answer.ok) {
        this.expected.set(job, answer.sequence ?? 0);
        this.acknowledged.push(key);
        if (this.random() < 0.1) await this.sendAgain(job, body, answer.sequence ?? 0);
        return;
      }
      if (status === 409 && answer.sequence !== undefined) {
        this.faster += 1;
        this.expected.set(job, answer.sequence);
        continue;
      }
      this.wrong.push(`${status}: ${text.slice(0, 200)}`);
      return;
    }
    this.wrong.push('200 others were faster');
  }

  private async sendAgain(job: string, body: string, sequence: number): Promise<void> {
    this.sentAgain += 1;
    const { status, text } = await this.send('POST', `/api/jobs/${job}/commands`, { body });
    const answer = JSON.parse(text) as { ok: boolean; sequence?: number };
    if (status !== 200 || answer.sequence !== sequence) this.wrong.push(`again: ${status} ${text.slice(0, 200)}`); // prettier-ignore
  }
}

/** Has many desks give commands on the same jobs for some time: what was acknowledged stands in the ledger, once, and the whole is sound. */
export async function crowdFor(
  { port, file, stop }: Attacked,
  {
    desks,
    seconds,
    seed,
  }: { readonly desks: number; readonly seconds: number; readonly seed: number },
): Promise<CrowdCount> {
  const random = seeded(seed);
  const all: Desk[] = [];
  for (let n = 0; n < desks; n++) {
    const cookie = await signIn(port, PEOPLE[n % PEOPLE.length] ?? 'ada');
    all.push(new Desk(sender(port, cookie), seeded(Math.floor(random() * 2 ** 31))));
  }
  const until = performance.now() + seconds * 1000;
  await Promise.all(
    all.map(async (desk) => {
      while (performance.now() < until && desk.wrong.length === 0) await desk.giveOne();
    }),
  );
  stop();
  const db = openDatabase(file);
  const kept = new Map<string, number>();
  for (const { payload } of iterateEvents(db)) {
    const { sent } = payload as { sent?: { key: string } };
    // The key is kept with whose it is; a command may make several events, and one of them names it.
    if (sent) kept.set(sent.key, (kept.get(sent.key) ?? 0) + 1);
  }
  const names = [...kept.keys()];
  const has = new Set(names.map((name) => name.split(' ').at(-1)));
  const acknowledged = all.flatMap((desk) => desk.acknowledged);
  const broken = verifyAll(db).problems;
  closeDatabase(db);
  const took = all.flatMap((desk) => desk.took_ms).sort((a, b) => a - b);
  const at = (share: number) => Math.round(took[Math.floor((took.length - 1) * share)] ?? 0);
  return {
    desks,
    acknowledged: acknowledged.length,
    faster: all.reduce((sum, { faster }) => sum + faster, 0),
    sentAgain: all.reduce((sum, { sentAgain }) => sum + sentAgain, 0),
    lost: acknowledged.filter((key) => !has.has(key)).length,
    doubled: [...kept.values()].filter((times) => times > 1).length,
    wrong: all.flatMap((desk) => desk.wrong),
    broken,
    median_ms: at(0.5),
    p99_ms: at(0.99),
  };
}
