import type { NextConfig } from 'next'

const config: NextConfig = {
  poweredByHeader: false,
  reactStrictMode: true,
  outputFileTracingRoot: import.meta.dirname,
  turbopack: { root: import.meta.dirname },
  // Native and prebuilt packages stay outside the bundle.
  serverExternalPackages: ['libsql', '@node-rs/argon2'],
  experimental: { serverActions: { bodySizeLimit: '256kb' } },
}

export default config
