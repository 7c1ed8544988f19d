import { expect, test } from 'vitest'
import { inLanes } from './inLanes'

const turn = () => new Promise<void>((resolve) => setTimeout(resolve))

test('so many at once, each lane with the next when it is done, and all in their order', async () => {
  let [busy, most, made] = [0, 0, 0]
  const came = await inLanes([3, 1, 2, 1], 2, () => {
    made++
    return async (turns) => {
      most = Math.max(most, ++busy)
      for (let i = 0; i < turns; i++) await turn()
      busy--
      return turns * 10
    }
  })
  expect(came).toEqual([30, 10, 20, 10])
  expect([most, made]).toEqual([2, 2])
})

test('no more lanes than things', async () => {
  let made = 0
  const lane = () => {
    made++
    return (thing: string) => Promise.resolve(thing)
  }
  expect(await inLanes(['one'], 8, lane)).toEqual(['one'])
  expect(await inLanes([], 8, lane)).toEqual([])
  expect(made).toBe(1)
})

test('what fails is told, and nothing more is begun', async () => {
  const begun: number[] = []
  const lane = () => async (thing: number) => {
    begun.push(thing)
    await turn()
    if (thing === 1) throw new Error('broken')
  }
  await expect(inLanes([1, 2, 3, 4, 5], 2, lane)).rejects.toThrow('broken')
  for (let i = 0; i < 5; i++) await turn()
  expect(begun).toEqual([1, 2])
})
