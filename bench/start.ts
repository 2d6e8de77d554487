import { execFileSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { say, summarise, time } from './timing';

const ROUNDS = 15;

const run = (...args: string[]) => execFileSync(process.execPath, args, { stdio: 'ignore' });

/** How long the command line takes for a trace of the demonstration plant, against a bare start of Node. */
export function benchStart(): void {
  const scope = join(mkdtempSync(join(tmpdir(), 'lantern-')), 'scope.json');
  writeFileSync(
    scope,
    JSON.stringify({ work: [{ section: 'P201-CAS', activity: 'open' }], hours: 6 }),
  );
  const trace = () => run('scripts/lantern.mjs', 'trace', 'demo/quillmere.plant.json', scope);
  // The first run compiles.
  trace();
  const rounds = Array.from({ length: ROUNDS }, () => ({
    bare: time(() => run('-e', '0')),
    whole: time(trace),
  }));
  const bare = summarise(rounds.map((one) => one.bare)).median;
  const whole = summarise(rounds.map((one) => one.whole)).median;
  say('Command line');
  say(
    `  trace of the demonstration ${whole.toFixed(0)} ms, ${(whole / bare).toFixed(1)} times a bare start of Node (${bare.toFixed(0)} ms)`,
  );
}
