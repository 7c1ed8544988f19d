import { existsSync } from 'node:fs'

/** How Chromium is started, with no network and no graphics card. */
const CHROMIUM_ARGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
]

/** The one named in CHROMIUM_PATH, or the system's; Playwright's own where there is neither. */
const chromiumPath = (): string | undefined =>
  process.env.CHROMIUM_PATH ?? ['/usr/bin/chromium', '/usr/bin/chromium-browser'].find((p) => existsSync(p))

export const chromium = (...more: string[]) => ({
  executablePath: chromiumPath(),
  args: [...CHROMIUM_ARGS, ...more],
})
