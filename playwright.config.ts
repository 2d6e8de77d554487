import { defineConfig } from '@playwright/test';

interface Site {
  readonly name: string;
  readonly port: number;
  readonly tests: RegExp;
  readonly isEmpty?: boolean;
}

/** Sites beside each other, each with a server and a database of its own; on each the tests run one after another. */
const SITES: readonly Site[] = [
  { name: 'story', port: 3217, tests: /\/(story|unattended|your-plant)\.spec\.ts/ },
  {
    name: 'hatch',
    port: 3218,
    tests: /(hatch|planning|refusals|with-crews|without-network)\.spec\.ts/,
  },
  { name: 'outside', port: 3219, tests: /(outside|run-empty)\.spec\.ts/ },
  // What is reported of a pump holds up every other story on it.
  { name: 'devices', port: 3224, tests: /(contractors|devices|line-and-stop)\.spec\.ts/ },
  { name: 'inside', port: 3220, tests: /(hot-and-inside|pressure)\.spec\.ts/ },
  // The long story needs a pump that no other story holds.
  { name: 'desk', port: 3221, tests: /\/(frame|plant|show-me|stories\/one-job)\.spec\.ts/ },
  { name: 'stories', port: 3222, tests: /\/stories\/(issue|stories)\.spec\.ts/ },
  // Nobody is there yet, and no demonstration is loaded.
  { name: 'own', port: 3223, tests: /own-site\.spec\.ts/, isEmpty: true },
];

/** A line that lies idle is kept for longer (ms) than any test waits: one that is shut just as it is used again loses what is sent. */
const KEPT_MS = 120_000;

const KNOWS_THE_WAY = {
  name: 'welcomed',
  value: 'all',
  domain: 'localhost',
  path: '/',
  expires: -1,
  httpOnly: false,
  secure: false,
  sameSite: 'Lax',
} as const;

export default defineConfig({
  testDir: 'tests/e2e',
  // Two at a time, whatever the number of sites: the machine has two processors.
  workers: 2,
  timeout: 300_000,
  expect: { timeout: 30_000 },
  reporter: [['list']],
  use: {
    viewport: { width: 1280, height: 800 },
    actionTimeout: 60_000,
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        '--disable-dev-shm-usage',
      ],
    },
  },
  projects: [
    // Starts servers of its own, with as little on them as each attack needs.
    { name: 'attacks', testMatch: /attacks\.spec\.ts/ },
    ...SITES.map(({ name, port, tests }) => ({
      name,
      testMatch: tests,
      workers: 1,
      use: {
        baseURL: `http://localhost:${port}`,
        // Whoever tries the screens knows their way; what a role is told at first is tried on its own.
        storageState: { cookies: [KNOWS_THE_WAY], origins: [] },
      },
    })),
  ],
  webServer: SITES.map(({ name, port, isEmpty = false }) => ({
    command: `rm -rf .lantern/${name} && ${isEmpty ? '' : 'npx tsx src/cli/demo.ts --raised-only && '}node scripts/serve.mjs`,
    url: `http://localhost:${port}/login`,
    env: {
      LANTERN_DB: `.lantern/${name}/lantern.db`,
      LANTERN_DEMO: isEmpty ? '' : '1',
      PORT: String(port),
      LANTERN_KEPT_MS: String(KEPT_MS),
      NEXT_TELEMETRY_DISABLED: '1',
    },
    timeout: 120_000,
    reuseExistingServer: false,
  })),
});
