import fc from 'fast-check'
import { expect, it } from 'vitest'
import { digestOf, IdSum } from './idDigest'

it('does not depend on the order, and tells a set from one that lacks or swaps an id', () => {
  const ids = fc.uniqueArray(fc.uuid(), { minLength: 2, maxLength: 40 })
  fc.assert(
    fc.property(ids, fc.uuid(), (some, other) => {
      const whole = digestOf(some)
      expect(digestOf([...some].reverse())).toEqual(whole)
      expect(whole.count).toBe(some.length)
      expect(whole.sum).toMatch(/^[0-9a-f]{16}$/)
      const [, ...rest] = some
      expect(digestOf(rest).sum).not.toBe(whole.sum)
      if (!some.includes(other)) expect(digestOf([...rest, other]).sum).not.toBe(whole.sum)
    }),
  )
})

it('grows as ids come, and shrinks as they are taken out', () => {
  const sum = new IdSum()
  expect(sum.digest).toEqual(digestOf([]))
  for (const id of ['a', 'b', 'c']) sum.add(id)
  expect(sum.digest).toEqual(digestOf(['b', 'a', 'c']))
  sum.remove('b')
  expect(sum.digest).toEqual(digestOf(['c', 'a']))
})
