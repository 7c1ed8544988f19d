// @vitest-environment happy-dom
import { act, renderHook } from '@testing-library/react'
import { expect, it } from 'vitest'
import { good, refuse } from '@/core/outcome'
import { useAction } from './useAction'

it('is busy until the answer is there, then does what comes after', async () => {
  const { result } = renderHook(useAction)
  let answer: () => void = () => undefined
  const done: string[] = []
  const asked = new Promise<void>((resolve) => (answer = resolve)).then(() => good('made'))
  act(
    () =>
      void result.current.run(
        () => asked,
        (v) => done.push(v),
      ),
  )
  expect(result.current.busy).toBe(true)
  await act(async () => answer())
  expect(result.current.busy).toBe(false)
  expect(done).toEqual(['made'])
})

it('keeps what was refused until something goes through', async () => {
  const { result } = renderHook(useAction)
  await act(async () => void (await result.current.run(() => Promise.resolve(refuse('No.')))))
  expect(result.current.problems.map((p) => p.message)).toEqual(['No.'])
  await act(async () => void (await result.current.run(() => Promise.resolve(good(1)))))
  expect(result.current.problems).toEqual([])
})

it.each([
  [new TypeError('Failed to fetch'), 'The server cannot be reached; what you typed is still here'],
  [new Error('digest 123'), 'The server could not do this; what you typed is still here'],
])('says what %s means, and is not busy any more', async (thrown, words) => {
  const { result } = renderHook(useAction)
  await act(async () => void (await result.current.run(() => Promise.reject(thrown))))
  expect(result.current.problems[0]!.message).toContain(words)
  expect(result.current.busy).toBe(false)
})
