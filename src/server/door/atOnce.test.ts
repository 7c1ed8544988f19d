import { EventEmitter } from 'node:events'
import { expect, it } from 'vitest'
import { AtOnce } from './atOnce'

it('one device sends so much side by side and no more; another is not held up; what is done counts no more', () => {
  const atOnce = new AtOnce(2)
  const answers = [0, 1, 2].map(() => new EventEmitter())
  expect(answers.map((a) => atOnce.begins('a', a as never))).toEqual([true, true, false])
  expect(atOnce.begins('b', new EventEmitter() as never)).toBe(true)
  answers[0]!.emit('close')
  expect(atOnce.begins('a', answers[2] as never)).toBe(true)
})
