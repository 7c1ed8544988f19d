import { expect, it } from 'vitest'
import { agoText } from './ago'

const THEN = '2026-05-16T08:00:00Z'
it.each([
  [-30, 'just now'],
  [0, 'just now'],
  [44, 'just now'],
  [45, '1 min ago'],
  [240, '4 min ago'],
  [5399, '90 min ago'],
  [3 * 3600, '3 h ago'],
  [48 * 3600, '2 days ago'],
])('%s s later it was %s', (s, said) => expect(agoText(THEN, Date.parse(THEN) + s * 1000)).toBe(said))
