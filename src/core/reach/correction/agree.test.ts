import { describe, expect, it } from 'vitest'
import { linksApart } from '@/core/testing/linksApart'
import { agreeing, type LinkContrasts } from './agree'
import type { Correction } from './correction'
import { priorCorrection } from './learnCorrection'

const LINKS = ['A', 'B', 'C', 'D']
const PRIOR = priorCorrection(LINKS)

const apart = (c: Correction, key: string, over: string, direction: 'to base' | 'from base' = 'to base') =>
  linksApart(c, key, over, direction)

const run = (of: [key: string, over: string, mean: number, sd: number][]): LinkContrasts => ({
  of: of.map(([key, over]) => ({ key, over, direction: 'to base' })),
  mean: of.map(([, , mean]) => mean),
  covariance: of.map((row, i) => of.map((_, j) => (i === j ? row[3] ** 2 : 0))),
})

describe('links of a correction against one another, as the findings say', () => {
  it('lie as one run says, and what it does not speak of follows from what is usual', () => {
    const c = agreeing(PRIOR, [run([['B', 'A', 6, 1]])])
    expect(apart(c, 'B', 'A')).toEqual({ mean: expect.closeTo(6, 2), sd: expect.closeTo(1, 2) })
    // The other way shares most of it, with a doubt of its own.
    const back = apart(c, 'B', 'A', 'from base')
    expect(back.mean).toBeGreaterThan(4)
    expect(back.mean).toBeLessThan(6)
    expect(back.sd).toBeGreaterThan(2)
    // One that nobody tried lies between them, and is no surer than before.
    expect(apart(c, 'C', 'A').mean).toBeCloseTo(3, 1)
    expect(apart(c, 'C', 'A').sd).toBeGreaterThan(4)
  })

  it('two runs of the same links weigh by what each knows', () => {
    const c = agreeing(PRIOR, [run([['B', 'A', 6, 1]]), run([['B', 'A', 2, 2]])])
    // By hand: (6 / 1 + 2 / 4) / (1 + 1 / 4), and the root of 1 / (1 + 1 / 4).
    expect(apart(c, 'B', 'A').mean).toBeCloseTo(5.2, 2)
    expect(apart(c, 'B', 'A').sd).toBeCloseTo(0.894, 2)
  })

  it('runs that share one link tell the others through it', () => {
    const c = agreeing(PRIOR, [run([['B', 'A', 6, 1]]), run([['C', 'B', -2, 1]])])
    expect(apart(c, 'C', 'A').mean).toBeCloseTo(4, 2)
    expect(apart(c, 'C', 'A').sd).toBeCloseTo(Math.SQRT2, 2)
  })

  it('of runs without a link in common the newest alone counts', () => {
    const c = agreeing(PRIOR, [run([['B', 'A', 6, 1]]), run([['D', 'C', -3, 1]])])
    expect(apart(c, 'B', 'A').mean).toBeCloseTo(6, 2)
    expect(apart(c, 'D', 'C').mean).toBeCloseTo(0, 6)
  })

  it('links that the correction does not know, and what says nothing, leave it as it is', () => {
    expect(agreeing(PRIOR, [run([['X', 'A', 6, 1]])])).toBe(PRIOR)
    expect(agreeing(PRIOR, [run([])])).toBe(PRIOR)
    expect(agreeing(PRIOR, [run([['B', 'A', 6, 0]])])).toBe(PRIOR)
  })
})
