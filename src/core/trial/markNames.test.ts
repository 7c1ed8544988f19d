import { describe, expect, it } from 'vitest'
import { freeMarkNames } from './markNames'

describe('names of the marks of a second leg', () => {
  const taken = new Set(['S01', 'S02', 'Old mill'])
  it.each([
    [['S01', 'S02'], 'South road', ['O01', 'O02']],
    [['R01', 'R02'], 'Ridge', ['R01', 'R02']],
    [['S01', 'S02', 'S03'], 'S', ['A01', 'A02', 'A03']],
    [['Old mill', 'Gate'], 'Lane', ['Old mill 2', 'Gate']],
    [['Gate', 'Gate'], 'Lane', ['Gate', 'Gate 2']],
  ])('%j on %s are %j', (names, leg, free) => expect(freeMarkNames(names, taken, leg)).toEqual(free))

  it('are never twice the same, however many legs there are', () => {
    const all = new Set<string>()
    for (let leg = 0; leg < 60; leg++)
      for (const name of freeMarkNames(['S01', 'S02', 'S03'], all, 'South')) {
        expect(all.has(name)).toBe(false)
        all.add(name)
      }
  })
})
