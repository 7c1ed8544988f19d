// Starts Even Reach: installs what is missing, builds, opens the database, finds a free port, says the address.
//   --demo   the demo, with a database of its own
//   --fresh  begins the demo's database anew
//   --crew   lets other devices of the network in as well, once they were brought in at the desk
import { spawn } from 'node:child_process'
import { mkdirSync, rmSync } from 'node:fs'
import { createServer } from 'node:net'
import { dirname, join, resolve } from 'node:path'
import { ensureBuilt, ensureInstalled, env, root, run } from './lib.mjs'

const demo = process.argv.includes('--demo')
const file = resolve(
  root,
  demo
    ? (process.env.EVEN_REACH_DEMO_DB ?? join('data', 'demo.db'))
    : (process.env.EVEN_REACH_DB ?? join('data', 'even-reach.db')),
)

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
if (demo && process.argv.includes('--fresh'))
  for (const end of ['', '-wal', '-shm']) rmSync(`${file}${end}`, { force: true })
mkdirSync(dirname(file), { recursive: true })
if (!run(process.execPath, [join('build', 'seed.cjs'), ...(demo ? ['--demo'] : [])], { EVEN_REACH_DB: file }))
  process.exit(1)
const { port, wanted } = await freePort()
if (port !== wanted) console.log(`Port ${wanted} is taken; using ${port}.`)
const server = spawn(
  process.execPath,
  [join('build', 'server.cjs'), ...(process.argv.includes('--crew') ? ['--crew'] : [])],
  {
    cwd: root,
    env: { ...env, NODE_ENV: 'production', EVEN_REACH_DB: file, PORT: String(port) },
    stdio: ['ignore', 'pipe', 'inherit'],
  },
)
let said = ''
server.stdout.setEncoding('utf8')
server.stdout.on('data', (chunk) => {
  said += chunk
  if (!said.endsWith('Ready\n')) return
  console.log(`Even Reach${demo ? ', the demo,' : ''} runs at http://127.0.0.1:${port}`)
  process.stdout.write(said.replace(/Ready\n$/, ''))
  console.log(`Its data: ${file}. Stop it with Ctrl+C.`)
})
for (const signal of /** @type {const} */ (['SIGINT', 'SIGTERM']))
  process.on(signal, () => server.kill(signal))
server.on('exit', (code) => process.exit(code ?? 0))
