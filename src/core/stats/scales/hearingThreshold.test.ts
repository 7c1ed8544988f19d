import { expect, test } from 'vitest'
import { seededRandom } from '../numeric/seededRandom'
import type { HeardOrNot } from './heardMarks'
import { hearingThreshold } from './hearingThreshold'

const [TRUE_DB, SOFT_DB, STEP_DB] = [-112, 2, 6]

/** Marks with levels evenly about the edge, two links 4 dB apart at each, read in steps. */
function marksOf(n: number): HeardOrNot[][] {
  const random = seededRandom(7)
  return Array.from({ length: n }, () => {
    const levelDb = TRUE_DB - 12 + 36 * random.uniform()
    return [0, 4].map((db, link): HeardOrNot => {
      const here = levelDb + db + 3 * random.normal()
      const lower = STEP_DB * Math.floor(here / STEP_DB)
      return here > TRUE_DB + SOFT_DB * random.normal()
        ? { link, heard: true, lower, upper: lower + STEP_DB }
        : { link, heard: false }
    })
  })
}

test('the edge of hearing is found where it is, of some marks and of thousands', () => {
  for (const n of [200, 3000]) {
    const found = hearingThreshold(marksOf(n))!
    expect(Math.abs(found.thresholdDb - TRUE_DB)).toBeLessThan(1.5)
    expect(found.softDb).toBeGreaterThan(0.5)
    expect(found.softDb).toBeLessThan(5)
  }
})

test('there is none where all was heard, or nothing', () => {
  const all = marksOf(20).flat()
  expect(hearingThreshold([all.filter((r) => r.heard)])).toBeNull()
  expect(hearingThreshold([all.filter((r) => !r.heard)])).toBeNull()
})
