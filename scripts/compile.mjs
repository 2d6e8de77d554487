/** How sources are compiled for Node, whatever is made of them. Packages with parts for the machine stay outside. */
export const FOR_NODE = {
  bundle: true,
  format: 'esm',
  platform: 'node',
  target: 'node20',
  sourcemap: 'linked',
  external: ['better-sqlite3', '@node-rs/argon2', 'pdfkit', 'esbuild'],
  // Packages that ask for parts of Node in the old way.
  banner: {
    js: "import { createRequire as lanternRequire } from 'node:module'; const require = lanternRequire(import.meta.url);",
  },
  logLevel: 'error',
};
