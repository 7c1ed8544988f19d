import { describe, expect, it } from 'vitest'
import { packingList, type PackedRig } from '..'
import { built, kit } from '@/core/testing/kit'

describe('packing', () => {
  const rigs: PackedRig[] = [
    {
      letter: 'A',
      name: 'Stub',
      end: 'out',
      assembly: built('handheld-uhf', ['stub'], { mount: 'at-chest' }),
    },
    {
      letter: 'B',
      name: 'Long',
      end: 'out',
      assembly: built('handheld-uhf', ['long-whip'], { mount: 'at-chest' }),
    },
    {
      letter: 'H',
      name: 'Base',
      end: 'base',
      assembly: built('desk-uhf', ['lead-10-20', 'collinear'], { mount: 'clamp', mast: 'mast-8' }),
    },
    { letter: 'K', name: 'Known by figures', end: 'base', assembly: null },
  ]
  const list = (use: 'in turn' | 'at once') =>
    packingList({
      rigs,
      parts: kit,
      use,
      batteries: [{ radioId: 'handheld-uhf', name: 'Handheld', count: 2, why: '' }],
      plannedText: '5 h',
    })
  it('counts what two rigs share once in turn and twice at once', () => {
    const radio = (use: 'in turn' | 'at once') => list(use).find((l) => l.id === 'part handheld-uhf')!
    expect(radio('in turn').count).toBe(1)
    expect(radio('at once').count).toBe(2)
    expect(radio('at once').why).toBe('for A, B')
  })
  it('says where more is needed than is owned', () => {
    const mount = list('at once').find((l) => l.id === 'part at-chest')!
    expect(mount).toMatchObject({ count: 2, short: 1 })
    expect(list('in turn').every((l) => l.short === null)).toBe(true)
  })
  it('brings tools by mount, fuses, batteries, paper, and rigs known by their figures', () => {
    const names = list('in turn').map((l) => l.name)
    expect(names).toEqual(
      expect.arrayContaining([
        'Spanner for the clamp',
        'Guys and pegs',
        'Spare fuse for each mobile or desk radio',
        'Charged battery for Handheld',
        'Paper log of the plan and two pencils',
        'Known by figures, all of it',
      ]),
    )
    expect(new Set(list('in turn').map((l) => l.id)).size).toBe(names.length)
  })
})
