import { spawn } from 'node:child_process';
import { build, ensurePackages, runOrExit } from './setup.mjs';

const port = process.env.PORT ?? '3000';

ensurePackages();
build();
runOrExit('npx', ['tsx', 'src/cli/demo.ts']);
console.log(`\nHeavy Lantern runs at http://localhost:${port} (stop with Ctrl+C)\n`);
// Longer than the 60 s after which proxies and devices let an idle line go: they shut it, and never use one that was just shut.
const KEPT_MS = '65000';
const server = spawn('npx', ['next', 'start', '--port', port, '--keepAliveTimeout', KEPT_MS], {
  stdio: 'inherit',
  env: { ...process.env, LANTERN_DEMO: '1', NEXT_TELEMETRY_DISABLED: '1' },
});
server.on('exit', (code) => process.exit(code ?? 0));
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
