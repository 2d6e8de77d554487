import { execFileSync, spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';

/** Runs a command in the open and stops the script when it fails. */
export function runOrExit(command, args, env = {}) {
  const { status } = spawnSync(command, args, {
    stdio: 'inherit',
    env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1', ...env },
  });
  if (status !== 0) process.exit(status ?? 1);
}

/** Installs the packages when they are missing; the lock file stays as it is. */
export function ensurePackages() {
  if (existsSync('node_modules/next') && existsSync('node_modules/better-sqlite3/build')) return;
  console.log('Installing packages (a few minutes the first time)...');
  runOrExit('npm', ['install', '--no-save', '--no-audit', '--no-fund']);
}

/** Installs Debian's Chromium when it is missing. */
export function ensureChromium() {
  if (existsSync('/usr/bin/chromium')) return;
  console.log("Installing Debian's Chromium...");
  const sudo = process.getuid?.() === 0 ? [] : ['sudo'];
  const apt = (...args) => {
    const [command, ...rest] = [...sudo, 'apt-get', ...args];
    execFileSync(command, rest, { stdio: 'inherit' });
  };
  apt('update');
  apt('install', '-y', '--no-install-recommends', 'chromium');
}

/** Builds the application when there is no build, or sources are newer when asked. */
export function build() {
  runOrExit('npx', ['next', 'build']);
}
