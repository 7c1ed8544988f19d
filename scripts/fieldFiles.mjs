// Which of the build's files the field screen is made of, whatever of it is loaded later.
import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { join } from 'node:path'

/** How scripts and style sheets name other files of the build. */
const NAMED = /\b((?:chunks|media)\/[\w.~-]+\.(?:js|css|woff2))/g

/**
 * The files of `.next/static` that the field screen loads or may load: those of its page, and all that they name, and
 * so on.
 * @returns {string[]} by their path there
 */
export function fieldFiles(next) {
  const { rootMainFiles } = JSON.parse(readFileSync(join(next, 'build-manifest.json'), 'utf8'))
  createRequire(import.meta.url)(join(next, 'server/app/field/page_client-reference-manifest.js'))
  const { clientModules, entryCSSFiles } = globalThis.__RSC_MANIFEST['/field/page']
  const first = [
    ...rootMainFiles,
    ...Object.values(clientModules).flatMap((m) => m.chunks),
    ...Object.values(entryCSSFiles).flatMap((files) => files.map((f) => f.path)),
  ].map((path) => path.replace(/^(\/_next\/)?static\//, ''))
  const found = new Set(first)
  for (const file of found) {
    if (file.endsWith('.woff2')) continue
    for (const [, named] of readFileSync(join(next, 'static', file), 'utf8').matchAll(NAMED)) found.add(named)
  }
  return [...found]
}
