import { describe, expect, it } from 'vitest'
import { defaultScale, type Scale } from '@/core/reports'
import { figureAfter, isFigure } from './figure'

const DBM = defaultScale('level')
const BARE = defaultScale('bare')
const typed = (keys: string, scale: Scale = DBM) =>
  keys.split(' ').reduce((figure, key) => figureAfter(figure, key, scale), '')

describe('a figure typed key by key', () => {
  it('on a display in dBm begins below nought, and may be turned', () => {
    expect(typed('9 7')).toBe('-97')
    expect(typed('9 7 -')).toBe('97')
    expect(typed('9 7 - -')).toBe('-97')
    expect(typed('9 7', BARE)).toBe('97')
  })

  it('has one point, after a digit', () => {
    expect(typed('. 9 . 5 . 2')).toBe('-9.52')
    expect(typed('9 .', BARE)).toBe('9.')
  })

  it('wavers between two ends, and no third', () => {
    expect(typed('9 7 to 9 2')).toBe('-97 to -92')
    expect(typed('to 9 7 to to 9 2 to')).toBe('-97 to -92')
  })

  it('is taken back key by key, a sign with its last digit and "to" as one', () => {
    expect(typed('9 7 back')).toBe('-9')
    expect(typed('9 7 back back')).toBe('')
    expect(typed('9 7 to back')).toBe('-97')
    expect(typed('9 7 to 9 back')).toBe('-97 to ')
    expect(figureAfter('', 'back', DBM)).toBe('')
  })

  it('takes no more digits than a display has, and nothing that is no key', () => {
    expect(typed('1 2 3 4 5', BARE)).toBe('1234')
    expect(typed('1 x 2', BARE)).toBe('12')
  })

  it('is one once its ends are whole', () => {
    for (const good of ['-97', '4', '9.5', '-97 to -92', '0.5 to 1']) expect(isFigure(good)).toBe(true)
    for (const bad of ['', '-', '9.', '-97 to ', 'to 5', '1 to 2 to 3']) expect(isFigure(bad)).toBe(false)
  })
})
