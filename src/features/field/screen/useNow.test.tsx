// @vitest-environment happy-dom
import { act, renderHook } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import { defaultScale } from '@/core/reports'
import { testEntry } from '@/core/testing/entries'
import { checkOf, link, plan, rig } from '@/core/testing/plans'
import { foldEntries, type Entry } from '@/core/trial'
import type { Role } from '../log/useRunLog'
import { useNow } from './useNow'

const two = plan([link(rig('a')), link(rig('b'))], 3)
const show = (entries: Entry[] = [], role: Role = 'out there', of = two, alone = false) =>
  renderHook(() => useNow(of, foldEntries(entries), { role, alone })).result

describe('what is asked for now', () => {
  it('is the plan’s next check, with its link, its scale and its mark', () => {
    const { current } = show()
    expect(current.checks).toHaveLength(12)
    expect(current.now).toMatchObject({ markId: 'm0', repeat: 1 })
    expect(current.link!.id).toBe(current.now!.linkId)
    expect(current.mark!.name).toBe('S0')
    expect(current.sentWords).toBeNull()
  })

  it('at the base is only what the base hears', () => {
    expect(show([], 'base').current.checks.every((c) => c.direction === 'to base')).toBe(true)
    // Alone there, or with strangers out there, one logs what they report as well.
    expect(show([], 'base', two, true).current.checks).toHaveLength(12)
  })

  it('is the one chosen while it is open, and the plan’s again afterwards', () => {
    const entries: Entry[] = []
    const hook = renderHook(({ log }) => useNow(two, log, { role: 'out there', alone: false }), {
      initialProps: { log: foldEntries(entries) },
    })
    const other = hook.result.current.open.at(-1)!
    act(() => hook.result.current.choose(other))
    expect(hook.result.current.now).toMatchObject({ markId: other.markId, linkId: other.linkId })
    const { markId, linkId, direction, repeat } = other
    entries.push(testEntry({ kind: 'check', ...checkOf(markId, linkId, '5 by 7', { direction, repeat }) }))
    hook.rerender({ log: foldEntries(entries) })
    expect(hook.result.current.open).toHaveLength(11)
    expect(hook.result.current.now!.markId).toBe('m0')
  })

  it('has the words to read out where words are counted, the same each time', () => {
    const counted = plan([link(rig('a'))], 2, defaultScale('count'))
    const first = show([], 'out there', counted).current.sentWords
    expect(first).toHaveLength(5)
    expect(show([], 'out there', counted).current.sentWords).toEqual(first)
  })
})
