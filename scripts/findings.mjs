// Prints the findings of files as JSON; bundled, so that it starts at once.
import { ensureBundled } from './lib.mjs'

ensureBundled()
const bundled = new URL('../build/findings.cjs', import.meta.url).href
await import(bundled)
