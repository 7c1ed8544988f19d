import { expect, it } from 'vitest'
import { onceEach, onceWhileHeld } from './onceEach'

it('works out each answer once, one of nothing too', () => {
  const asked: string[] = []
  const of = onceEach((word: string) => {
    asked.push(word)
    return word === 'none' ? undefined : word.length
  })
  expect(['none', 'five', 'none', 'five'].map(of)).toEqual([undefined, 4, undefined, 4])
  expect(asked).toEqual(['none', 'five'])
})

it('works out once what it is asked of the same thing, and anew of one like it', () => {
  let asked = 0
  const of = onceWhileHeld(({ word }: { word: string }) => (asked++, word === '' ? undefined : word.length))
  const [one, none] = [{ word: 'five' }, { word: '' }]
  expect([one, none, one, none, { word: 'five' }].map(of)).toEqual([4, undefined, 4, undefined, 4])
  expect(asked).toBe(3)
})
