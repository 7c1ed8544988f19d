import { describe, expect, it } from 'vitest'
import { asOffset, labelSide, type Side } from './labelSide'

const SIDES: Side[] = ['above', 'left', 'right', 'below']

describe('the side of a name', () => {
  it('is the first where nothing is near', () => {
    expect(labelSide([], 30, 15, SIDES)).toBe('above')
    expect(labelSide([[200, 0]], 30, 15, SIDES)).toBe('above')
  })

  it('is none on which a neighbour stands', () => {
    // A way to the north-east, marks 24 px apart.
    const onTheWay = [
      [17, -17],
      [-17, 17],
    ] as const
    expect(labelSide(onTheWay, 30, 15, SIDES)).toBe('left')
    expect(labelSide([...onTheWay, [-30, 0]], 30, 15, SIDES)).toBe('right')
  })

  it('is the one with the fewest where all are taken', () => {
    const crowd = [
      [0, -15],
      [4, -15],
      [-30, 0],
      [30, 0],
      [34, 0],
      [0, 15],
      [4, 15],
    ] as const
    expect(labelSide(crowd, 30, 15, SIDES)).toBe('left')
  })

  it('is told the map as an offset from the symbol', () => {
    expect(asOffset('above', 15)).toEqual({ textAlign: 'center', offsetX: 0, offsetY: -15 })
    expect(asOffset('left', 15)).toMatchObject({ textAlign: 'right', offsetX: -15 })
    expect(asOffset('right', 15)).toMatchObject({ textAlign: 'left', offsetX: 15 })
  })
})
