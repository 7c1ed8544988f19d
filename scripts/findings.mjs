// Prints the findings of files as JSON; bundled, so that it starts at once.
import { createRequire } from 'node:module'
import { ensureBundled } from './lib.mjs'

ensureBundled()
// Imported, a bundle is read once more beforehand for what it gives.
createRequire(import.meta.url)('../build/findings.cjs')
