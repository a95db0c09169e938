import type { NextConfig } from 'next';

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  devIndicators: false,
  serverExternalPackages: ['pg', 'pg-boss', 'sharp', 'mammoth', 'harfbuzzjs', 'exifr', 'file-type', 'yauzl', 'busboy', 'joi'],
  // HarfBuzz asks for Node's `module` at load; a browser has none and needs none.
  turbopack: { resolveAlias: { module: { browser: './src/client/emptyModule.ts' } } },
  typescript: { ignoreBuildErrors: true },
  async headers() {
    return [
      { source: '/fonts/:file*', headers: [{ key: 'Cache-Control', value: 'public, max-age=31536000, immutable' }] },
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
