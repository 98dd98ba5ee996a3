import type { NextConfig } from 'next'

const config: NextConfig = {
  poweredByHeader: false,
  reactStrictMode: true,
  outputFileTracingRoot: import.meta.dirname,
  turbopack: { root: import.meta.dirname },
  // Native and prebuilt packages stay outside the bundle.
  serverExternalPackages: ['libsql', '@node-rs/argon2', 'highs', 'pdfkit'],
  // Browsers ask for this name whatever the page says of its icon.
  rewrites: () => Promise.resolve([{ source: '/favicon.ico', destination: '/icon.svg' }]),
  experimental: {
    // The largest found plan that is taken: 20,000 places of pieces at 120 bytes (schema/cut-plan.ts).
    serverActions: { bodySizeLimit: '3mb' },
    // A page's code is loaded when it is first asked for: the first page is there half a second sooner.
    preloadEntriesOnStart: false,
  },
}

export default config
