import { describe, expect, it } from 'vitest'
import { MOST_PLACES, modelPlaces, type PlacedMark } from './modelPlaces'

/** Marks evenly along legs that lead straight out. */
const outwards = (legs: number, each: number, stepM: number): PlacedMark[] =>
  Array.from({ length: legs * each }, (_, i) => {
    const distanceM = 200 + stepM * Math.floor(i / legs)
    return { id: `m${i}`, legId: `l${i % legs}`, distanceM, alongM: distanceM }
  })
const all = (marks: readonly PlacedMark[]) => new Set(marks.map((m) => m.id))

describe('the places that marks are to the model', () => {
  it('are the marks themselves where they are not very many', () => {
    const marks = outwards(4, MOST_PLACES / 4, 50)
    const { marks: places, at, offsetDb } = modelPlaces(marks, all(marks))
    expect(places).toEqual(marks.map(({ legId, distanceM, alongM }) => ({ legId, distanceM, alongM })))
    marks.forEach((m, i) => {
      expect(at.get(m.id)).toBe(i)
      expect(offsetDb(m.id)).toBe(0)
    })
  })

  it('are neighbours on a leg where there are more, closer near the base than far out', () => {
    const marks = outwards(3, 700, 20)
    const { marks: places, at } = modelPlaces(marks, all(marks))
    expect(places.length).toBeLessThanOrEqual(MOST_PLACES)
    expect(places.length).toBeGreaterThan(MOST_PLACES - 4)
    for (const m of marks) expect(places[at.get(m.id)!]!.legId).toBe(m.legId)
    const gaps = places
      .filter((p) => p.legId === 'l0')
      .map((p) => p.distanceM)
      .sort((a, b) => a - b)
      .map((d, i, of) => d - (of[i - 1] ?? 0))
    expect(gaps.at(-2)!).toBeGreaterThan(3 * gaps[1]!)
  })

  it('take out what distance does within them', () => {
    const marks = outwards(8, 200, 50)
    const { marks: places, at, offsetDb } = modelPlaces(marks, all(marks))
    // The model expects 38 dB a decade.
    for (const m of marks) {
      const db = 38 * Math.log10(places[at.get(m.id)!]!.distanceM / m.distanceM)
      expect(Math.abs(offsetDb(m.id) - db)).toBeLessThanOrEqual(1.5 + 1e-9)
    }
    expect(new Set(marks.map((m) => offsetDb(m.id))).size).toBeGreaterThan(1)
  })

  it('go by the way along a leg that stays at one distance', () => {
    const marks = Array.from({ length: 500 }, (_, i) => ({
      ...{ id: `m${i}`, legId: 'round', distanceM: 3000, alongM: 30 * i },
    }))
    const { marks: places } = modelPlaces(marks, all(marks))
    expect(places.length).toBeGreaterThan(MOST_PLACES / 2)
    expect(places.length).toBeLessThanOrEqual(MOST_PLACES)
  })

  it('leave marks that nothing was reported from by themselves', () => {
    const marks = outwards(2, 200, 20)
    const used = new Set(marks.slice(100).map((m) => m.id))
    const { marks: places, at } = modelPlaces(marks, used)
    const own = marks.slice(0, 100).map((m) => at.get(m.id)!)
    expect(new Set(own).size).toBe(100)
    own.forEach((p, i) => expect(places[p]!.distanceM).toBe(marks[i]!.distanceM))
    expect(places.length - 100).toBeLessThanOrEqual(MOST_PLACES)
  })
})
