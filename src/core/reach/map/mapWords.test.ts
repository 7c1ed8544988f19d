import { describe, expect, it } from 'vitest'
import { link as linkOf, rig as rigOf } from '@/core/testing/plans'
import type { Share } from './jointDraws'
import { areaSentence, layerName, mapFacts, mapSentence, toCoverWords } from './mapWords'

const share = (median: number, low: number, high: number): Share => ({ median, low, high })
const two = (first: Share, second: Share) => ({
  knownKm2: 40,
  land: false,
  whole: {
    links: [share(0.5, 0.4, 0.6), share(0.3, 0.2, 0.4)],
    alone: { first, second, both: share(0.2, 0.1, 0.3) },
  },
})
const NAMES = ['A, Long whip,', 'B, Short whip,']
const said = (first: Share, second: Share) => mapSentence(two(first, second), NAMES, 0.9, 'metric')

describe('what a map says', () => {
  it('of one link: what it covers, and how sure that is', () => {
    const map = { knownKm2: 40, land: false, whole: { links: [share(0.31, 0.245, 0.4)], alone: null } }
    expect(mapSentence(map, NAMES, 0.9, 'metric')).toBe(
      'A, Long whip, covers 12.4 km² (9.80 to 16.0) of the 40.0 km² shown: 90 of 100 calls come through there.',
    )
    expect(mapSentence(map, NAMES, 0.5, 'imperial')).toMatch(
      /4\.79 sq mi \(3\.78 to 6\.18\) of the 15\.4 sq mi shown: 50/,
    )
    expect(mapSentence({ ...map, land: true }, NAMES, 0.9, 'metric')).toMatch(
      /of the 40\.0 km² of land shown/,
    )
    expect([true, false].map((land) => toCoverWords([], { land }))).toEqual([
      'the land on the map',
      'the map',
    ])
    expect(toCoverWords(['an area'], { land: true })).toBe('the areas to be covered')
  })
  it('of two: who wins ground, only where the intervals lie apart', () => {
    expect(said(share(0.2, 0.1, 0.3), share(0, 0, 0.002))).toBe(
      'A, Long whip, wins 8.00 km² (4.00 to 12.0) that B, Short whip, does not cover, and loses none.',
    )
    expect(said(share(0.01, 0, 0.03), share(0.2, 0.1, 0.3))).toMatch(
      /^B, Short whip, wins 8.00 km² .* that A, Long whip, does not cover, and loses 0.40 km²/,
    )
    expect(said(share(0.2, 0.05, 0.3), share(0.1, 0, 0.2))).toMatch(
      /^Not decided: A, Long whip, alone covers/,
    )
    const onLand = { ...two(share(0.2, 0.1, 0.3), share(0, 0, 0.002)), land: true }
    expect(mapSentence(onLand, NAMES, 0.9, 'metric')).toMatch(
      /wins 8\.00 km² \(4\.00 to 12\.0\) of land that/,
    )
    expect(said(share(0, 0, 0), share(0, 0, 0))).toMatch(/the same ground: neither wins any/)
  })
  it('of an area: the one that covers most first', () => {
    const area = { links: [share(0.23, 0.11, 0.36), share(0.36, 0.27, 0.48)] }
    expect(areaSentence(area, 'Race course', ['A', 'B'], 0.9)).toBe(
      'Of Race course, B covers 36 % (27 to 48), A covers 23 % (11 to 36), with 90 of 100 calls.',
    )
  })
  it('tells whoever meets the file what it was made with', () => {
    const link = linkOf(
      rigOf('A', { powerW: 2, antennaHeightM: 1.4, txMHz: 459.8 }),
      rigOf('H', { antennaHeightM: 8 }),
    )
    const facts = mapFacts([link], ['to base', 'from base'], 0.9, { checks: 264, marks: 28 })
    expect(facts[0]).toMatch(/^A, .*: 2 W at 1.4 m, base at 8 m, 459.8 MHz$/)
    expect(facts.slice(1)).toEqual([
      'the worse of both ways, 90 of 100 calls',
      'Corrected by 264 checks at 28 marks.',
    ])
    expect(mapFacts([link], ['to base'], 0.5, null).slice(1)).toEqual([
      'to base, 50 of 100 calls',
      'Before any check: the prediction alone.',
    ])
    expect(layerName({ kind: 'chance', level: 0.9, rings: [] }, [link])).toBe('A: 90 % of calls or more')
    expect(layerName({ kind: 'side', side: 'first', rings: [] }, [link, link])).toBe('only A covers it')
  })
})
