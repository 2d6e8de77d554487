import { commandMatrix } from './commands';
import { fillDisk } from './disk';
import { killRounds } from './kill';
import { replayRounds } from './keys';
import { listRoutes, ROUTES } from './routes';
import { tamperRounds } from './tamper';

const SEED = 20_261;

describe('attacks, in short; `npm run trust` goes on for longer', () => {
  it('killing the writer loses and doubles nothing, and a backup meanwhile is whole', async () => {
    const count = await killRounds(10, SEED);
    expect(count).toMatchObject({ rounds: 10, lost: 0, doubled: 0, broken: [] });
    expect(count.acknowledged).toBeGreaterThan(5);
    expect(count.backups).toBeGreaterThan(0);
  }, 300_000);

  it('no change of any table goes unseen', async () => {
    const { changes, unseen } = await tamperRounds(1, SEED);
    expect(unseen).toEqual([]);
    expect(changes).toBeGreaterThan(8);
  }, 300_000);

  it('a key answers for its own command alone', async () => {
    const { replays, wrong } = await replayRounds(5, SEED);
    expect(wrong).toEqual([]);
    expect(replays).toBe(15);
  });

  it('nobody does by any command what their role does not let them, and each command has a sample', () => {
    const { tried, unsampled, wrong } = commandMatrix();
    expect(wrong).toEqual([]);
    expect(unsampled).toEqual([]);
    expect(tried).toBeGreaterThan(5000);
  });

  it('a full disk is said in words, and nothing is half-written', async () => {
    const count = await fillDisk();
    expect(count).toMatchObject({ status: 507, problems: [], recovered: true });
    expect(count.words).toContain('The disk is full');
    expect(count.kept).toBe(1 + count.taken);
  });

  it('every route has a row in the matrix of routes, and no row is of none', () => {
    expect(Object.keys(ROUTES).sort()).toEqual(listRoutes());
  });
});
