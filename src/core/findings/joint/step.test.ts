import { describe, expect, it } from 'vitest'
import { Fall, stepDraws } from '@/core/model/fall'
import { posteriorOf, Reaches, slopeDraws } from '@/core/model/answers'
import { fitModel } from '@/core/model/fit'
import type { ModelInput } from '@/core/model/reports'
import { testRun } from '@/core/model/testing/runs'
import { withStep } from './step'

/** Draws enough to tell where the ground falls. */
const FEW = { draws: 200 }
const RULE = { step: 3, levelDb: null, share: null, calls: 2 }

/** A run whose levels are so much weaker from its eighth mark of fourteen on; reports fall out of their list with them. */
function ridge(db: number, seed = 1): ModelInput {
  const run = testRun({ marks: 14, gainDb: [2, 0], seed, display: true })
  return {
    ...run,
    reports: run.reports.map((r) =>
      r.mark < 7 || !('lowerDb' in r.call)
        ? r
        : { ...r, call: { ...r.call, lowerDb: r.call.lowerDb - db, upperDb: r.call.upperDb - db } },
    ),
  }
}

describe('a step in all levels', () => {
  it('is found where it is, and its size', () => {
    const input = ridge(22)
    const stepped = withStep(fitModel(input))!
    expect(stepped.step!.nearM).toBe(input.marks[6]!.distanceM)
    expect(stepped.step!.farM).toBe(input.marks[7]!.distanceM)
    const fit = fitModel(stepped)
    const { q05, q95 } = posteriorOf(fit, stepDraws(fit)!)
    expect(q05).toBeLessThan(22)
    expect(q95).toBeGreaterThan(15)
    // The slope is that of the ground on either side.
    expect(posteriorOf(fit, slopeDraws(fit)).q05).toBeLessThan(3.8)
  })

  it('is not seen where there is none, in three of four runs and more', () => {
    const seen = Array.from({ length: 16 }, (_, i) => withStep(fitModel(ridge(0, i + 1), FEW))).filter(
      Boolean,
    )
    expect(seen.length).toBeLessThanOrEqual(4)
  })

  it('is seldom seen where there is none over a long way either, where some gaps fall by chance', () => {
    const seen = Array.from({ length: 6 }, (_, i) =>
      withStep(fitModel(testRun({ marks: 120, gainDb: [2, 0], seed: i + 1, display: true }), FEW)),
    ).filter(Boolean)
    expect(seen.length).toBeLessThanOrEqual(2)
  })

  it('is not looked for over several legs, whose ridges lie elsewhere', () => {
    const input = ridge(22)
    const legs = { ...input, marks: input.marks.map((m, i) => ({ ...m, legId: i % 2 ? 'a' : 'b' })) }
    expect(withStep(fitModel(legs))).toBeNull()
  })

  it('holds reaches that would fall within it, in the order of the margins', () => {
    const fit = fitModel(withStep(fitModel(ridge(22)))!)
    const fall = new Fall(fit)
    const { nearM, farM } = fit.data.input.step!
    const [near, far] = [Math.log10(nearM), Math.log10(farM)]
    const places: number[] = []
    fit.draws.slice(0, 200).forEach((_, i) => {
      let before = -Infinity
      for (let db = -30; db <= 60; db += 3) {
        const at = fall.where(i, db)
        expect(at).toBeGreaterThanOrEqual(before)
        before = at
      }
      // What falls within the step reaches as far as it stands, which is anywhere between the two marks.
      const sloping = 10 * fall.slope(i, near, far) * (far - near)
      const loss = fall.to(i, far) - fall.to(i, near) - sloping
      const at = fall.where(i, fall.to(i, near) + sloping + loss / 2)
      expect(at).toBeGreaterThanOrEqual(near)
      expect(at).toBeLessThanOrEqual(far)
      places.push(at)
    })
    const spread = Math.max(...places) - Math.min(...places)
    expect(spread).toBeGreaterThan(0.9 * (far - near))
    const read = new Reaches(fit, [RULE, RULE])
    const [a, b] = [0, 1].map((l) => posteriorOf(fit, read.bothWays(l, 0.9)).q50)
    expect(a!).toBeGreaterThanOrEqual(b!)
  })
})
