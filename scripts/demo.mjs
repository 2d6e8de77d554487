import { spawn } from 'node:child_process';
import { build, ensurePackages, runOrExit } from './setup.mjs';

const port = process.env.PORT ?? '3000';

ensurePackages();
build();
runOrExit('npx', ['tsx', 'src/cli/demo.ts']);
console.log(`\nHeavy Lantern runs at http://localhost:${port} (stop with Ctrl+C)\n`);
const server = spawn('node', ['scripts/serve.mjs'], {
  stdio: 'inherit',
  env: { ...process.env, PORT: port, LANTERN_DEMO: '1', NEXT_TELEMETRY_DISABLED: '1' },
});
server.on('exit', (code) => process.exit(code ?? 0));
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
