// The share of tests in all lines of code that are not blank.
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { files, root } from './lib.mjs'

const all = ['src', 'e2e']
  .flatMap(files)
  .filter((path) => /\.tsx?$/.test(path) && !/\/(migrations|fixtures)\//.test(path))
  .map((path) => ({
    path,
    n: readFileSync(join(root, path), 'utf8')
      .split('\n')
      .filter((l) => l.trim() !== '').length,
  }))
const isTest = ({ path }) => /\.test\.tsx?$/.test(path) || path.startsWith('e2e')
const sum = (list) => list.reduce((s, f) => s + f.n, 0)
const tests = sum(all.filter(isTest))
const code = sum(all.filter((f) => !isTest(f)))
console.log(`code ${code}, tests ${tests}, share of tests ${Math.round((100 * tests) / (code + tests))} %`)
