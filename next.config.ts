import type { NextConfig } from 'next';

/** What a call answers is no page, and runs no script; pages have a policy of their own (`src/proxy.ts`). */
const ANSWERS = [
  "default-src 'self'",
  "script-src 'none'",
  "style-src 'self' 'unsafe-inline'",
  "img-src 'self' data: blob:",
  "media-src 'self' blob:",
  "object-src 'none'",
  "base-uri 'none'",
  "form-action 'none'",
  "frame-ancestors 'none'",
].join('; ');

const config: NextConfig = {
  poweredByHeader: false,
  reactStrictMode: true,
  // A title that comes after its page is gone for a moment at every refresh, and a screen reader says it anew.
  htmlLimitedBots: /.*/,
  // `npm test` checks the types once, for everything; a build need not do it again.
  typescript: { ignoreBuildErrors: true },
  experimental: { serverActions: { bodySizeLimit: '3mb' } },
  serverExternalPackages: [
    'knex',
    'pg',
    '@node-rs/argon2',
    '@resvg/resvg-js',
    'fflate',
    'fontkit',
    'pdfkit',
    'pino',
    'piscina',
    'prom-client',
  ],
  async headers() {
    return [
      {
        source: '/:path*',
        headers: [
          { key: 'X-Content-Type-Options', value: 'nosniff' },
          { key: 'Referrer-Policy', value: 'strict-origin-when-cross-origin' },
          { key: 'X-Frame-Options', value: 'DENY' },
          { key: 'Cross-Origin-Opener-Policy', value: 'same-origin' },
          { key: 'Permissions-Policy', value: 'camera=(), geolocation=(), microphone=(self)' },
        ],
      },
      { source: '/api/:path*', headers: [{ key: 'Content-Security-Policy', value: ANSWERS }] },
    ];
  },
};

export default config;
