import { describe, expect, it } from 'vitest'
import { Field } from './field'
import { fitModel } from './fit'
import { lentOf, modesAtPoints } from './lentModes'
import { Modes } from './modes'
import { modelData, type ModelInput } from './reports'
import { testRun } from './testing/runs'

describe('modes of another field at the points of a fit', () => {
  const run = testRun({ marks: 14, gainDb: [4, 0] })
  const fit = fitModel(run, { draws: 200 })
  const fieldOf = (input: ModelInput) => new Field(modelData(input), fit.field.priors)
  const stepped: ModelInput = {
    ...run,
    terms: [{ sdDb: 5 }],
    step: { nearM: run.marks[6]!.distanceM, farM: run.marks[7]!.distanceM, sdDb: 12 },
  }

  it('are those that are found from nothing, in fewer steps, whatever terms it has besides', () => {
    for (const input of [run, stepped]) {
      const field = fieldOf(input)
      const { lent, steps } = modesAtPoints(lentOf(fit), field, 1)
      const afresh = new Modes(field)
      const { theta, spreads } = lent[0]!.point
      const mode = afresh.at(theta, spreads)!
      expect(steps).toBeLessThan(afresh.steps)
      // About a step's soft floor the curvature, and so the evidence, is as near as a mode is looked for.
      expect(Math.abs(lent[0]!.mode.evidence - mode.evidence)).toBeLessThan(0.1)
      expect(lent[0]!.mode.x.every((v, i) => Math.abs(v - mode.x[i]!) < 0.1)).toBe(true)
    }
  })

  it('are found from nothing where the marks are others', () => {
    const few = fieldOf({ ...run, reports: run.reports.filter((r) => r.mark < 9) })
    const { lent } = modesAtPoints(lentOf(fit), few, 2)
    expect(lent.reduce((n, l) => n + l.times, 0)).toBe(2)
  })
})
