import { dirname, join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';
import { build } from 'esbuild';

const root = join(dirname(fileURLToPath(import.meta.url)), '..');
const outfile = join(root, '.cache', 'bench', 'main.mjs');

// Compiled like what ships: names that the loader keeps for developers would slow every inner loop down.
await build({
  entryPoints: [join(root, 'bench', 'main.ts')],
  outfile,
  bundle: true,
  external: ['better-sqlite3', '@node-rs/argon2', 'pdfkit', 'esbuild'],
  banner: {
    js: "import { createRequire as lanternRequire } from 'node:module'; const require = lanternRequire(import.meta.url);",
  },
  format: 'esm',
  platform: 'node',
  target: 'node20',
  sourcemap: 'linked',
  logLevel: 'error',
});
await import(pathToFileURL(outfile).href);
