// What the scripts share. Only what Node ships: they run before anything is installed.
import { spawn, spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { dirname, join, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'

export const root = resolve(dirname(fileURLToPath(import.meta.url)), '..')
/** @type {NodeJS.ProcessEnv} */
export const env = { ...process.env, NEXT_TELEMETRY_DISABLED: '1' }
export const bin = (name) => join(root, 'node_modules', '.bin', name)
const windows = process.platform === 'win32'

/** Every file under a path from the root, or the file itself, with "/" between folders. */
export function files(path) {
  if (!existsSync(join(root, path))) return []
  if (statSync(join(root, path)).isFile()) return [path]
  return readdirSync(join(root, path)).flatMap((name) => files(`${path}/${name}`))
}

/** One fingerprint of the contents of files and folders. */
function fingerprint(paths, keep = () => true) {
  const hash = createHash('sha256')
  for (const path of paths)
    for (const file of files(path).filter(keep).sort())
      hash.update(file).update(readFileSync(join(root, file)))
  return hash.digest('hex')
}

const read = (file) => (existsSync(file) ? readFileSync(file, 'utf8') : null)

/** Does work again only where what it is made from has changed; ends all where it fails. */
function ensure(noteFile, print, work) {
  const note = join(root, noteFile)
  if (read(note) === print) return
  if (!work()) process.exit(1)
  mkdirSync(dirname(note), { recursive: true })
  writeFileSync(note, print)
}

export function run(command, args, more = {}) {
  return (
    spawnSync(command, args, { cwd: root, env: { ...env, ...more }, stdio: 'inherit', shell: windows })
      .status === 0
  )
}

/** Runs a command and gathers what it says. */
export function gather(command, args, more = {}) {
  return new Promise((done) => {
    const child = spawn(command, args, { cwd: root, env: { ...env, ...more }, shell: windows })
    const said = []
    child.stdout.on('data', (b) => said.push(b))
    child.stderr.on('data', (b) => said.push(b))
    child.on('error', (e) => done({ ok: false, said: String(e) }))
    child.on('close', (code) => done({ ok: code === 0, said: Buffer.concat(said).toString('utf8') }))
  })
}

/** Installs what the lock file names, where it is another than was installed. */
export function ensureInstalled() {
  ensure('node_modules/.installed-from', fingerprint(['package-lock.json']), () => {
    console.log('Installing what is missing; the first time takes some minutes.')
    return run('npm', ['ci', '--no-audit', '--no-fund'])
  })
}

const isTest = (file) => /\.test\.tsx?$|\/testing\//.test(file)
const BUILT_FROM = [
  'src',
  'public',
  'next.config.mjs',
  'tsconfig.json',
  'package.json',
  'package-lock.json',
  'scripts/build.mjs',
  'scripts/compiledAhead.mjs',
  'scripts/compressedAhead.mjs',
  'scripts/fieldFiles.mjs',
]

/** Bundles what runs beside the server, where what it is made from has changed. */
export function ensureBundled() {
  ensure(
    'build/bundled-from',
    fingerprint(
      [
        'src/core',
        'src/data',
        'src/server',
        'src/workers',
        'src/cli',
        'src/demo',
        'scripts/bundle.mjs',
        'package-lock.json',
      ],
      (f) => !isTest(f),
    ),
    () => run(process.execPath, ['scripts/bundle.mjs']),
  )
}

/** Builds where anything that the build is made from has changed; tests do not count. */
export function ensureBuilt() {
  ensureBundled()
  ensure(
    '.next/built-from',
    fingerprint(BUILT_FROM, (f) => !isTest(f)),
    () => {
      console.log('Building.')
      return run(process.execPath, ['scripts/build.mjs'])
    },
  )
}
