import { execFile } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { smallPlant } from '../../tests/support/small-plant';

const run = promisify(execFile);
const folder = mkdtempSync(join(tmpdir(), 'lantern-'));
const file = (name: string, document: unknown): string => {
  const path = join(folder, name);
  writeFileSync(path, JSON.stringify(document));
  return path;
};
const plant = file('plant.json', smallPlant());
const scope = file('scope.json', { work: [{ section: 'W', activity: 'open' }], hours: 8 });
const lantern = (...args: string[]) => run(process.execPath, ['scripts/lantern.mjs', ...args]);

describe('the compiled command line', () => {
  it('answers whoever comes first, several at once', async () => {
    const answers = await Promise.all(
      [1, 2, 3].map(() => lantern('trace', plant, scope, '--json')),
    );
    for (const { stdout, stderr } of answers) {
      const { sources } = JSON.parse(stdout) as { sources: { id: string }[] };
      expect(sources.map(({ id }) => id)).toEqual(['BUS', 'SRC']);
      expect(stderr).toBe('');
    }
  });

  it('gives its exit code and says what is wrong on standard error', async () => {
    await expect(lantern('trace', join(folder, 'none.json'), scope)).rejects.toMatchObject({
      code: 2,
      stderr: expect.stringContaining('no such file') as string,
    });
  });

  it('loads what the record needs when that is asked for', async () => {
    await expect(lantern('ledger', 'verify', join(folder, 'none.db'))).rejects.toMatchObject({
      code: 2,
      stderr: expect.stringContaining('is not there') as string,
    });
  });
});
