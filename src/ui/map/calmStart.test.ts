// @vitest-environment happy-dom
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { APART, calmStart, COMING_UP } from './calmStart'

beforeEach(() => void vi.useFakeTimers())
afterEach(() => void vi.useRealTimers())

/** A map that draws at once where it is asked to. */
function shown() {
  let frames = 0
  let drawn = () => {}
  const map = {
    render() {
      frames++
      drawn()
    },
    on: (_: 'postrender', listener: () => void) => (drawn = listener),
    un: () => (drawn = () => {}),
  }
  const over = document.createElement('div')
  document.body.append(over)
  return { map, over, end: calmStart(map, over), frames: () => frames }
}

it('draws at once what comes first, and what comes soon after together', () => {
  const { map, frames } = shown()
  map.render()
  expect(frames()).toBe(1)
  for (let i = 0; i < 5; i++) map.render()
  expect(frames()).toBe(1)
  vi.advanceTimersByTime(APART)
  expect(frames()).toBe(2)
  vi.advanceTimersByTime(APART)
  map.render()
  expect(frames()).toBe(3)
})

it('draws what waits as soon as a hand touches anything, and from then on as it changes', () => {
  for (const touch of [
    (over: HTMLElement) => over.ownerDocument.body.dispatchEvent(new Event('pointerdown', { bubbles: true })),
    (over: HTMLElement) => over.ownerDocument.body.dispatchEvent(new Event('keydown', { bubbles: true })),
    (over: HTMLElement) => over.dispatchEvent(new Event('pointermove')),
  ]) {
    const { map, over, frames } = shown()
    map.render()
    map.render()
    expect(frames()).toBe(1)
    touch(over)
    expect(frames()).toBe(2)
    map.render()
    map.render()
    expect(frames()).toBe(4)
    vi.advanceTimersByTime(APART)
    expect(frames()).toBe(4)
  }
})

it('ends by itself, and when the map goes', () => {
  const { map, frames } = shown()
  vi.advanceTimersByTime(COMING_UP)
  map.render()
  map.render()
  expect(frames()).toBe(2)
  const other = shown()
  other.map.render()
  other.map.render()
  other.end()
  expect(other.frames()).toBe(2)
  other.end()
  vi.advanceTimersByTime(COMING_UP)
  expect(other.frames()).toBe(2)
})
