import { expect, it } from 'vitest'
import { checkOf } from '@/core/testing/plans'
import type { Entry, EntryBody } from '@/core/trial'
import { othersOf, silentFor } from './others'

const at = (device: string, time: string, body: EntryBody = { kind: 'note', text: 'x' }): Entry => ({
  id: `${device} ${time}`,
  runId: 'r',
  device,
  role: 'out there',
  wallTime: `2026-05-16T${time}Z`,
  seq: 1,
  supersedes: null,
  body,
})
const check: EntryBody = { kind: 'check', ...checkOf('m0', 'l0', '5 by 7') }
const ENTRIES = [
  at('hill', '08:00:00', check),
  at('base', '08:09:00', check),
  at('valley', '08:20:00'),
  at('hill', '08:06:00', check),
  at('hill', '08:03:00'),
]

it('the others are listed with their last word, the one silent longest first, and never oneself', () => {
  expect(othersOf(ENTRIES, 'base')).toEqual([
    { device: 'hill', lastAt: '2026-05-16T08:06:00Z', checks: 2 },
    { device: 'valley', lastAt: '2026-05-16T08:20:00Z', checks: 0 },
  ])
  expect(othersOf([], 'base')).toEqual([])
})

it.each([
  [0, '08:40:00', []],
  [15, '08:20:30', []],
  [15, '08:21:00', ['hill']],
  [15, '08:36:00', ['hill', 'valley']],
  // Since yesterday: it is home.
  [15, '23:59:00', []],
])('after %s min of silence, at %s: %j', (after, time, names) => {
  const silent = silentFor(othersOf(ENTRIES, 'base'), after, Date.parse(`2026-05-16T${time}Z`))
  expect(silent.map((s) => s.device)).toEqual(names)
})
