import { expect, it } from 'vitest'
import { defaultScale } from '@/core/reports'
import { checkReader } from './checkReader'

it('reads each report within the scale of its listener, the same words once', () => {
  const read = checkReader({ base: defaultScale('readability-strength'), out: defaultScale('readability') })
  const atBase = read({ text: '5 by 7', direction: 'to base' })
  expect(atBase).toMatchObject({ state: 'heard', readability: 5, strength: { from: { units: 7 } } })
  expect(read({ text: '5 by 7', direction: 'to base' })).toBe(atBase)
  expect(read({ text: '5 by 7', direction: 'from base' }).state).toBe('not read')
})
