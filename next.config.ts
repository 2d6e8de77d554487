import type { NextConfig } from 'next';

const config: NextConfig = {
  serverExternalPackages: ['better-sqlite3', 'highs', 'elkjs', '@node-rs/argon2', 'pino', 'pdfkit'],
  turbopack: { root: import.meta.dirname },
  poweredByHeader: false,
};

export default config;
