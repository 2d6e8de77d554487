import { dirname, join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';
import { build } from 'esbuild';
import { FOR_NODE } from './compile.mjs';

const root = join(dirname(fileURLToPath(import.meta.url)), '..');
const outfile = join(root, '.cache', 'bench', 'main.mjs');

// Compiled like what ships: names that the loader keeps for developers would slow every inner loop down.
await build({
  entryPoints: [join(root, 'bench', 'main.ts')],
  outfile,
  ...FOR_NODE,
});
await import(pathToFileURL(outfile).href);
