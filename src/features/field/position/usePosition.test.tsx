// @vitest-environment happy-dom
import { act, renderHook } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import type { Position, PositionSource } from './positionSource'
import { usePosition } from './usePosition'

/** A source that tells what a test says. */
function told() {
  let onPosition: (p: Position) => void = () => undefined
  let onTrouble: (words: string) => void = () => undefined
  let running = 0
  const source: PositionSource = {
    name: 'told',
    start(position, trouble) {
      onPosition = position
      onTrouble = trouble
      running++
      return () => running--
    },
  }
  const at = (s: number, more: Partial<Position> = {}) =>
    act(() =>
      onPosition({
        lat: 50 + s / 1e5,
        lon: 2,
        accuracyM: 5,
        speedMs: null,
        courseDeg: null,
        at: s * 1000,
        ...more,
      }),
    )
  return { source, at, lose: (words: string) => act(() => onTrouble(words)), running: () => running }
}

describe('following a position', () => {
  it('has a speed in km/h only where the source gives one', () => {
    const way = told()
    const { result } = renderHook(() => usePosition(way.source, () => undefined))
    expect(result.current).toEqual({ position: null, kmh: null, trouble: null })
    way.at(1)
    expect(result.current).toMatchObject({ position: { lat: 50.00001 }, kmh: null })
    way.at(2, { speedMs: 10 })
    expect(result.current.kmh).toBe(36)
  })

  it('shows no old place once the source is in trouble, and goes on when it is back', () => {
    const way = told()
    const { result } = renderHook(() => usePosition(way.source, () => undefined))
    way.at(1)
    way.lose('No position yet.')
    expect(result.current).toEqual({ position: null, kmh: null, trouble: 'No position yet.' })
    way.at(2)
    expect(result.current).toMatchObject({ position: { at: 2000 }, trouble: null })
  })

  it('hands the track over after a minute, thinned to a point every four seconds', () => {
    const way = told()
    const pieces: number[][] = []
    renderHook(() => usePosition(way.source, (points) => pieces.push(points.map(([at]) => at / 1000))))
    for (let s = 0; s <= 62; s++) way.at(s)
    expect(pieces).toEqual([Array.from({ length: 16 }, (_, i) => 4 * i)])
  })

  it('loses no part of the track when it ends or another source is taken, and never writes a single point', () => {
    const first = told()
    const second = told()
    const pieces: number[] = []
    const hook = renderHook(({ of }) => usePosition(of, (points) => pieces.push(points.length)), {
      initialProps: { of: first.source as PositionSource | null },
    })
    for (const s of [0, 5, 10]) first.at(s)
    hook.rerender({ of: second.source })
    expect(pieces).toEqual([3])
    expect([first.running(), second.running()]).toEqual([0, 1])
    expect(hook.result.current.position).toBeNull()
    second.at(20)
    hook.rerender({ of: null })
    expect(pieces).toEqual([3])
    expect(second.running()).toBe(0)
  })
})
