import { expect, it } from 'vitest'
import { spacedOut } from './spacedOut'

it('labels a long line now and then, and never twice where two squares meet', () => {
  const wanted = spacedOut(240)
  const line = Array.from({ length: 1000 }, (_, x) => ({ x, y: 239.5 + Math.sin(x / 5) }))
  const at = line.filter(({ x, y }) => wanted(x, y))
  expect(at.length).toBeGreaterThanOrEqual(4)
  expect(at.length).toBeLessThanOrEqual(8)
  at.forEach((a, i) =>
    at.slice(i + 1).forEach((b) => expect(Math.hypot(a.x - b.x, a.y - b.y)).toBeGreaterThanOrEqual(120)),
  )
})

it('labels a short ring across a border once', () => {
  const wanted = spacedOut(240)
  const ring = Array.from(
    { length: 60 },
    (_, i) => [240 + 20 * Math.cos(i / 10), 240 + 20 * Math.sin(i / 10)] as const,
  )
  expect(ring.filter(([x, y]) => wanted(x, y))).toHaveLength(1)
})
