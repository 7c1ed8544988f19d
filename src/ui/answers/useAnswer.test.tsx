// @vitest-environment happy-dom
import { act, renderHook } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import { useAnswer } from './useAnswer'

/** Questions whose answers come when the test says so. */
function questions() {
  const open = new Map<
    string,
    { answer: (v: string) => void; fail: (e: Error) => void; signal: AbortSignal }
  >()
  const ask = ([key]: readonly [string], signal: AbortSignal) =>
    new Promise<string>((answer, fail) => open.set(key, { answer, fail, signal }))
  const hook = renderHook(
    ({ key, stands }: { key: string | null; stands?: string }) =>
      useAnswer(key === null ? null : [key], ask, stands === undefined ? undefined : [stands]),
    { initialProps: { key: null } as { key: string | null; stands?: string } },
  )
  return { open, hook, now: () => hook.result.current }
}

describe('an answer that is worked out', () => {
  it('asks nothing without a key, then waits, then is there', async () => {
    const { open, hook, now } = questions()
    expect(now()).toEqual({ at: 'asking', value: null })
    expect(open.size).toBe(0)
    hook.rerender({ key: 'a' })
    await act(async () => open.get('a')!.answer('A'))
    expect(now()).toEqual({ at: 'there', value: 'A' })
  })

  it('drops one that comes after its question was given up, and tells the asked so', async () => {
    const { open, hook, now } = questions()
    hook.rerender({ key: 'a' })
    hook.rerender({ key: 'b' })
    expect(open.get('a')!.signal.aborted).toBe(true)
    await act(async () => open.get('a')!.answer('late'))
    expect(now().at).toBe('asking')
    await act(async () => open.get('b')!.answer('B'))
    expect(now()).toEqual({ at: 'there', value: 'B' })
  })

  it('says why it failed, in the error’s own words or in ours', async () => {
    const { open, hook, now } = questions()
    hook.rerender({ key: 'a' })
    await act(async () => open.get('a')!.fail(new Error('out of memory')))
    expect(now()).toEqual({ at: 'failed', why: 'out of memory', value: null })
    hook.rerender({ key: 'b' })
    await act(async () => open.get('b')!.fail(new Error('')))
    expect(now()).toMatchObject({ at: 'failed', why: 'there was no answer' })
  })

  it('lets an earlier answer stand for as long as it is about the same', async () => {
    const { open, hook, now } = questions()
    hook.rerender({ key: 'a', stands: 'marks' })
    await act(async () => open.get('a')!.answer('A'))
    hook.rerender({ key: 'b', stands: 'marks' })
    expect(now()).toEqual({ at: 'asking', value: 'A' })
    hook.rerender({ key: 'c', stands: 'other marks' })
    expect(now()).toEqual({ at: 'asking', value: null })
  })

  it('does not ask again for a key of the same values', () => {
    const { open, hook } = questions()
    hook.rerender({ key: 'a' })
    const first = open.get('a')
    hook.rerender({ key: 'a' })
    expect(open.get('a')).toBe(first)
  })
})
