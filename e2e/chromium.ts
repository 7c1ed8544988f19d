/** How Debian's Chromium is started, with no network and no graphics card. */
const CHROMIUM_ARGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
]

export const chromium = (...more: string[]) => ({
  executablePath: '/usr/bin/chromium',
  args: [...CHROMIUM_ARGS, ...more],
})
