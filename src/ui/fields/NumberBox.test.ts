import { expect, it } from 'vitest'
import { numberIn, numberProblem } from './NumberBox'

it('reads a number with comma or point, and nothing else', () => {
  expect(['1,5', ' 2.5 ', '-3', '', 'x', '1e999', '1 2'].map(numberIn)).toEqual([
    1.5,
    2.5,
    -3,
    null,
    null,
    null,
    null,
  ])
})

it.each([
  ['', { min: 0 }, 'A number is missing'],
  ['loud', { min: 0 }, 'This is not a number'],
  ['0', { above: 0 }, 'Must be above 0 W'],
  ['-1', { min: 0 }, 'At least 0 W'],
  ['11', { max: 10 }, 'At most 10 W'],
  ['10', { min: 0, max: 10 }, null],
] as const)('%j within %j: %j', (text, bounds, said) => {
  expect(numberProblem(text, bounds, 'W')).toBe(said)
})
