import { expect, it } from 'vitest'
import { comparisonWords } from './comparisonWords'

const rig = (name: string) => ({ id: name, name })
const link = (base: string, out: string) => ({ base: rig(base), out: rig(out) })

it('says what stays and what changes, and at which end', () => {
  expect(comparisonWords([])).toEqual({
    stays: 'Nothing is chosen yet.',
    changes: 'Tick what is to be compared.',
  })
  expect(comparisonWords([link('Quay', 'Stub')])).toEqual({
    stays: 'Quay at the base, Stub out there.',
    changes: 'Nothing but the distance.',
  })
  expect(comparisonWords([link('Quay', 'Stub'), link('Quay', 'Whip')])).toEqual({
    stays: 'Quay at the base.',
    changes: 'Out there: Stub and Whip.',
  })
  expect(comparisonWords([link('4 m', 'Stub'), link('8 m', 'Stub')])).toEqual({
    stays: 'Stub out there.',
    changes: 'At the base: 4 m and 8 m.',
  })
  expect(comparisonWords([link('4 m', 'Stub'), link('8 m', 'Car')]).changes).toBe(
    'At the base: 4 m and 8 m. Out there: Stub and Car.',
  )
})
