import { describe, expect, it } from 'vitest'
import { gridFromPoints, heightAt, readHeightPoints } from '.'

const points = [
  { lat: 47.3, lon: -29.55, heightM: 10 },
  { lat: 47.305, lon: -29.55, heightM: 60 },
  { lat: 47.3, lon: -29.54, heightM: 30 },
]

describe('a grid from places with heights', () => {
  it('goes through its points and stays between their heights, unknown far away', () => {
    const made = gridFromPoints('typed', points)
    if (!made.ok) throw new Error(made.problems[0]!.message)
    for (const p of points) expect(Math.abs(heightAt(made.value, p.lat, p.lon) - p.heightM)).toBeLessThan(9)
    const between = heightAt(made.value, 47.3025, -29.547)
    expect(between).toBeGreaterThan(10)
    expect(between).toBeLessThan(60)
    expect(heightAt(made.value, 47.2915, -29.5615)).toBeNaN()
  })
  it('needs three places that lie together', () => {
    const few = gridFromPoints('typed', points.slice(0, 2))
    expect(few.ok ? '' : few.problems[0]!.message).toContain('at least 3')
    const apart = gridFromPoints('typed', [...points, { lat: 10, lon: 40, heightM: 1 }])
    expect(apart.ok ? '' : apart.problems[0]!.message).toContain('too far apart')
  })
  it('reads typed heights, and says which line is none', () => {
    expect(readHeightPoints('47.3 -29.55 10\n\n47.305, -29.55, 60')).toMatchObject({
      ok: true,
      value: [{ heightM: 10 }, { heightM: 60 }],
    })
    const bad = readHeightPoints('47.3 -29.55 10\nthe hill 60')
    expect(bad.ok ? '' : `${bad.problems[0]!.where}: ${bad.problems[0]!.message}`).toContain(
      'line 2: "the hill 60" is no height',
    )
    expect(readHeightPoints('147 0 10').ok).toBe(false)
  })
})
