import { expect, it } from 'vitest'
import { plainNumber } from './plainNumber'

it.each([
  ['47.2988', 47.2988],
  [' -29.5 ', -29.5],
  ['+.5', 0.5],
  ['5.', 5],
  ['1e-3', 0.001],
  ['', NaN],
  [' ', NaN],
  ['0x10', NaN],
  ['1e999', NaN],
  ['Infinity', NaN],
  ['1_000', NaN],
  ['12abc', NaN],
  ['1,5', NaN],
])('%j is %f', (text, value) => expect(plainNumber(text)).toBe(value))
