import { describe, expect, it } from 'vitest'
import { orderWords } from './orderWords'

const of = (...firsts: number[]) =>
  firsts.map((first, i) => ({ name: `Rig ${'abcdefgh'[i]!}`, places: [first, ...firsts.slice(1)] }))
const said = (firsts: number[], sure: (row: number, column: number) => boolean) =>
  orderWords(of(...firsts), sure, 'reaches farthest', 'reaches least far')

describe('an order in a sentence', () => {
  it('that is sure throughout', () => {
    expect(said([1, 0, 0], () => true)).toEqual({
      lead: 'Rig a reaches farthest, then Rig b and Rig c',
      more: ['The whole order is sure.'],
    })
    expect(said([1, 0], () => true).lead).toBe('Rig a reaches farthest; Rig b reaches least far')
  })
  it('with a sure first, and a sure last', () => {
    expect(said([1, 0, 0], (row) => row === 0).lead).toBe(
      'Rig a reaches farthest, and that is sure; the order behind it is not',
    )
    expect(said([0.6, 0.4, 0], (_, column) => column === 2).more).toEqual([
      'Rig c reaches least far, surely.',
    ])
  })
  it('with two or three that may be first, each with its chance; never certainty', () => {
    expect(said([0.71, 0.21, 0.08], () => false).lead).toBe(
      'Most likely Rig a reaches farthest (71 chances of 100), else Rig b (21)',
    )
    expect(said([0.999, 0.001, 0], () => false).lead).toBe(
      'Most likely Rig a reaches farthest (99 chances of 100)',
    )
  })
  it('with so many that none is named but the likeliest', () => {
    expect(said([0.3, 0.25, 0.2, 0.15, 0.1], () => false).lead).toBe(
      'No one of them surely reaches farthest; Rig a is likeliest, with 30 chances of 100',
    )
  })
  it('of figures that no draw tells, names all and breaks nothing', () => {
    expect(said([0, 0], () => false).lead).toMatch(/^Most likely Rig a reaches farthest .* else Rig b /)
  })
})
