import { expect, it } from 'vitest'
import { everyNth, thinnedWords } from './everyNth'

const points = (n: number) => Array.from({ length: n }, (_, i) => i)

it('few points are all drawn, and nothing is said', () => {
  expect(everyNth(points(300))).toEqual(points(300))
  expect(thinnedWords(300, 300)).toBe('')
})

it('of many a hundred are, from the first to near the last, and it is said', () => {
  const drawn = everyNth(points(19_000))
  expect(drawn).toHaveLength(100)
  expect(drawn[0]).toBe(0)
  expect(drawn.at(-1)).toBe(18_810)
  expect(new Set(drawn.slice(1).map((v, i) => v - drawn[i]!))).toEqual(new Set([190]))
  expect(thinnedWords(100, 19_000)).toBe(' 100 of 19,000 are drawn, evenly spread, and stand in the CSV.')
})
