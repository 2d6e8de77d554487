/** Packages that ship as ES modules only and so pass through the compiler in tests. */
const esModules = [
  '@seriousme',
  'd3',
  'd3-[a-z0-9-]+',
  'internmap',
  'delaunator',
  'robust-predicates',
  'nanoid',
];

const config = {
  testEnvironment: 'node',
  // A busy machine may take long over loading a site; how long a test takes is never what it tests.
  testTimeout: 60_000,
  // As many at a time as there are processors: the screens come after, with nothing beside them.
  maxWorkers: '100%',
  roots: ['<rootDir>/src', '<rootDir>/tests'],
  testPathIgnorePatterns: ['/node_modules/', '/tests/e2e/'],
  transform: {
    '^.+\\.(ts|tsx|js|mjs)$': [
      '@swc/jest',
      {
        jsc: {
          target: 'es2022',
          parser: { syntax: 'typescript', tsx: true },
          transform: { react: { runtime: 'automatic' } },
        },
        // Packages are loaded when they are first used: a test that never converts a unit need not wait for the library.
        module: { type: 'commonjs', lazy: true },
      },
    ],
  },
  transformIgnorePatterns: [`/node_modules/(?!(${esModules.join('|')})/)`],
};

export default config;
