/** Imports point one way: app -> ui, server -> ledger, db -> core. */
const layer = (name, from, to, comment) => ({
  name,
  comment,
  severity: 'error',
  from: { path: from, pathNot: '\\.test\\.ts$' },
  to: { path: to },
});

module.exports = {
  forbidden: [
    layer('core-is-pure', '^src/core', '^src/(?!core)', 'core imports nothing but core'),
    layer(
      'core-no-platform',
      '^src/core',
      '^(node:|fs|path|crypto|react|next|drizzle-orm|better-sqlite3|highs)',
      'core has no interface, database, clock or input and output',
    ),
    layer('sim-on-core', '^src/sim', '^src/(?!core|sim)', 'stand-ins know nothing but core'),
    layer(
      'below-server',
      '^src/(ledger|db)',
      '^src/(server|app|ui|cli|sim)',
      'ledger and db know nothing above them',
    ),
    layer('server-not-app', '^src/server', '^src/(app|ui|cli)', 'use cases know no screens'),
    layer(
      'ui-not-server',
      '^src/ui',
      '^src/(server|ledger|db|app|cli)',
      'screens reach the server through routes only',
    ),
    layer(
      'driver-in-db-only',
      '^src/(?!db|ledger)',
      'better-sqlite3',
      'only db and ledger name the database driver',
    ),
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '\\.next' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
  },
};
