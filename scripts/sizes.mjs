// How much each page sends before it can be used: its HTML and its first scripts, compressed, kB; and what the field
// screen keeps on a device. Held against docs/sizes.json; a tenth over it fails.   --write   writes down what is measured now
import { spawn } from 'node:child_process'
import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'
import { fieldFiles } from './fieldFiles.mjs'
import { env, root } from './lib.mjs'

const FILE = join(root, 'docs', 'sizes.json')
const PORT = 3380
const base = `http://127.0.0.1:${PORT}`
const TRIAL_PAGES = [
  'kit',
  'kit/parts',
  'kit/pack',
  'kit/compare',
  'kit/rules',
  'kit/sums',
  'kit/rig/new',
  'bench',
  'bench/lead',
  'bench/turn',
  'bench/bearings',
  'bench/live',
  'ground',
  'plan',
  'field',
  'findings',
  'findings/reach',
  'reach',
  'findings/differences',
  'findings/changes',
  'findings/checks',
  'findings/next',
  'findings/summary',
]

const server = spawn(process.execPath, ['scripts/serve.mjs', '--demo', '--fresh'], {
  cwd: root,
  env: { ...env, PORT: String(PORT), EVEN_REACH_DEMO_DB: 'test-results/db/sizes/demo.db' },
  stdio: ['ignore', 'pipe', 'inherit'],
})
const stop = (code) => {
  server.kill('SIGTERM')
  process.exit(code)
}
const ready = new Promise((done, fail) => {
  server.stdout.on('data', (b) => String(b).includes('runs at') && done(undefined))
  server.on('exit', () => fail(new Error('the server ended')))
})
const inKb = (length) => Math.round(length / 100) / 10
const kB = (bytes) => inKb(gzipSync(bytes).length)

async function answerOf(path) {
  const response = await fetch(base + path, { headers: { 'accept-encoding': 'gzip, deflate, br, zstd' } })
  if (!response.ok) throw new Error(`${path} answered ${response.status}`)
  return response
}

const bytesOf = async (path) => Buffer.from(await (await answerOf(path)).arrayBuffer())

/** Of a file of the build, as it is sent. */
async function sentOf(path) {
  const response = await answerOf(path)
  await response.arrayBuffer()
  const length = Number(response.headers.get('content-length'))
  if (!(length > 0)) throw new Error(`${path} does not say how long it is`)
  return inKb(length)
}

const scripts = new Map()
async function sizeOf(path) {
  const html = await bytesOf(path)
  // A script with noModule is for browsers that cannot run the rest; no supported one loads it.
  const text = String(html).replace(/<script[^>]*noModule[^>]*>/gi, '')
  const first = [...new Set(text.match(/\/_next\/static\/[^"'\\]+\.js/g))]
  for (const s of first) if (!scripts.has(s)) scripts.set(s, await sentOf(s))
  return { html: kB(html), script: Math.round(10 * first.reduce((n, s) => n + scripts.get(s), 0)) / 10 }
}

try {
  await ready
  const home = String(await bytesOf('/'))
  const trial = /\/trials\/[0-9a-f-]{36}(?=\/findings)/.exec(home)?.[0]
  if (!trial) throw new Error('the demo has no trial with findings')
  const sizes = {}
  for (const path of ['/', '/import', '/field']) sizes[path] = await sizeOf(path)
  for (const page of TRIAL_PAGES) sizes[`trial/${page}`] = await sizeOf(`${trial}/${page}`)
  const files = fieldFiles(join(root, '.next'))
  const sent = await Promise.all(files.map((f) => sentOf(`/_next/static/${f}`)))
  sizes['kept on a device'] = {
    html: sizes['/field'].html,
    script: Math.round(sent.reduce((n, size) => n + size, 0)),
  }
  if (process.argv.includes('--write')) {
    writeFileSync(FILE, `${JSON.stringify(sizes, null, 2)}\n`)
    stop(0)
  }
  const budget = JSON.parse(readFileSync(FILE, 'utf8'))
  const over = Object.entries(sizes).flatMap(([page, now]) =>
    ['html', 'script'].flatMap((what) => {
      const most = budget[page]?.[what]
      if (most === undefined) return [`${page} is not in docs/sizes.json`]
      // Half a kilobyte is no growth.
      return now[what] > most * 1.1 + 0.5 ? [`${page}: ${now[what]} kB of ${what}, ${most} written down`] : []
    }),
  )
  for (const [page, { html, script }] of Object.entries(sizes))
    console.log(`${page}: ${html} kB HTML, ${script} kB script`)
  for (const o of over) console.error(o)
  stop(over.length > 0 ? 1 : 0)
} catch (e) {
  console.error(e)
  stop(1)
}
