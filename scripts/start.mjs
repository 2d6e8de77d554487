import { spawn } from 'node:child_process';
import { existsSync } from 'node:fs';
import { build, ensurePackages } from './setup.mjs';

/** Runs a site of its own: no demonstration. Builds the application where it is not built yet. */
ensurePackages();
if (!existsSync('.next/BUILD_ID')) build();
const env = { ...process.env, NODE_ENV: 'production', NEXT_TELEMETRY_DISABLED: '1' };
delete env.LANTERN_DEMO;
const server = spawn('node', ['scripts/serve.mjs'], { stdio: 'inherit', env });
server.on('exit', (code) => process.exit(code ?? 0));
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
