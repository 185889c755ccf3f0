import type { NextConfig } from 'next';
import { WITH_ANSWERS, WITH_EVERYTHING } from './src/server/headers';

const listed = (headers: Readonly<Record<string, string>>) =>
  Object.entries(headers).map(([key, value]) => ({ key, value }));

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
      { source: '/:path*', headers: listed(WITH_EVERYTHING) },
      { source: '/api/:path*', headers: listed(WITH_ANSWERS) },
    ];
  },
};

export default config;
