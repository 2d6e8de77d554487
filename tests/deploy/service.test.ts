import { spawnSync } from 'node:child_process';
import { existsSync, readFileSync } from 'node:fs';

const UNIT = 'deploy/heavy-lantern.service';

describe('the service', () => {
  it('runs what is there, as a user of its own that may write only its data', () => {
    const unit = readFileSync(UNIT, 'utf8');
    const read = (key: string) => new RegExp(`^${key}=(.*)$`, 'm').exec(unit)?.[1] ?? '';
    const [, script = ''] = read('ExecStart').split(' ');
    expect(existsSync(script)).toBe(true);
    expect(read('User')).toBe('lantern');
    expect(read('ProtectSystem')).toBe('strict');
    for (const name of ['LANTERN_DB', 'LANTERN_BACKUPS']) {
      const path = new RegExp(`^Environment=${name}=(.*)$`, 'm').exec(unit)?.[1] ?? '';
      expect(
        read('ReadWritePaths')
          .split(' ')
          .some((one) => path.startsWith(one)),
      ).toBe(true);
    }
  });

  const isThere = spawnSync('systemd-analyze', ['--version']).status === 0;
  (isThere ? it : it.skip)('is understood by systemd', () => {
    const { stderr } = spawnSync('systemd-analyze', ['verify', UNIT], { encoding: 'utf8' });
    expect(stderr).not.toMatch(/Unknown|Failed to parse|Invalid|not absolute/);
  });
});
