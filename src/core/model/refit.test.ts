import { describe, expect, it } from 'vitest'
import { differenceDraws, posteriorOf, termDraws } from './answers'
import { fitModel, type ModelFit } from './fit'
import { refit } from './refit'
import type { ModelInput } from './reports'
import { testRun } from './testing/runs'

const together = (fit: ModelFit) => posteriorOf(fit, differenceDraws(fit, 0, 1, [0, 1]))

describe('a run fitted anew', () => {
  const run = testRun({ marks: 14, gainDb: [4, 0] })
  const fit = fitModel(run)

  it('as it was says what it said', () => {
    const [before, after] = [together(fit), together(refit(fit, run))]
    expect(Math.abs(after.mean - before.mean)).toBeLessThan(0.15 * before.sd)
    expect(after.sd / before.sd).toBeGreaterThan(0.85)
    expect(after.sd / before.sd).toBeLessThan(1.15)
  })

  it('without some reports says what a fit of the rest from the beginning says', () => {
    const rest: ModelInput = { ...run, reports: run.reports.filter((r) => r.mark < 11) }
    const [quick, whole] = [together(refit(fit, rest)), together(fitModel(rest))]
    expect(Math.abs(quick.mean - whole.mean)).toBeLessThan(0.25 * whole.sd)
    expect(Math.abs(quick.sd / whole.sd - 1)).toBeLessThan(0.2)
  })

  it('with a term finds what was put into it', () => {
    const moved: ModelInput = {
      ...run,
      terms: [{ sdDb: 5 }],
      reports: run.reports.map((r): ModelInput['reports'][number] =>
        r.mark % 2 === 0 || !('lowerDb' in r.call)
          ? r
          : {
              ...r,
              call: { ...r.call, lowerDb: r.call.lowerDb + 12, upperDb: r.call.upperDb + 12 },
              terms: [[0, 1]],
            },
      ),
    }
    const found = refit(fitModel(run), moved)
    const term = posteriorOf(found, termDraws(found, 0))
    expect(term.q025).toBeLessThan(12)
    expect(term.q975).toBeGreaterThan(5)
    expect(term.above).toBeGreaterThan(0.99)
  })

  it('draws what it shares with the fit as wide as that found it, and looks for itself only at what is new', () => {
    const { layout } = fit.field
    const found = refit(fit, { ...run, terms: [{ sdDb: 5 }] })
    const there = found.field.layout
    for (const [from, to] of [
      [layout.level[0]!, there.level[0]!],
      [layout.slope, there.slope],
      [layout.cut[1]! + 1, there.cut[1]! + 1],
    ] as const)
      expect(found.axes[to]).toBe(fit.axes[from])
    expect(fit.axes).not.toContain(found.axes[there.term[0]!])
    expect(found.quality.effectiveDraws).toBeGreaterThan(0.3 * 600)
  })

  it('of other reports altogether is fitted from the beginning', () => {
    const other = testRun({ marks: 14, gainDb: [0, 0], display: true, steadyDb: -70, repeats: 8 })
    const [quick, whole] = [together(refit(fit, other)), together(fitModel(other))]
    expect(Math.abs(quick.mean - whole.mean)).toBeLessThan(0.5 * whole.sd + 0.1)
  })
})
