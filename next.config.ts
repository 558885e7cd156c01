import type { NextConfig } from 'next'

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  // These are loaded by Node itself: bundled, yjs would exist twice, and the others carry WASM or binaries.
  serverExternalPackages: ['yjs', 'harfbuzzjs', '@resvg/resvg-js', 'subset-font', 'pino', 'pg'],
  turbopack: {
    root: import.meta.dirname,
    // harfbuzzjs imports "module" in a branch that only Node takes.
    resolveAlias: { module: { browser: './src/workers/nodeModuleStub.ts' } },
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
