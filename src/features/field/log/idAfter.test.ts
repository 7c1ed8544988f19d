import { expect, it } from 'vitest'
import { idAfter, madeAtMs } from './idAfter'

it('what is made comes after all that is known, also on a clock that stands behind', () => {
  const now = Date.UTC(2026, 4, 16, 8)
  expect(madeAtMs(idAfter('', now))).toBe(now)
  const ahead = idAfter('', now + 3_600_000)
  const next = idAfter(ahead, now)
  expect(next > ahead).toBe(true)
  expect(madeAtMs(next)).toBe(now + 3_600_001)
  expect(madeAtMs(idAfter(idAfter('', now - 5000), now))).toBe(now)
})
