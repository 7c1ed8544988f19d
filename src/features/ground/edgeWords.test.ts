import { describe, expect, it } from 'vitest'
import { mark } from '@/core/testing/plans'
import { edgeWords, noEdgeWords } from './edgeWords'

const name = (id: string) => `Rig ${id}`
const comes = (linkId: string, gaps: string[] = []) => ({
  ...{ linkId, comes: true, edgeM: 2400, nearer: false, attenuationDb: null },
  gaps: gaps.map((g) => mark(g)),
})
const never = (linkId: string, gaps: string[] = [], attenuationDb = 6.2) => ({
  ...{ linkId, comes: false, edgeM: null, nearer: false, attenuationDb },
  gaps: gaps.map((g) => mark(g)),
})

describe('edges on a leg, in words', () => {
  it('are named by where they are expected, with the gap before them', () => {
    expect(edgeWords([comes('A'), comes('B', ['S03', 'S04']), never('C')], name, 'metric')).toBe(
      'The edge of Rig A is expected near 2.4 km. The edge of Rig B is expected near 2.4 km, and a gap before it at S03 and S04.',
    )
    expect(edgeWords([], name, 'metric')).toBe('')
  })

  it('nearer than any mark are not given a place', () => {
    expect(edgeWords([{ ...comes('A'), edgeM: 300, nearer: true }], name, 'metric')).toBe(
      'Rig A is expected to be lost at the nearest mark already, at 300 m.',
    )
  })

  it('that do not come: heard all the way is said only where there is no gap on the way', () => {
    expect(noEdgeWords([never('A'), never('B', [], 9)], name)).toBe(
      'Rig A and Rig B should be heard all the way to the last mark: the edge will not come. It would with 9 dB of attenuation, as much less power, or a longer leg.',
    )
    expect(noEdgeWords([never('A', ['S05']), never('B')], name)).toMatch(
      /^Rig B should be heard all the way to the last mark; Rig A should be heard at the last mark, but likely not at S05 before it: /,
    )
    expect(noEdgeWords([never('A', ['1', '2', '3', '4', '5'])], name)).toMatch(/not at 5 marks before it/)
    expect(noEdgeWords([comes('A')], name)).toBe('')
  })
})
