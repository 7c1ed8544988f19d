import { expect, test } from 'vitest'
import { soon } from './soon'

test('what is kept is there as itself', async () => {
  expect(await soon(Promise.resolve(3))).toEqual({ known: 3 })
})

test('what takes its time is not waited for', async () => {
  let end = (_: number) => {}
  const waited = await soon(new Promise<number>((give) => (end = give)))
  end(4)
  expect('later' in waited && (await waited.later)).toBe(4)
})

test('what goes wrong in time is told at once', async () => {
  await expect(soon(Promise.reject(new Error('no ground')))).rejects.toThrow('no ground')
})
