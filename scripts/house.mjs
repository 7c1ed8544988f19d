// Rules of the house that no linter knows: how often a table is kept out of Prettier, and fixed waits.
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { root } from './lib.mjs'

const MAX_TABLES = 15
const SOURCE = /\.(ts|tsx|mjs)$/

function sources(folder) {
  return readdirSync(join(root, folder), { withFileTypes: true }).flatMap((e) => {
    const path = `${folder}/${e.name}`
    return e.isDirectory() ? sources(path) : SOURCE.test(e.name) ? [path] : []
  })
}
const wrong = []
const files = ['src', 'e2e', 'bench', 'scripts'].flatMap(sources)
const holding = (text) =>
  files.filter((f) => f !== 'scripts/house.mjs' && readFileSync(join(root, f), 'utf8').includes(text))

const tables = holding('prettier-ignore').reduce(
  (n, f) => n + readFileSync(join(root, f), 'utf8').split('prettier-ignore').length - 1,
  0,
)
if (tables > MAX_TABLES)
  wrong.push(`prettier-ignore stands ${tables} times; it is for real tables, ${MAX_TABLES} at most.`)
// A benchmark taps in a person's rhythm; a test that waits a fixed time is slow on one machine and wrong on another.
for (const f of holding('waitForTimeout').filter((f) => !f.startsWith('bench/')))
  wrong.push(`${f} waits a fixed time; wait for what is to come.`)
for (const f of files.filter((f) => /(^|\/)(utils?|helpers?|misc)\.tsx?$/.test(f)))
  wrong.push(`${f} is a drawer for anything.`)
if (files.length < 500) wrong.push(`Only ${files.length} files were looked at; the rules see nothing.`)
for (const w of wrong) console.error(w)
process.exit(wrong.length > 0 ? 1 : 0)
