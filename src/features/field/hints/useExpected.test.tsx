// @vitest-environment happy-dom
import { act, renderHook } from '@testing-library/react'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { ForecastAsk } from '@/core/findings/fieldForecast'
import { forecastKey, type FieldForecast } from '@/core/findings/forecast'
import { linkKey } from '@/core/reach'
import { testEntry } from '@/core/testing/entries'
import { checkOf, link, plan, rig } from '@/core/testing/plans'
import { foldEntries, type Entry } from '@/core/trial'
import type { RunPack } from '../log/runPack'
import { useExpected } from './useExpected'

const asked: { ask: ForecastAsk; answer: (f: FieldForecast | null) => void; fail: (e: Error) => void }[] = []
const corrected = (_signal: AbortSignal, _run: string, ask: ForecastAsk) =>
  new Promise<FieldForecast | null>((answer, fail) => asked.push({ ask, answer, fail }))
beforeEach(() => void (asked.length = 0))

const A = link(rig('a'))
const two = plan([A], 2)
const pack = {
  ...{ protocol: 1, runId: 'r', trialId: 't', runName: 'R', startedAt: '2026-05-16T08:00:00Z', plan: two },
  basis: { expected: [], seen: [], learnt: null },
  ground: {
    ...{ baseGroundM: 4, baseAntennaM: 8, correctedBy: null, expected: [] },
    legs: [
      {
        ...{ legId: 'l', legName: 'Shore', ground: [], marks: [], knownToM: null },
        chances: { [linkKey(A)]: [{ distanceM: 300, chance: 0.9 }] },
      },
    ],
  },
} as RunPack
const check = (markId: string) => testEntry({ kind: 'check', ...checkOf(markId, 'a', 'not heard') })
const show = (of: RunPack, entries: Entry[]) =>
  renderHook(({ log }) => useExpected(of, log, [], corrected), {
    initialProps: { log: foldEntries(entries) },
  })
const forecastOf = (chance: number, ofRun: number): FieldForecast => ({
  ...{ checks: 20 + ofRun, ofRun, worth: [] },
  chances: { [forecastKey('m0', 'a')]: chance },
})
const answered = (nth: number, f: FieldForecast | null) =>
  act(async () => {
    await vi.waitFor(() => expect(asked.length).toBeGreaterThan(nth))
    asked[nth]!.answer(f)
  })

describe('what is expected on a device', () => {
  it('is what the pack brought until the device has worked it out, and says from how many checks', async () => {
    const { result } = show(pack, [])
    expect(result.current.now('a', 'm0')).toEqual({ chance: 0.9, checks: 0 })
    await answered(0, forecastOf(0.4, 0))
    expect(result.current.now('a', 'm0')).toEqual({ chance: 0.4, checks: 20 })
    // Where the forecast knows nothing, what the pack brought stands.
    expect(result.current.now('b', 'm0')).toBeNull()
  })

  it('silence surprises by what was expected before it', async () => {
    const hook = show(pack, [])
    await answered(0, forecastOf(0.8, 0))
    hook.rerender({ log: foldEntries([check('m0')]) })
    // Until the new one is there the old one stands for both.
    expect(hook.result.current.before('a', 'm0')).toBe(0.8)
    await answered(1, forecastOf(0.3, 1))
    expect(hook.result.current.now('a', 'm0')).toEqual({ chance: 0.3, checks: 21 })
    expect(hook.result.current.before('a', 'm0')).toBe(0.8)
    expect(asked[1]!.ask.checks).toHaveLength(1)
  })

  it('asks nothing without a basis, and falls back on the pack where it fails or has nothing to say', async () => {
    const { result } = show({ ...pack, basis: null }, [check('m0')])
    expect(result.current.now('a', 'm0')).toEqual({ chance: 0.9, checks: 0 })
    expect(asked).toHaveLength(0)
    const other = show(pack, [check('m0')])
    await answered(0, null)
    expect(other.result.current.now('a', 'm0')).toEqual({ chance: 0.9, checks: 0 })
    const third = show(pack, [check('m1')])
    await vi.waitFor(() => expect(asked).toHaveLength(2))
    await act(async () => asked[1]!.fail(new Error('no worker')))
    expect(third.result.current.now('a', 'm0')).toEqual({ chance: 0.9, checks: 0 })
  })
})
