import { describe, expect, it } from 'vitest'
import { tableGroupLikelihood } from './groupLikelihood'
import { lazyTable, readBetween, STRETCH } from './lazyTable'
import { notHeardCell, stepCell } from './levelCell'
import { normalCdf } from './normal'

describe('a table that is worked out where it is read', () => {
  it('reads straight lines between its values and holds its ends, working out nothing else', () => {
    const asked: [number, number][] = []
    const table = lazyTable(-10, 0.5, 100, (into, from, to) => {
      asked.push([from, to])
      for (let i = from; i < to; i++) into[i] = i * i
    })
    expect(readBetween(table, 20.5)).toBe(420.5)
    expect(readBetween(table, 20.25)).toBe(410.25)
    expect(asked).toEqual([[STRETCH, 2 * STRETCH]])
    expect(readBetween(table, -7)).toBe(0)
    expect(readBetween(table, 1e9)).toBeCloseTo(99 * 99, 1)
    // Between two stretches both are needed; the last is cut at the table's end.
    readBetween(table, 2 * STRETCH - 0.5)
    expect(asked).toEqual([
      [16, 32],
      [0, 16],
      [96, 100],
      [32, 48],
    ])
  })

  it('gives the likelihood of a group wherever it is read first, by brute force over the level', () => {
    // A twice not heard and then heard, against B heard once: no closed form.
    const group = {
      a: [notHeardCell(-20, 2), notHeardCell(-20, 2), stepCell(-24, -18)],
      b: [stepCell(-12, -6)],
    }
    const sd = 2.4
    const soft = Math.hypot(sd, 2)
    const brute = (delta: number) => {
      let sum = 0
      for (let s = -80; s < 60; s += 0.01)
        sum +=
          0.01 *
          normalCdf((-20 - s - delta) / soft) ** 2 *
          (normalCdf((-18 - s - delta) / sd) - normalCdf((-24 - s - delta) / sd)) *
          (normalCdf((-6 - s) / sd) - normalCdf((-12 - s) / sd))
      return sum
    }
    const table = tableGroupLikelihood(group, sd, -60, 60)
    for (const delta of [-12.8, 3.2, -20])
      expect(readBetween(table, (delta + 60) / table.stepDb) / brute(delta)).toBeCloseTo(1, 2)
  })
})
