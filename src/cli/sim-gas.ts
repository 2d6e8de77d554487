import { readFileSync } from 'node:fs';
import { setTimeout as wait } from 'node:timers/promises';
import { Command } from 'commander';
import { z } from 'zod';
import { gasDetectorSchema } from '../core/gas';
import { AIR_SCENES, playDetector, type AirScene } from '../sim';

const siteSchema = z.object({
  registers: z.object({
    instruments: z.array(z.object({ id: z.string(), detector: gasDetectorSchema.optional() })),
  }),
});

const metSchema = z.object({ now: z.string(), next: z.number() });

interface Options {
  readonly url: string;
  readonly token: string;
  readonly device: string;
  readonly scene: AirScene;
  readonly every: string;
  readonly ahead: string;
  readonly site: string;
}

/** A stand-in gas detector on its own: sends what it reads over HTTP, as a real one does, until it is stopped. */
async function play({ url, token, device, scene, every, ahead, site }: Options): Promise<void> {
  const { registers } = siteSchema.parse(JSON.parse(readFileSync(site, 'utf8')));
  const detector = registers.instruments.find(({ id }) => id === device)?.detector;
  if (!detector) throw new Error(`${device} is no gas detector of ${site}`);
  const every_s = Number(every);
  const address = new URL('/api/v1/readings', url);
  const headers = { 'content-type': 'application/json', authorization: `Bearer ${token}` };
  // A device sets its clock by the site's, and numbers its readings on.
  const met = await fetch(address, { headers });
  if (!met.ok) throw new Error(`${met.status} ${await met.text()}`);
  const { now, next } = metSchema.parse(await met.json());
  const began = Date.now();
  const skew = Date.parse(now) - began + Number(ahead) * 1000;
  let from = next;
  for (;;) {
    // The scene goes on from when it began; only its newest reading is sent.
    const seconds = (Date.now() - began) / 1000;
    const until = new Date(Date.now() + skew).toISOString();
    const batch = playDetector(device, detector, { scene, until, seconds, every_s, from: 0 });
    const readings = batch.readings.slice(-detector.sensors.length).map((reading, n) => {
      return { ...reading, at: until, number: from + n };
    });
    from += readings.length;
    const answer = await fetch(address, {
      method: 'POST',
      headers,
      body: JSON.stringify({ device, clock: until, readings }),
    });
    process.stdout.write(`${until} ${answer.status} ${await answer.text()}\n`);
    await wait(every_s * 1000);
  }
}

const program = new Command('sim:gas')
  .description('A stand-in gas detector that sends what it reads until it is stopped')
  .requiredOption('--token <text>', 'token of scope “readings”, named for the device')
  .option('--device <id>', 'which detector', 'GD-5')
  .option('--url <address>', 'where the site runs', 'http://localhost:3000')
  .option('--scene <name>', AIR_SCENES.join(', '), 'calm')
  .option('--every <s>', 'how often it sends', '5')
  .option('--ahead <s>', 'how far its clock is ahead', '0')
  .option('--site <file>', 'the site file that describes it', 'demo/quillmere.site.json');

program.parse();
play(program.opts<Options>()).catch((error: unknown) => {
  process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
  process.exitCode = 1;
});
