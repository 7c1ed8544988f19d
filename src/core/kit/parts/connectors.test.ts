import { describe, expect, it } from 'vitest'
import { CONNECTOR_FAMILIES, endText, familyOf, mateOf, mating, type ConnectorEnd } from './connectors'
import { solveAdapters, type OwnedAdapter } from './adapters'
import type { PartOf } from './part'

const end = (family: string, gender: 'male' | 'female', reverse = false): ConnectorEnd => ({
  family,
  gender,
  reverse,
})
const adapter = (
  name: string,
  a: ConnectorEnd,
  b: ConnectorEnd,
  free = 1,
  lossDb: number | null = null,
): OwnedAdapter => ({
  free,
  part: {
    id: name,
    kind: 'adapter',
    name,
    spec: { a, b, lossDb },
    owned: free,
    weightG: null,
    wornMm: null,
    price: null,
    note: '',
  } as PartOf<'adapter'>,
})

describe('mating', () => {
  it.each(CONNECTOR_FAMILIES.map((f) => f.id))('%s male and female mate, two of one gender do not', (id) => {
    const male = end(id, 'male')
    expect(mating(male, mateOf(male))).toEqual({ mates: true })
    expect(mating(male, male)).toMatchObject({ mates: false, why: 'gender', harms: false })
  })
  it.each([
    [end('SMA', 'male'), end('SMA', 'female', true), 'polarity'],
    [end('N', 'male'), end('N75', 'female'), 'look-alike'],
    [end('N75', 'male'), end('N', 'female'), 'look-alike'],
    [end('stud-3/8', 'male'), end('stud-M10', 'female'), 'look-alike'],
    [end('BNC', 'male'), end('BNC75', 'female'), 'look-alike'],
    [end('F', 'male'), end('FME', 'female'), 'look-alike'],
  ])('%j and %j must not be forced', (a, b, why) => {
    expect(mating(a, b)).toMatchObject({ mates: false, why, harms: true })
    expect(mating(b, a)).toMatchObject({ mates: false, why, harms: true })
  })
  it('unlike families do not fit, and an unknown one is refused', () => {
    expect(mating(end('N', 'male'), end('SMA', 'female'))).toMatchObject({ why: 'family', harms: false })
    expect(endText(end('SMA', 'female', true))).toBe('reverse SMA female')
    expect(() => familyOf('XYZ')).toThrow(/no family/)
  })
})

describe('solveAdapters', () => {
  const near = end('SMA', 'female')
  const far = end('UHF', 'male')
  it('needs none where the ends mate', () => {
    expect(solveAdapters(near, end('SMA', 'male'), [], 450)).toEqual({ solved: true, steps: [], lossDb: 0 })
  })
  it('takes the fewest, and of as few the least loss, turned round where needed', () => {
    const owned = [
      adapter('sma-n', end('SMA', 'male'), end('N', 'female')),
      adapter('n-uhf', end('UHF', 'female'), end('N', 'male')),
      adapter('poor', end('SMA', 'male'), end('UHF', 'female'), 1, 0.9),
      adapter('good', end('UHF', 'female'), end('SMA', 'male'), 1, 0.1),
    ]
    expect(solveAdapters(near, far, owned, 450)).toEqual({
      solved: true,
      lossDb: 0.1,
      steps: [{ partId: 'good', name: 'good', flipped: true }],
    })
    const two = solveAdapters(near, far, owned.slice(0, 2), 450)
    expect(two).toMatchObject({
      solved: true,
      lossDb: 0.1,
      steps: [
        { partId: 'sma-n', flipped: false },
        { partId: 'n-uhf', flipped: true },
      ],
    })
  })
  it('uses each owned one once, and says which to buy where it cannot', () => {
    // Both ways round of the one adapter would be needed, with a barrel between.
    const one = [
      adapter('sma-n', end('SMA', 'male'), end('N', 'female')),
      adapter('barrel', end('N', 'male'), end('N', 'male')),
    ]
    const socket = end('SMA', 'female')
    const once = solveAdapters(near, socket, one, 450)
    expect(once).toMatchObject({ solved: false, words: 'an adapter from SMA male to SMA male' })
    const twice = solveAdapters(near, socket, [{ ...one[0]!, free: 2 }, one[1]!], 450)
    expect(twice).toMatchObject({
      solved: true,
      steps: [{ partId: 'sma-n' }, { partId: 'barrel' }, { partId: 'sma-n', flipped: true }],
    })
    expect(
      solveAdapters(near, far, [{ ...adapter('a', end('SMA', 'male'), end('UHF', 'female')), free: 0 }], 450)
        .solved,
    ).toBe(false)
  })
})
