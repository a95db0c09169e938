import { existsSync, readFileSync } from 'node:fs';
import type { NextConfig } from 'next';

/** Where the browser’s workers are (`scripts/setup/bundle.mjs`). */
const WORKERS = '.build/workers.json';

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  devIndicators: false,
  serverExternalPackages: ['pg', 'pg-boss', 'sharp', 'mammoth', 'harfbuzzjs', 'exifr', 'file-type', 'yauzl', 'busboy', 'joi'],
  env: { WORKERS: existsSync(WORKERS) ? (JSON.parse(readFileSync(WORKERS, 'utf8')) as { at: string }).at : '' },
  typescript: { ignoreBuildErrors: true },
  async headers() {
    return [
      ...['/fonts/:file*', '/workers/:file*'].map((source) => ({
        source,
        headers: [{ key: 'Cache-Control', value: 'public, max-age=31536000, immutable' }],
      })),
      {
        source: '/:path*',
        headers: [
          { key: 'X-Content-Type-Options', value: 'nosniff' },
          { key: 'Referrer-Policy', value: 'same-origin' },
          // No other site may show what is here as its own; `proxy.ts` says what the pages themselves may do.
          { key: 'Cross-Origin-Resource-Policy', value: 'same-origin' },
          { key: 'Cross-Origin-Opener-Policy', value: 'same-origin' },
        ],
      },
    ];
  },
};

export default config;
