import { describe, expect, it } from 'vitest'
import { noChance } from './chanceAt'
import { Chances } from './chances'
import { Field } from './field'
import { MODEL_PRIORS, spreadsAt } from './priors'
import { modelData } from './reports'
import { TabledChances } from './tabledChances'
import { testRun } from './testing/runs'

describe('chances from a table', () => {
  const data = modelData(testRun({ marks: 12, gainDb: [3, 0] }))
  const field = new Field(data, MODEL_PRIORS)
  const spreads = spreadsAt(new Float64Array(6), MODEL_PRIORS)
  const cuts = data.input.listeners.map((_, d) =>
    field.cutsAt(field.start(), d, new Float64Array(data.input.listeners[d]!.steps)),
  )
  const exact = new Chances(data, MODEL_PRIORS)
  const tabled = new TabledChances(new Chances(data, MODEL_PRIORS))
  exact.set(spreads, cuts)
  tabled.set(spreads, cuts)
  const [a, b] = [noChance(), noChance()]

  it('are those that are worked out, with their derivatives, at every level and for every kind of report', () => {
    for (let pattern = 0; pattern < data.patterns.length; pattern++)
      for (let y = data.levelDb - 40; y < data.levelDb + 40; y += 0.37) {
        exact.at(pattern, y, a)
        tabled.at(pattern, y, b)
        expect(Math.abs(a.log - b.log)).toBeLessThan(2e-4)
        for (const of of ['y', 'a', 'b', 'yy', 'ya', 'yb'] as const)
          expect(Math.abs(a[of] - b[of]), `${of} at ${y}`).toBeLessThan(5e-3)
      }
  })

  it('are the same where the level alone is asked about', () => {
    exact.set(spreads, cuts, false)
    tabled.set(spreads, cuts, false)
    for (let pattern = 0; pattern < data.patterns.length; pattern++)
      for (let y = data.levelDb - 40; y < data.levelDb + 40; y += 0.37) {
        exact.levelAt(pattern, y, a)
        tabled.levelAt(pattern, y, b)
        expect(Math.abs(a.log - b.log)).toBeLessThan(2e-4)
        expect(Math.abs(a.y - b.y), `y at ${y}`).toBeLessThan(1e-3)
        expect(Math.abs(a.yy - b.yy), `yy at ${y}`).toBeLessThan(5e-3)
      }
    exact.set(spreads, cuts)
    tabled.set(spreads, cuts)
  })

  it('are worked out where nothing is tabled', () => {
    exact.at(0, -400, a)
    tabled.at(0, -400, b)
    expect(b.log).toBe(a.log)
  })

  it('follow other cuts', () => {
    const moved = cuts.map((c) => c.map((v) => v + 3))
    exact.set(spreads, moved, false)
    tabled.set(spreads, moved, false)
    for (let pattern = 0; pattern < data.patterns.length; pattern++)
      expect(tabled.lnAt(pattern, data.levelDb)).toBeCloseTo(exact.lnAt(pattern, data.levelDb), 3)
  })
})
