import { readdirSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';

const root = join(dirname(fileURLToPath(import.meta.url)), '..');
const built = join(root, '.cache', 'lantern');
const entry = join(built, 'main.mjs');

/** When anything of the sources was changed last (ms). */
function findNewest(folder) {
  let newest = 0;
  for (const one of readdirSync(folder, { withFileTypes: true })) {
    const path = join(folder, one.name);
    newest = Math.max(newest, one.isDirectory() ? findNewest(path) : statSync(path).mtimeMs);
  }
  return newest;
}

const isFresh = () => {
  const made = statSync(entry, { throwIfNoEntry: false })?.mtimeMs ?? 0;
  const sources = ['core', 'cli', 'db', 'ledger', 'server'].map((one) => join(root, 'src', one));
  return (
    made > Math.max(statSync(join(root, 'package-lock.json')).mtimeMs, ...sources.map(findNewest))
  );
};

/** Compiles the command line once; a command loads only the pieces that it needs. */
async function compile() {
  const { build } = await import('esbuild');
  await build({
    entryPoints: [join(root, 'src/cli/main.ts')],
    outdir: built,
    outExtension: { '.js': '.mjs' },
    bundle: true,
    splitting: true,
    format: 'esm',
    platform: 'node',
    target: 'node20',
    minify: true,
    sourcemap: 'linked',
    external: ['better-sqlite3', '@node-rs/argon2', 'pdfkit'],
    // Packages that ask for parts of Node in the old way.
    banner: {
      js: "import { createRequire as lanternRequire } from 'node:module'; const require = lanternRequire(import.meta.url);",
    },
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
    logLevel: 'error',
  });
}

if (!isFresh()) await compile();
await import(pathToFileURL(entry).href);
