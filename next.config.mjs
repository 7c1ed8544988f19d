/** @type {import('next').NextConfig} */
const config = {
  serverExternalPackages: ['better-sqlite3'],
  experimental: {
    serverActions: { bodySizeLimit: '140mb' },
    // A page's modules are loaded when it is first asked for; all of them at once made the first page wait.
    preloadEntriesOnStart: false,
  },
  reactCompiler: true,
  poweredByHeader: false,
  devIndicators: false,
  // tsc -b sees every file, this one's types too; once is enough.
  typescript: { ignoreBuildErrors: true },
}

export default config
