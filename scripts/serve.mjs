// Starts Even Reach: installs what is missing, builds, opens the database, finds a free port, says the address.
// Needs nothing installed but Node: it only imports what Node ships.
import { spawn, spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, readdirSync, statSync } from 'node:fs'
import { createServer } from 'node:net'
import { dirname, join, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'

const root = resolve(dirname(fileURLToPath(import.meta.url)), '..')
const demo = process.argv.includes('--demo')
const file = demo
  ? (process.env.EVEN_REACH_DEMO_DB ?? join('data', 'demo.db'))
  : (process.env.EVEN_REACH_DB ?? join('data', 'even-reach.db'))
const env = { ...process.env, NEXT_TELEMETRY_DISABLED: '1', EVEN_REACH_DB: resolve(root, file) }

function run(command, args) {
  const { status } = spawnSync(command, args, { cwd: root, env, stdio: 'inherit' })
  if (status !== 0) process.exit(status ?? 1)
}

function newest(folder) {
  return readdirSync(folder, { withFileTypes: true }).reduce((latest, e) => {
    const path = join(folder, e.name)
    return Math.max(latest, e.isDirectory() ? newest(path) : statSync(path).mtimeMs)
  }, 0)
}

function ensureInstalled() {
  const mark = join(root, 'node_modules', '.package-lock.json')
  if (existsSync(mark)) return
  console.log('Installing what is missing; the first time takes some minutes.')
  run('npm', ['install', '--no-audit', '--no-fund'])
}

function ensureBuilt() {
  const id = join(root, '.next', 'service-worker.js')
  const source = Math.max(newest(join(root, 'src')), statSync(join(root, 'package.json')).mtimeMs)
  if (existsSync(id) && statSync(id).mtimeMs >= source) return
  console.log('Building.')
  run(process.execPath, [join(root, 'scripts', 'build.mjs')])
}

function isFree(port) {
  return new Promise((answer) => {
    const probe = createServer()
    probe.once('error', () => answer(false))
    probe.listen(port, '127.0.0.1', () => probe.close(() => answer(true)))
  })
}

async function freePort() {
  const wanted = Number(process.env.PORT ?? 3217)
  for (let port = wanted; port < wanted + 50; port++) if (await isFree(port)) return { port, wanted }
  console.error(`No free port from ${wanted} to ${wanted + 49}. Name another with PORT=...`)
  process.exit(1)
}

process.chdir(root)
ensureInstalled()
ensureBuilt()
mkdirSync(dirname(env.EVEN_REACH_DB), { recursive: true })
run(join(root, 'node_modules', '.bin', 'tsx'), ['src/demo/seed.ts', ...(demo ? ['--demo'] : [])])
const { port, wanted } = await freePort()
if (port !== wanted) console.log(`Port ${wanted} is taken; using ${port}.`)
const server = spawn(
  process.execPath,
  [join(root, 'node_modules', 'next', 'dist', 'bin', 'next'), 'start', '-H', '127.0.0.1', '-p', String(port)],
  { cwd: root, env, stdio: ['ignore', 'pipe', 'inherit'] },
)
let told = false
server.stdout.on('data', (chunk) => {
  if (told || !String(chunk).includes('Ready')) return
  told = true
  console.log(`Even Reach${demo ? ', the demo,' : ''} runs at http://127.0.0.1:${port}`)
  console.log(`Its data: ${env.EVEN_REACH_DB}. Stop it with Ctrl+C.`)
})
for (const signal of /** @type {const} */ (['SIGINT', 'SIGTERM']))
  process.on(signal, () => server.kill(signal))
server.on('exit', (code) => process.exit(code ?? 0))
