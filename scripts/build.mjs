// Builds the application, then the service worker that keeps the field screen and its parts on the device.
import { spawnSync } from 'node:child_process'
import { readFileSync, writeFileSync } from 'node:fs'
import { dirname, join, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'
import { generateSW } from 'workbox-build'
import { compiledAhead } from './compiledAhead.mjs'
import { compressedAhead } from './compressedAhead.mjs'
import { fieldFiles } from './fieldFiles.mjs'

const root = resolve(dirname(fileURLToPath(import.meta.url)), '..')
const { status } = spawnSync(join(root, 'node_modules', '.bin', 'next'), ['build'], {
  cwd: root,
  stdio: 'inherit',
})
if (status !== 0) process.exit(status ?? 1)
const build = readFileSync(join(root, '.next', 'BUILD_ID'), 'utf8').trim()
compiledAhead(join(root, '.next', 'static', 'chunks'))
await compressedAhead(join(root, '.next', 'static'))
const swDest = join(root, '.next', 'service-worker.js')
const kept = fieldFiles(join(root, '.next'))
const { count, size, warnings } = await generateSW({
  swDest,
  globDirectory: join(root, '.next', 'static'),
  globPatterns: kept,
  modifyURLPrefix: { '': '/_next/static/' },
  // Their names hold a hash already.
  dontCacheBustURLsMatching: /^\/_next\/static\//,
  // What belongs to the desk is kept once it was asked for.
  runtimeCaching: [
    {
      urlPattern: ({ url }) => url.pathname.startsWith('/_next/static/'),
      handler: 'CacheFirst',
      options: { cacheName: 'visited', expiration: { maxEntries: 300 } },
    },
  ],
  additionalManifestEntries: [{ url: '/field', revision: build }],
  ignoreURLParametersMatching: [/^(run|shared|file)$/],
  inlineWorkboxRuntime: true,
  sourcemap: false,
  mode: 'production',
  // A run goes on with the build that it was opened with; the new one is taken when somebody says so.
  skipWaiting: false,
  clientsClaim: true,
  cleanupOutdatedCaches: true,
})
// A worker is told what to load by the fragment of its address, and one whose script came out of a cache
// takes the address of what was kept, which has none. A response without an address of its own leaves it the
// one that was asked for.
const workerScripts = `self.addEventListener('fetch', (event) => {
  if (event.request.destination !== 'worker') return
  event.stopImmediatePropagation()
  event.respondWith(
    caches
      .match(event.request, { ignoreSearch: true })
      .then((kept) => kept ?? fetch(event.request))
      .then(({ body, status, statusText, headers }) => new Response(body, { status, statusText, headers })),
  )
})
`
// A file that is shared with the installed application is posted here, network or not, and waits for the page to take
// it.
const sharedFiles = `self.addEventListener('fetch', (event) => {
  if (event.request.method !== 'POST' || new URL(event.request.url).pathname !== '/field/share') return
  event.stopImmediatePropagation()
  event.respondWith(
    (async () => {
      const file = (await event.request.formData()).get('run')
      if (file) await (await caches.open('shared-run')).put('/field/share/' + Date.now(), new Response(file))
      return Response.redirect('/field?shared', 303)
    })(),
  )
})
`
writeFileSync(swDest, workerScripts + sharedFiles + readFileSync(swDest, 'utf8'))
for (const w of warnings) console.warn(w)
console.log(`Service worker: ${count} files, ${(size / 1e6).toFixed(1)} MB kept on a device.`)
