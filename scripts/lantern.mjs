import { existsSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';

const root = join(dirname(fileURLToPath(import.meta.url)), '..');
const cache = join(root, '.cache', 'lantern');

/** What was compiled before and is no longer asked for is kept for so long (ms): somebody may be running it. */
const KEPT_MS = 3_600_000;

/** When anything of the sources was changed last (ms). */
function findNewest(folder) {
  let newest = 0;
  for (const one of readdirSync(folder, { withFileTypes: true })) {
    const path = join(folder, one.name);
    newest = Math.max(newest, one.isDirectory() ? findNewest(path) : statSync(path).mtimeMs);
  }
  return newest;
}

/** Where the sources as they stand are compiled to. */
function findBuilt() {
  const sources = ['core', 'cli', 'db', 'ledger', 'server'].map((one) => join(root, 'src', one));
  const lock = statSync(join(root, 'package-lock.json')).mtimeMs;
  return join(cache, String(Math.round(Math.max(lock, ...sources.map(findNewest)))));
}

/** Takes away what was compiled before. */
function clear(built) {
  for (const one of readdirSync(cache)) {
    const path = join(cache, one);
    const age = Date.now() - (statSync(path, { throwIfNoEntry: false })?.mtimeMs ?? Date.now());
    if (path !== built && age > KEPT_MS) rmSync(path, { recursive: true, force: true });
  }
}

/**
 * Compiles the command line once; a command loads only the pieces that it needs. Whoever compiles at the same time does it beside, and the
 * first to be done counts.
 */
async function compile(built) {
  const [{ build }, { FOR_NODE }] = await Promise.all([import('esbuild'), import('./compile.mjs')]);
  const beside = `${built}.${process.pid}`;
  await build({
    entryPoints: [join(root, 'src/cli/main.ts')],
    outdir: beside,
    outExtension: { '.js': '.mjs' },
    ...FOR_NODE,
    splitting: true,
    minify: true,
    plugins: [
      {
        name: 'sources have no effects of their own',
        setup: ({ onResolve }) =>
          onResolve({ filter: /^\.\.?\// }, async ({ path, resolveDir, kind }) => {
            if (kind !== 'import-statement' || resolveDir.includes('node_modules'))
              return undefined;
            const file = [`${path}.ts`, `${path}/index.ts`, path]
              .map((one) => join(resolveDir, one))
              .find((one) => statSync(one, { throwIfNoEntry: false })?.isFile());
            return file?.endsWith('.ts') ? { path: file, sideEffects: false } : undefined;
          }),
      },
    ],
  });
  try {
    renameSync(beside, built);
  } catch (error) {
    if (!existsSync(built)) throw error;
    rmSync(beside, { recursive: true, force: true });
  }
  clear(built);
}

const built = findBuilt();
if (!existsSync(built)) await compile(built);
await import(pathToFileURL(join(built, 'main.mjs')).href);
