import type { NextConfig } from 'next';

const config: NextConfig = {
  serverExternalPackages: [
    'better-sqlite3',
    'highs',
    'elkjs',
    '@node-rs/argon2',
    'pino',
    'pdfkit',
    'prom-client',
  ],
  turbopack: { root: import.meta.dirname },
  poweredByHeader: false,
  headers: () =>
    Promise.resolve([
      {
        source: '/:path*',
        headers: [
          { key: 'x-content-type-options', value: 'nosniff' },
          { key: 'x-frame-options', value: 'DENY' },
          { key: 'referrer-policy', value: 'same-origin' },
          {
            key: 'permissions-policy',
            // The field page reads codes with the camera; nothing else is asked for.
            value: 'camera=(self), geolocation=(), microphone=(), payment=(), usb=()',
          },
          { key: 'cross-origin-opener-policy', value: 'same-origin' },
        ],
      },
    ]),
};

export default config;
