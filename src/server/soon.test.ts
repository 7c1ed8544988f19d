import { expect, test } from 'vitest'
import { soon, soonAs } from './soon'

const never = () => {
  throw new Error('not to be asked')
}

test('what is kept is there as itself', async () => {
  expect(await soon(Promise.resolve(3), never)).toEqual({ known: 3 })
})

test('what takes its time is not waited for, and something does until then', async () => {
  let end = (_: number) => {}
  const waited = await soon(new Promise<number>((give) => (end = give)), () => 2)
  end(4)
  expect('later' in waited && [waited.meanwhile, await waited.later]).toEqual([2, 4])
})

test('what goes wrong in time is told at once', async () => {
  await expect(soon(Promise.reject(new Error('no ground')), never)).rejects.toThrow('no ground')
})

test('what is drawn is made of what is known, at once or both times', async () => {
  expect(soonAs({ known: 3 }, (n) => n + 1)).toEqual({ known: 4 })
  const made = soonAs({ meanwhile: 2, later: Promise.resolve(4) }, (n) => n + 1)
  expect('later' in made && [made.meanwhile, await made.later]).toEqual([3, 5])
})
