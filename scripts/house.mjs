// Rules of the house that no linter knows: how often a table is kept out of Prettier, and fixed waits.
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { files, root } from './lib.mjs'

const MAX_TABLES = 15
const wrong = []
const sources = new Map(
  ['src', 'e2e', 'bench', 'scripts']
    .flatMap(files)
    .filter((f) => /\.(ts|tsx|mjs)$/.test(f))
    .map((f) => [f, f === 'scripts/house.mjs' ? '' : readFileSync(join(root, f), 'utf8')]),
)

const tables = [...sources.values()].reduce((n, text) => n + text.split('prettier-ignore').length - 1, 0)
if (tables > MAX_TABLES)
  wrong.push(`prettier-ignore stands ${tables} times; it is for real tables, ${MAX_TABLES} at most.`)
// A benchmark taps in a person's rhythm; a test that waits a fixed time is slow on one machine and wrong on another.
for (const [f, text] of sources)
  if (text.includes('waitForTimeout') && !f.startsWith('bench/'))
    wrong.push(`${f} waits a fixed time; wait for what is to come.`)
// Tests are run without being kept apart.
for (const [f, text] of sources)
  if (text.includes('vi.mock('))
    wrong.push(`${f} replaces a module for every test after it; hand over what it needs.`)
for (const f of [...sources.keys()].filter((f) => /(^|\/)(utils?|helpers?|misc)\.tsx?$/.test(f)))
  wrong.push(`${f} is a drawer for anything.`)
if (sources.size < 500) wrong.push(`Only ${sources.size} files were looked at; the rules see nothing.`)
for (const w of wrong) console.error(w)
process.exit(wrong.length > 0 ? 1 : 0)
