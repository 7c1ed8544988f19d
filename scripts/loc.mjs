// The share of tests in all lines of code that are not blank.
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'

function lines(folder) {
  return readdirSync(folder, { withFileTypes: true }).flatMap((e) => {
    const path = join(folder, e.name)
    if (e.isDirectory()) return e.name === 'migrations' || e.name === 'fixtures' ? [] : lines(path)
    if (!/\.tsx?$/.test(e.name)) return []
    return [
      {
        path,
        n: readFileSync(path, 'utf8')
          .split('\n')
          .filter((l) => l.trim() !== '').length,
      },
    ]
  })
}
const all = [...lines('src'), ...lines('e2e')]
const isTest = ({ path }) => /\.test\.tsx?$/.test(path) || path.startsWith('e2e')
const sum = (list) => list.reduce((s, f) => s + f.n, 0)
const tests = sum(all.filter(isTest))
const code = sum(all.filter((f) => !isTest(f)))
console.log(`code ${code}, tests ${tests}, share of tests ${Math.round((100 * tests) / (code + tests))} %`)
