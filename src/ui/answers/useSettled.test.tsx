// @vitest-environment happy-dom
import { act, renderHook } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import { useSettled } from './useSettled'

const fire = (name: string) => act(() => void dispatchEvent(new Event(name)))

describe('a value that comes late', () => {
  it('stands at once where nothing is pressed', () => {
    const { result, rerender } = renderHook(({ v }) => useSettled(v), { initialProps: { v: 'none' } })
    rerender({ v: 'there' })
    expect(result.current).toBe('there')
  })

  it('waits while something is pressed, and until its click is done', async () => {
    const { result, rerender } = renderHook(({ v }) => useSettled(v), { initialProps: { v: 'none' } })
    fire('pointerdown')
    rerender({ v: 'there' })
    expect(result.current).toBe('none')
    fire('pointerup')
    expect(result.current).toBe('none')
    await act(() => new Promise((r) => setTimeout(r, 5)))
    expect(result.current).toBe('there')
  })
})
