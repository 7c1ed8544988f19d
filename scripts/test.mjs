// Every gate, one after the other, on a fresh clone with nothing installed but Node and apt.
// Ends with the true totals of Vitest and Playwright together.
import { spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import { dirname, join, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'

const root = resolve(dirname(fileURLToPath(import.meta.url)), '..')
process.chdir(root)
const env = { ...process.env, NEXT_TELEMETRY_DISABLED: '1', CI: '1' }
const results = join(root, 'test-results')
const bin = (name) => join(root, 'node_modules', '.bin', name)
const failed = []

function run(name, command, args, more = {}) {
  console.log(`\n== ${name}`)
  const { status } = spawnSync(command, args, { cwd: root, env: { ...env, ...more }, stdio: 'inherit' })
  if (status !== 0) failed.push(name)
  return status === 0
}

function must(name, command, args) {
  if (run(name, command, args)) return
  console.error(`\nStopped: ${name} failed, and nothing after it can run.`)
  finish()
}

function read(file) {
  const path = join(results, file)
  return existsSync(path) ? JSON.parse(readFileSync(path, 'utf8')) : null
}

function finish() {
  const unit = read('vitest.json')
  const browser = read('playwright.json')
  const passed = (unit?.numPassedTests ?? 0) + (browser?.stats?.expected ?? 0)
  const broken =
    (unit?.numFailedTests ?? 0) + (browser?.stats?.unexpected ?? 0) + (browser?.stats?.flaky ?? 0)
  if (failed.length > 0) console.log(`\nFailed: ${failed.join(', ')}`)
  // A gate without tests of its own counts as one, so that the line never says 0 failed of a red run.
  console.log(`${passed} passed, ${failed.length > 0 ? Math.max(broken, 1) : broken} failed`)
  process.exit(failed.length > 0 || broken > 0 ? 1 : 0)
}

rmSync(results, { recursive: true, force: true })
mkdirSync(results, { recursive: true })
if (!existsSync('node_modules/.package-lock.json'))
  must('install packages', 'npm', ['install', '--no-audit', '--no-fund'])
if (!existsSync('/usr/bin/chromium')) {
  must('apt update', 'apt-get', ['update', '-qq'])
  must('install Chromium', 'apt-get', ['install', '-y', '-qq', 'chromium'])
}
run('types of core, without the DOM', bin('tsc'), ['-p', 'src/core', '--noEmit'])
must('build', process.execPath, ['scripts/build.mjs'])
run('types', bin('tsc'), ['--noEmit'])
run('lint', bin('eslint'), ['.', '--max-warnings', '0'])
run('format', bin('prettier'), ['--check', '--log-level', 'warn', '.'])
run('unit tests', bin('vitest'), [
  'run',
  '--reporter=default',
  '--reporter=json',
  `--outputFile.json=${join(results, 'vitest.json')}`,
])
run('browser tests', bin('playwright'), ['test'], {
  PLAYWRIGHT_JSON_OUTPUT_NAME: join(results, 'playwright.json'),
})
finish()
