import { describe, expect, it } from 'vitest'
import { acrossPlaces, placePairWords, ratioOf, type AskedFrom } from './acrossPlaces'

const size = (value: number | null, low: number | null, high: number | null) => ({ value, low, high })
type Sizes = Record<string, ReturnType<typeof size>>
const asked = (id: string, place: string, sizes: Sizes, unit: 'm' | 'dB' = 'm'): AskedFrom => ({
  id,
  place,
  rigs: Object.fromEntries(Object.keys(sizes).map((name) => [`${id} ${name}`, `base ${name}`])),
  answer: {
    axis: { unit, label: '' },
    lines: Object.entries(sizes).map(([name, s]) => ({
      ...s,
      linkId: `${id} ${name}`,
      letter: 'A',
      name,
      text: '',
      note: '',
      ways: [],
    })),
  },
})
const said = (...places: AskedFrom[]) => acrossPlaces(places).map(placePairWords)

describe('two places of a base', () => {
  it('are compared by the ratio of what was found at each, with limits from the limits of both', () => {
    // By hand: lg 3000 - lg 1000 = ln 3; both intervals are a factor of 1.5 wide each way, so the ratio's is
    // exp(sqrt(2) ln 1.5) = 1.7742.
    const r = ratioOf(size(3000, 2000, 4500), size(1000, 1000 / 1.5, 1500), 1)!
    expect(r.estimate).toBeCloseTo(3, 9)
    expect(r.low).toBeCloseTo(3 / 1.7742, 3)
    expect(r.high).toBeCloseTo(3 * 1.7742, 3)
    expect(ratioOf(size(3000, null, 4500), size(1000, 700, 1500), 1)!.low).toBe(0)
    expect(ratioOf(size(3000, 2000, null), size(1000, 700, 1500), 1)!.high).toBeNull()
    expect(ratioOf(size(null, 2000, null), size(1000, 700, 1500), 1)).toBeNull()
  })
  it('are told apart only where the interval leaves out one', () => {
    const hill = asked('h', 'Hill', { Handheld: size(3000, 2000, 4500) })
    const roof = asked('r', 'Roof', { Handheld: size(1000, 667, 1500) })
    expect(said(hill, roof)).toEqual(['Handheld gets 3.0 times as far from Hill as from Roof (1.7 to 5.3).'])
    expect(said(roof, hill)).toEqual(['Handheld gets 3.0 times as far from Hill as from Roof (1.7 to 5.3).'])
    const near = asked('n', 'Quay', { Handheld: size(1200, 800, 1800) })
    expect(said(near, roof)).toEqual(['Handheld: cannot tell Quay from Roof yet (0.7 to 2.1 times as far).'])
  })
  it('with one never lost and the other lost long before are told apart too, without a figure', () => {
    const never = asked('h', 'Hill', { Handheld: size(null, 2600, null) })
    expect(said(never, asked('r', 'Roof', { Handheld: size(1000, 667, 1500) }))).toEqual([
      'Handheld gets farther from Hill than from Roof.',
    ])
    expect(said(asked('r', 'Roof', { Handheld: size(3000, 2000, 4000) }), never)).toEqual([
      'Handheld: cannot tell Roof from Hill yet.',
    ])
  })
  it('of several links hold together, so each is told later than it would be alone', () => {
    // Alone this ratio's interval is 1.02 to 2.2; of three together it reaches below one.
    const barely = (v: number) => size(v, v / 1.31, v * 1.31)
    const [hill, roof] = [1500, 1000].map((v, i) => asked(`${i}`, i ? 'Roof' : 'Hill', { A: barely(v) }))
    expect(said(hill!, roof!)[0]).toMatch(/^A gets 1\.5 times as far/)
    const three = (v: number) => ({ A: barely(v), B: barely(v), C: barely(v) })
    expect(said(asked('h', 'Hill', three(1500)), asked('r', 'Roof', three(1000)))[0]).toMatch(
      /^A: cannot tell/,
    )
  })
  it('say nothing where rigs have nothing in common, or the answer is no distance', () => {
    const hill = asked('h', 'Hill', { Handheld: size(3000, 2000, 4500) })
    expect(acrossPlaces([hill, asked('r', 'Roof', { Mobile: size(1000, 667, 1500) })])).toEqual([])
    expect(acrossPlaces([hill, asked('r', 'Roof', { Handheld: size(-90, -95, -85) }, 'dB')])).toEqual([])
    expect(acrossPlaces([hill])).toEqual([])
  })
})
