import { defineConfig } from '@playwright/test';

const PORT = 3217;

export default defineConfig({
  testDir: 'tests/e2e',
  workers: 1,
  timeout: 300_000,
  reporter: [['list']],
  use: {
    baseURL: `http://localhost:${PORT}`,
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
  webServer: {
    command: `rm -rf .lantern/e2e && npx tsx src/cli/demo.ts && npx next start --port ${PORT}`,
    url: `http://localhost:${PORT}/login`,
    env: { LANTERN_DB: '.lantern/e2e/lantern.db', LANTERN_DEMO: '1', NEXT_TELEMETRY_DISABLED: '1' },
    timeout: 120_000,
    reuseExistingServer: false,
  },
});
