import { expect, it } from 'vitest'
import { defaultScale, readReport } from '@/core/reports'
import { gradeKeys } from './gradeKeys'

it.each(['words', 'heard', 'readability', 'count'] as const)(
  'every key of a scale of %s is read in it',
  (kind) => {
    const scale = defaultScale(kind)
    const keys = gradeKeys(scale)
    expect(keys.length).toBeGreaterThan(0)
    for (const k of keys) expect(readReport(k, scale).state).toBe('heard')
  },
)

it('there is none where figures are typed', () => {
  expect(gradeKeys(defaultScale('level'))).toEqual([])
  expect(gradeKeys({ kind: 'count', of: 'packets', total: 100, words: [] })).toEqual([])
})
