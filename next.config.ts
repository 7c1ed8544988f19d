import type { NextConfig } from 'next'

const config: NextConfig = {
  serverExternalPackages: ['better-sqlite3'],
  experimental: { serverActions: { bodySizeLimit: '140mb' } },
  reactCompiler: true,
  poweredByHeader: false,
  devIndicators: false,
}

export default config
