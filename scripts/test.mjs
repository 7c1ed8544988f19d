// Every gate on a fresh clone with nothing installed but Node. Ends with the true totals of Vitest and Playwright.
//   npm test               all of it
//   npm test -- --quick    without the browser
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import { join, relative } from 'node:path'
import { bin, ensureBuilt, ensureInstalled, env, gather, root, run } from './lib.mjs'

process.chdir(root)
process.env.CI = env.CI = '1'
const quick = process.argv.includes('--quick')
const results = join(root, 'test-results')
const failed = []
const took = []

const seconds = (since) => Math.round((Date.now() - since) / 1000)

/** A gate that is waited for, its output as it comes. */
function gate(name, work) {
  console.log(`\n== ${name}`)
  const since = Date.now()
  const ok = work()
  took.push([name, seconds(since)])
  if (!ok) failed.push(name)
  return ok
}

/** Gates side by side, as many as there are cores for; what each says is kept together. */
async function together(gates) {
  const waiting = [...gates]
  const one = async () => {
    for (let next = waiting.shift(); next; next = waiting.shift()) {
      const [name, command, args, more] = next
      const since = Date.now()
      const { ok, said } = await gather(command, args, more)
      took.push([name, seconds(since)])
      console.log(`\n== ${name}: ${ok ? 'good' : 'FAILED'}, ${seconds(since)} s`)
      if (!ok || name === 'unit tests') console.log(said.trim())
      if (!ok) failed.push(name)
    }
  }
  await Promise.all([one(), one()])
}

function read(file) {
  const path = join(results, file)
  return existsSync(path) ? JSON.parse(readFileSync(path, 'utf8')) : null
}

/** @returns {string[]} names of browser tests that ended so: flaky is at the second try, unexpected at none */
function endedSo(browser, status) {
  const within = (suite) => [
    ...(suite.specs ?? []).filter((s) => s.tests.some((t) => t.status === status)).map((s) => s.title),
    ...(suite.suites ?? []).flatMap(within),
  ]
  return (browser?.suites ?? []).flatMap(within)
}

/** @returns {string[]} each unit test that failed, or file that could not be read, and the first line of why */
function failedUnits(unit) {
  const line = (text) => String(text ?? '').split('\n')[0]
  return (unit?.testResults ?? [])
    .filter((file) => file.status === 'failed')
    .flatMap((file) => {
      const tests = file.assertionResults.filter((t) => t.status === 'failed')
      const where = relative(root, file.name)
      if (tests.length === 0) return [`${where}: ${line(file.message)}`]
      return tests.map((t) => `${where} > ${t.fullName}: ${line(t.failureMessages[0])}`)
    })
}

function finish() {
  const unit = read('vitest.json')
  const browser = read('playwright.json')
  const again = browser?.stats?.flaky ?? 0
  const passed = (unit?.numPassedTests ?? 0) + (browser?.stats?.expected ?? 0) + again
  const broken = (unit?.numFailedTests ?? 0) + (browser?.stats?.unexpected ?? 0)
  console.log(`\n${took.map(([name, s]) => `${name} ${s} s`).join(', ')}`)
  if (failed.length > 0) console.log(`Failed: ${failed.join(', ')}`)
  // By name at the very end too: where only the end of a long log is kept, it is all that can be looked into.
  for (const what of [...failedUnits(unit), ...endedSo(browser, 'unexpected')]) console.log(`  ${what}`)
  if (again > 0)
    console.log(`Passed at the second try, to be looked into: ${endedSo(browser, 'flaky').join('; ')}`)
  // A gate without tests of its own counts as one, so that the line never says 0 failed of a red run.
  console.log(`${passed} passed, ${failed.length > 0 ? Math.max(broken, 1) : broken} failed`)
  process.exit(failed.length > 0 || broken > 0 ? 1 : 0)
}

const CHROMIUM = 'chromium-headless-shell'
/** What browser tests are made with: the Debian package it comes from, and where it is, any of these. */
/** @type {[string, ...string[]][]} */
const TOOLS = [
  [CHROMIUM, '/usr/bin/chromium-headless-shell', '/usr/bin/chromium'],
  ['libnss3-tools', '/usr/bin/certutil'],
  ['nginx-light', '/usr/sbin/nginx'],
  ['openssl', '/usr/bin/openssl'],
]

/** Chromium (the one named, the system's, or Playwright's own) and the tools beside it; through apt where there is apt. */
function ensureTools() {
  const missing = TOOLS.filter(
    ([name, ...files]) =>
      !files.some((f) => existsSync(f)) && !(name === CHROMIUM && process.env.CHROMIUM_PATH),
  )
  if (missing.length === 0) return true
  const names = missing.map(([name]) => name)
  if (existsSync('/usr/bin/apt-get') && process.getuid?.() === 0)
    return run('apt-get', ['update', '-qq']) && run('apt-get', ['install', '-y', '-qq', ...names])
  const others = names.filter((n) => n !== CHROMIUM)
  if (others.length > 0)
    console.log(`Install by hand what the tests of several devices need: ${others.join(', ')}`)
  return !names.includes(CHROMIUM) || run(bin('playwright'), ['install', 'chromium'])
}

rmSync(results, { recursive: true, force: true })
mkdirSync(results, { recursive: true })
ensureInstalled()
if (!quick && !gate('Chromium and tools', ensureTools)) finish()
gate('build', () => {
  ensureBuilt()
  return true
})
await together([
  ['lint', 'npm', ['run', '-s', 'lint']],
  ['types', 'npm', ['run', '-s', 'types']],
  [
    'unit tests',
    bin('vitest'),
    ['run', '--reporter=default', '--reporter=json', `--outputFile.json=${join(results, 'vitest.json')}`],
  ],
  ['format', bin('prettier'), ['--check', '--log-level', 'warn', '.']],
  ['unused', 'npm', ['run', '-s', 'unused']],
  ['imports', 'npm', ['run', '-s', 'imports']],
  ['house', process.execPath, ['scripts/house.mjs']],
])
gate('sizes', () => run('npm', ['run', '-s', 'sizes']))
if (!quick)
  gate('browser tests', () =>
    run(bin('playwright'), ['test'], { PLAYWRIGHT_JSON_OUTPUT_NAME: join(results, 'playwright.json') }),
  )
finish()
