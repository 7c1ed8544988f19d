import { expect, it } from 'vitest'
import { Pace } from './pace'

it('lets each go on up to so many a minute, and again in the next', () => {
  let now = 0
  const pace = new Pace(3, () => now)
  const asked = (who: string, times: number) => Array.from({ length: times }, () => pace.goesOn(who))
  expect(asked('a', 4)).toEqual([true, true, true, false])
  expect(asked('b', 1)).toEqual([true])
  now = 59_999
  expect(asked('a', 1)).toEqual([false])
  now = 60_000
  expect(asked('a', 4)).toEqual([true, true, true, false])
  now = 119_999
  expect(asked('a', 1)).toEqual([false])
  now = 120_000
  expect(asked('a', 1)).toEqual([true])
})
