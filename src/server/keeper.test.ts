import { expect, it, vi } from 'vitest'
import { keeper } from './keeper'

it('makes a thing once, and forgets the oldest of too many', () => {
  const make = vi.fn((key: string) => `made ${key}`)
  const kept = keeper<string>(2)
  const ask = (key: string) => kept(key, () => make(key))
  expect([ask('a'), ask('a'), ask('b')]).toEqual(['made a', 'made a', 'made b'])
  expect(make).toHaveBeenCalledTimes(2)
  ask('c')
  ask('b')
  expect(make).toHaveBeenCalledTimes(3)
  ask('a')
  expect(make).toHaveBeenCalledTimes(4)
})

it('does not keep a failure', async () => {
  const kept = keeper<Promise<number>>(2)
  await expect(kept('a', () => Promise.reject(new Error('away')))).rejects.toThrow('away')
  expect(await kept('a', () => Promise.resolve(3))).toBe(3)
  expect(await kept('a', () => Promise.resolve(4))).toBe(3)
})
