import { expect, it } from 'vitest'
import { studentQuantile } from './studentQuantile'

it('has the quantiles of Student’s t of R’s qt', () => {
  // qt(0.95, 3), qt(0.95, 11), qt(0.975, 1)
  expect(studentQuantile(0.95, 3)).toBeCloseTo(2.353363, 5)
  expect(studentQuantile(0.95, 11)).toBeCloseTo(1.795885, 5)
  expect(studentQuantile(0.975, 1)).toBeCloseTo(12.7062, 3)
})
