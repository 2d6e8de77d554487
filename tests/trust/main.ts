import { readFileSync } from 'node:fs';
import { closeDatabase, openDatabase } from '../../src/db';
import { loadDemo } from '../../src/server/demo';
import { checkPin, forgetTries } from '../../src/server/pins';
import { countRows, MAY_GROW } from './count';
import { crowdFor } from './crowd';
import { fillDisk } from './disk';
import { killRounds } from './kill';
import { malformedRounds } from './malformed';
import { replayRounds } from './keys';
import { routeMatrix } from './routes';
import { sender, signIn, withServer } from './server';
import { tamperRounds } from './tamper';

const PORT = 3977;
const SEED = Number(process.env.SEED ?? 20_261);
const SOMEONE = ['ada', 'uma', 'kit'] as const;

const attackRoutes = () =>
  withServer(PORT, async ({ port }) => {
    const stranger = sender(port);
    const counts = [];
    for (const person of SOMEONE)
      counts.push(await routeMatrix(stranger, sender(port, await signIn(port, person))));
    const trace = await stranger('TRACE', '/');
    return { counts, trace: trace.status };
  });

/** The memory that a process holds (MB). */
const memoryOf = (pid: number): number =>
  Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1]) / 1024;

/** How much more memory than after half as many requests (MB) is no growth: what is kept as read is bounded. */
const MOST_MEMORY_MB = 100;

const attackWithNonsense = (requests: number) =>
  withServer(PORT, async ({ port, file, pid }) => {
    const senders = [sender(port)];
    for (const person of SOMEONE) senders.push(sender(port, await signIn(port, person)));
    await malformedRounds(senders, requests / 2, SEED + 1);
    const [rows, memory] = [countRows(file), memoryOf(pid)];
    const count = await malformedRounds(senders, requests, SEED);
    const after = countRows(file);
    const grown = Object.keys(after).filter(
      (name) => after[name] !== rows[name] && !MAY_GROW.includes(name),
    );
    return { ...count, grown, memory_mb: Math.round(memoryOf(pid) - memory) };
  });

const attackWithDesks = (desks: number, seconds: number) =>
  withServer(PORT, (server) => crowdFor(server, { desks, seconds, seed: SEED }));

async function attackPins() {
  const db = openDatabase(':memory:');
  await loadDemo(db);
  forgetTries();
  const answers = await Promise.all(
    Array.from({ length: 2000 }, (_, n) =>
      checkPin(db, 'uma', String(100_000 + n), {
        source: { kind: 'address', name: `10.0.${n % 40}.${n % 7}` },
        purpose: 'sign-in',
      }),
    ),
  );
  closeDatabase(db);
  const count = (what: string) => answers.filter((one) => one === what).length;
  return { tries: answers.length, verified: count('wrong') + count('right') };
}

/** The rows of refusals say what they expect in the words of the test runner, which is not here: only their commands are used. */
async function attackCommands() {
  const anything = new Proxy({}, { get: () => () => [] });
  Object.assign(globalThis, { expect: anything });
  const { commandMatrix } = await import('./commands');
  return commandMatrix();
}

/** An attack with what it has to come to. */
const attack = <Count>(run: () => Promise<Count>, holds: (count: Count) => boolean) => ({
  run: async () => {
    const count = await run();
    return { count, held: holds(count) };
  },
});

const ATTACKS = {
  routes: attack(
    attackRoutes,
    ({ counts, trace }) => trace === 400 && counts.every(({ wrong }) => wrong.length === 0),
  ),
  malformed: attack(
    () => attackWithNonsense(10_000),
    ({ wrong, grown, memory_mb }) =>
      wrong.length + grown.length === 0 && memory_mb <= MOST_MEMORY_MB,
  ),
  commands: attack(attackCommands, ({ wrong, unsampled }) => wrong.length + unsampled.length === 0),
  pins: attack(attackPins, ({ verified }) => verified <= 50),
  replays: attack(
    () => replayRounds(200, SEED),
    ({ wrong }) => wrong.length === 0,
  ),
  disk: attack(fillDisk, ({ status, problems }) => status === 507 && problems.length === 0),
  tampering: attack(
    () => tamperRounds(40, SEED),
    ({ unseen }) => unseen.length === 0,
  ),
  kill: attack(
    () => killRounds(200, SEED),
    ({ lost, doubled, broken }) => lost + doubled + broken.length === 0,
  ),
  desks: attack(
    () => attackWithDesks(50, 600),
    ({ lost, doubled, wrong, broken }) => lost + doubled + wrong.length + broken.length === 0,
  ),
} as const;

/** Runs the attacks that are named, or all of them. */
async function main(): Promise<void> {
  const names = Object.keys(ATTACKS) as (keyof typeof ATTACKS)[];
  const asked = process.argv.slice(2);
  const strange = asked.filter((name) => !names.some((one) => one === name));
  if (strange.length > 0) {
    console.error(`No such attack: ${strange.join(', ')}. There are ${names.join(', ')}.`);
    process.exitCode = 2;
    return;
  }
  const failed: string[] = [];
  for (const name of names.filter((one) => asked.length === 0 || asked.includes(one))) {
    const { count, held } = await ATTACKS[name].run();
    console.log(`${name}: ${held ? 'held' : 'DID NOT HOLD'} ${JSON.stringify(count)}`);
    if (!held) failed.push(name);
  }
  console.log(
    failed.length === 0 ? 'everything held' : `NOT EVERYTHING HELD: ${failed.join(', ')}`,
  );
  process.exitCode = failed.length === 0 ? 0 : 1;
}

void main();
