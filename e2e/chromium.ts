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

/** Of Debian's packages; the first is the same without the window around a page, and takes a fifth less time. */
const BINARIES = ['chromium-headless-shell', 'chromium', 'chromium-browser'].map((name) => `/usr/bin/${name}`)

/** The one named in CHROMIUM_PATH, or the system's; Playwright's own where there is neither. */
const chromiumPath = (): string | undefined =>
  process.env.CHROMIUM_PATH ?? BINARIES.find((file) => existsSync(file))

export const chromium = (...more: string[]) => ({
  executablePath: chromiumPath(),
  args: [...CHROMIUM_ARGS, ...more],
})
