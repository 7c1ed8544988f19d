import type { NextConfig } from 'next'

/** On every answer: no page of ours in another's frame, nothing guessed from bytes, no more of a device than is used. */
const HEADERS = [
  {
    key: 'Content-Security-Policy',
    value: "frame-ancestors 'none'; base-uri 'none'; object-src 'none'; form-action 'self'",
  },
  { key: 'X-Frame-Options', value: 'DENY' },
  { key: 'X-Content-Type-Options', value: 'nosniff' },
  { key: 'Referrer-Policy', value: 'same-origin' },
  { key: 'Cross-Origin-Opener-Policy', value: 'same-origin' },
  {
    key: 'Permissions-Policy',
    value: 'geolocation=(self), microphone=(self), camera=(self), serial=(self), payment=(), usb=(), midi=()',
  },
]

const config: NextConfig = {
  headers: () => Promise.resolve([{ source: '/:path*', headers: HEADERS }]),
  serverExternalPackages: ['better-sqlite3'],
  experimental: { serverActions: { bodySizeLimit: '140mb' } },
  reactCompiler: true,
  poweredByHeader: false,
  devIndicators: false,
  // tsc -b sees every file, this one's types too; once is enough.
  typescript: { ignoreBuildErrors: true },
}

export default config
