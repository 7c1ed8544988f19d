import { expect, test } from 'vitest'
import { dayAndTime, dayText, weekdayText } from './dayText'

// The fourth of May 2026 is a Monday; half past nine by this machine's own clock.
const at = new Date(2026, 4, 4, 9, 30)

test('days and times are written out, the hour with two figures', () => {
  expect(dayAndTime(at)).toBe('4 May 2026, 09:30')
  expect(dayText(at)).toBe('4 May 2026')
  expect(weekdayText(at)).toBe('Monday 4 May')
})
