import { describe, expect, it } from 'vitest'
import { chanceTables, edgeOf, multiplyChance } from './chanceTables'
import { heardCell, notHeardCell, stepCell, type LevelCell } from './levelCell'
import { meanExcess, normalCdf } from './normal'
import { pairLikelihood } from './pairLikelihood'
import { quickMeanExcess } from './quickMeanExcess'

describe('tabled chances', () => {
  const cells: LevelCell[] = [
    stepCell(-3, 3),
    stepCell(5, 15),
    notHeardCell(-20, 2.5),
    heardCell(-20, 2.5),
    { lower: 40, upper: Infinity, softDb: 0, notHeard: false },
  ]
  it('are the normal’s own within 6e-5', () => {
    const tableOf = chanceTables()
    for (const cell of cells)
      for (const sd of [0.5, 2, 7]) {
        const into = new Float64Array(200).fill(1)
        multiplyChance(into, 200, tableOf(cell, sd), edgeOf(cell), -60, 0.7)
        into.forEach((got, i) => {
          const level = -60 + 0.7 * i
          const soft = Math.hypot(sd, cell.softDb)
          const high = Number.isFinite(cell.upper) ? normalCdf((cell.upper - level) / soft) : 1
          const low = Number.isFinite(cell.lower)
            ? normalCdf((cell.lower - level) / (Number.isFinite(cell.upper) ? sd : soft))
            : 0
          expect(Math.abs(got - (high - low))).toBeLessThan(6e-5)
        })
      }
  })
  it('are made once for a kind of report and a spread', () => {
    const tableOf = chanceTables()
    expect(tableOf(stepCell(-3, 3), 2)).toBe(tableOf(stepCell(9, 15), 2))
    expect(tableOf(stepCell(-3, 3), 2)).not.toBe(tableOf(stepCell(-3, 3), 2.1))
  })
})

describe('quickMeanExcess', () => {
  it('is meanExcess to seven digits, far tails included', () => {
    for (let z = -28; z < 12; z += 0.0371) expect(quickMeanExcess(z) / meanExcess(z)).toBeCloseTo(1, 7)
    expect(quickMeanExcess(-40)).toBe(0)
  })
})

describe('heard, with no strength given', () => {
  it('stands above a soft threshold: agrees with brute force', () => {
    const [a, b] = [heardCell(-20, 3), stepCell(-15, -9)]
    const of = (delta: number) => {
      let sum = 0
      // Second computation: plain sums over the mark's level, each end's error of 4/√2 dB.
      const sd = 4 / Math.SQRT2
      for (let s = -80; s < 60; s += 0.1)
        sum +=
          normalCdf((s + delta + 20) / Math.hypot(sd, 3)) *
          (normalCdf((-9 - s) / sd) - normalCdf((-15 - s) / sd)) *
          0.1
      return sum
    }
    const ratio = pairLikelihood(a, b, 0, 4) / of(0)
    for (const delta of [-20, -8, 5, 15])
      expect(pairLikelihood(a, b, delta, 4) / of(delta) / ratio).toBeCloseTo(1, 3)
  })
})
