import type { NextConfig } from 'next'

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  // These are loaded by Node itself: bundled, yjs would exist twice, and the others carry WASM or binaries.
  serverExternalPackages: ['yjs', 'harfbuzzjs', '@resvg/resvg-js', 'subset-font', 'pino', 'pg'],
  turbopack: {
    root: import.meta.dirname,
    // Named in branches that only Node takes; the stand-in of Buffer for browsers would be 10 kB for nothing.
    resolveAlias: {
      module: { browser: './src/workers/nodeOnly.ts' },
      'next/dist/compiled/buffer': { browser: './src/workers/nodeOnly.ts' },
    },
  },
  images: { unoptimized: true },
  async headers() {
    const always = [
      { key: 'X-Content-Type-Options', value: 'nosniff' },
      { key: 'Referrer-Policy', value: 'same-origin' },
      { key: 'Cross-Origin-Opener-Policy', value: 'same-origin' },
      { key: 'X-Frame-Options', value: 'DENY' },
      { key: 'Permissions-Policy', value: 'camera=(), microphone=(), geolocation=()' },
    ]
    return [
      { source: '/:path*', headers: always },
      { source: '/syntax/:path*', headers: [{ key: 'Cache-Control', value: 'public, max-age=31536000, immutable' }] },
      { source: '/fonts/:path*', headers: [{ key: 'Cache-Control', value: 'public, max-age=604800' }] },
    ]
  },
}

export default config
