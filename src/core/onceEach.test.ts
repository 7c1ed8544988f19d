import { expect, it } from 'vitest'
import { onceEach } from './onceEach'

it('works out each answer once, one of nothing too', () => {
  const asked: string[] = []
  const of = onceEach((word: string) => {
    asked.push(word)
    return word === 'none' ? undefined : word.length
  })
  expect(['none', 'five', 'none', 'five'].map(of)).toEqual([undefined, 4, undefined, 4])
  expect(asked).toEqual(['none', 'five'])
})
