import { describe, expect, it } from 'vitest'
import { seededRandom } from '@/core/stats/numeric/seededRandom'
import { drawField } from './drawField'
import { Field } from './field'
import { factorAt } from './mode'
import { Modes } from './modes'
import { MODEL_PRIORS, spreadsAt } from './priors'
import { modelData } from './reports'
import { testRun } from './testing/runs'

describe('draws of a field with hundreds of unknowns', () => {
  const field = new Field(modelData(testRun({ marks: 60, gainDb: [3, 0] })), MODEL_PRIORS)
  const theta = new Float64Array(6)
  const spreads = spreadsAt(theta, MODEL_PRIORS)
  const mode = new Modes(field).at(theta, spreads)!
  const drawn = drawField(field, [{ theta, spreads, mode }], [1], 1200, seededRandom(4))
  const { layout, at } = field
  const told = (x: Float64Array) => [
    x[at + layout.link[0]!]! - x[at + layout.link[1]!]!,
    x[at + layout.slope]!,
    x[at + layout.cut[0]! + 1]!,
    x[0]!,
  ]

  it('are hundreds, not a handful many times over', () => {
    expect(field.size).toBeGreaterThan(180)
    expect(drawn.effective).toBeGreaterThan(200)
  })

  // The posterior at these spreads by a walk that needs no approximation: preconditioned Crank-Nicolson (Cotter and
  // others 2013) about the mode, weighed by the exact posterior over the normal.
  it('are spread as a walk through the same posterior is', { timeout: 120_000 }, () => {
    const random = seededRandom(5)
    const { factor, lnDet } = factorAt(field, mode, spreads)!
    const placed = (z: Float64Array) => {
      const off = z.slice()
      factor.solveUpper(off)
      const x = mode.x.map((v, j) => v + off[j]!)
      const square = z.reduce((s, v) => s + v * v, 0)
      return { x, ln: field.value(x, spreads) + 0.5 * (square - lnDet) - mode.evidence }
    }
    let z: Float64Array = new Float64Array(field.size)
    let here = placed(z)
    const walked: number[][] = []
    const keep = 0.85
    for (let i = 0; i < 24_000; i++) {
      const next = z.map((v) => keep * v + Math.sqrt(1 - keep * keep) * random.normal())
      const there = placed(next)
      if (Math.log(random.uniform()) < there.ln - here.ln) [z, here] = [next, there]
      if (i >= 2000) walked.push(told(here.x))
    }
    const moments = (rows: number[][]) =>
      rows[0]!.map((_, k) => {
        const mean = rows.reduce((s, r) => s + r[k]!, 0) / rows.length
        return { mean, sd: Math.sqrt(rows.reduce((s, r) => s + (r[k]! - mean) ** 2, 0) / rows.length) }
      })
    const [ours, theirs] = [moments(drawn.draws.map((d) => told(d.x))), moments(walked)]
    ours.forEach(({ mean, sd }, k) => {
      expect(Math.abs(mean - theirs[k]!.mean) / theirs[k]!.sd, `mean of ${k}`).toBeLessThan(0.25)
      expect(sd / theirs[k]!.sd, `spread of ${k}`).toBeGreaterThan(0.8)
      expect(sd / theirs[k]!.sd, `spread of ${k}`).toBeLessThan(1.25)
    })
  })
})
