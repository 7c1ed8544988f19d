import { describe, expect, it } from 'vitest'
import { direct } from '@/core/geo'
import { BASE, LINK, TERRAIN } from '@/core/testing/flatGround'
import { link, rig } from '@/core/testing/plans'
import { BETWEEN_BASES, correctedBy } from '../correction/correction'
import { learnCorrection } from '../correction/learnCorrection'
import { linkKey } from '../linkKey'
import { USUAL_PREDICTION } from '../predict'
import { ReachMapMaker } from './chanceField'
import { enoughOf } from './enough'
import { worldDraws } from './worldDraws'
import { rasterAbout, rasterGround } from './mapRaster'
import { reachMap, type ReachMapAsk } from './reachMap'
import { radiusFrom, sitesTogether, type OtherSite, type SitesTogether } from './sitesTogether'
import { pairsSentence, sitesSentence } from './siteWords'

const GROUND = { terrain: TERRAIN, cover: null }
const maker = new ReachMapMaker(rasterGround(TERRAIN, null, rasterAbout(TERRAIN, BASE, 6000)))

/** Marks out to 3 km on one way, the last of them silent. */
const seen = Array.from({ length: 20 }, (_, i) => {
  const distanceM = 300 * (1 + (i % 10))
  const copied = i % 10 < 6
  return {
    ...{ checkId: `c${i}`, key: linkKey(LINK), distanceM, predictedDb: 24 - 0.006 * distanceM, meter: null },
    direction: i < 10 ? ('to base' as const) : ('from base' as const),
    place: direct(BASE, 90, distanceM),
    lower: copied ? 0 : -Infinity,
    upper: copied ? Infinity : 0,
  }
})
const CORRECTION = learnCorrection(seen)!
const settings = { ...USUAL_PREDICTION, correction: CORRECTION }

/** A square about a place. */
const about = (bearing: number, distanceM: number, halfDeg: number) => {
  const { lat, lon } = direct(BASE, bearing, distanceM)
  const [w, e, s, n] = [lon - 1.5 * halfDeg, lon + 1.5 * halfDeg, lat - halfDeg, lat + halfDeg]
  return [[[w, s], [e, s], [e, n], [w, n], [w, s]] as [number, number][]] // prettier-ignore
}
const ask: ReachMapAsk = {
  ...{
    links: [LINK],
    directions: ['to base', 'from base'],
    settings,
    reliability: 0.9,
    every: 2,
    routes: [],
  },
  areas: [{ id: 'valley', rings: about(90, 4500, 0.012) }],
}
const inside: OtherSite = { id: 'inside', place: direct(BASE, 90, 4200) }
const away: OtherSite = { id: 'away', place: direct(BASE, 270, 5500) }
const made = new Map<string, ReachMapMaker>()
const makers = {
  base: maker,
  othersFirst: () => Promise.resolve(),
  at: ({ id, place }: OtherSite) => {
    const about = rasterAbout(TERRAIN, place, radiusFrom(BASE, place, 6000))
    const found = made.get(id) ?? new ReachMapMaker(rasterGround(TERRAIN, null, about), id)
    made.set(id, found)
    return found
  },
}
const together = (sites: OtherSite[], asked = ask) => sitesTogether(makers, GROUND, BASE, asked, sites, 0.5)
const found = await together([away, inside])
const of = (id: string, f: SitesTogether = found) => f.sites.find((s) => s.id === id)!

describe('other sites together with a base', () => {
  it('the share of the base alone is the one that the map tells, to the last digit', () => {
    const [alone] = enoughOf(maker, ask, 0.8)
    expect(found.base).toEqual(alone!.share)
  })

  it('the share from a site alone is the one that its own map tells, whatever other sites are tried', async () => {
    const map = reachMap(makers.at(inside), ask)
    expect(of('inside').alone).toEqual(map.areas[0]!.links[0])
    expect((await together([inside])).sites[0]!.alone).toEqual(of('inside').alone)
  })

  it('a site in the area covers more of it than the base, one on the other side adds nothing', () => {
    expect(of('inside').alone.median).toBeGreaterThan(found.base.median + 0.1)
    expect(of('away').withBase.median).toBe(found.base.median)
    expect(found.order.map((o) => o.id)).toEqual(['inside', 'away'])
  })

  it('together is never less than alone, at least two never more than at least one, in every draw', () => {
    for (const { alone, withBase } of found.sites) {
      for (const q of ['low', 'median', 'high'] as const) {
        expect(withBase[q]).toBeGreaterThanOrEqual(Math.max(alone[q], found.base[q]))
      }
    }
    expect(found.atLeastOne.median).toBeGreaterThanOrEqual(found.order.at(-1)!.share.median)
    expect(found.atLeastTwo.median).toBeLessThanOrEqual(found.atLeastOne.median)
    expect(found.order.at(-1)!.share).toEqual(found.atLeastOne)
    // Enough as a relay is never likelier than as a second base, which needs no link between the two.
    for (const { enough, withBase } of found.sites) {
      expect(enough.asRelay).toBeLessThanOrEqual(enough.asBase)
      expect(enough.asBase > 0.5).toBe(withBase.median > 0.5)
    }
  })

  it('a relay brings a place through where it copies the base, and as far as it copies the base', async () => {
    const { linked, through, in: heard, out, alone, pairs } = of('inside')
    expect(linked).toBeGreaterThan(0.9)
    expect(through.median).toBeGreaterThan(found.base.median + 0.1)
    expect(through.median).toBeLessThanOrEqual(of('inside').withBase.median)
    expect(alone.median).toBeLessThanOrEqual(Math.min(heard.median, out.median))
    expect(pairs.median).toBeLessThanOrEqual(Math.min(heard.median, out.median))
    const unreachable: OtherSite = { id: 'unreachable', place: direct(BASE, 90, 60_000) }
    const [far] = (await together([unreachable])).sites
    // Beyond the ground that is known nothing is said of it.
    expect([far!.linked, far!.through]).toEqual([null, found.base])
  })

  it('takes from the log less of a place than the base does, and more than nothing', () => {
    const by = (share: number) => {
      const found = correctedBy(CORRECTION, linkKey(LINK), 'to base', seen[9]!.place, 4000, { share })
      return found.placeSdDb
    }
    expect(by(BETWEEN_BASES)).toBeGreaterThan(by(1))
    expect(by(BETWEEN_BASES)).toBeLessThan(by(0))
  })

  it('before any check everything is in doubt, and nothing is made up', async () => {
    const before = await together([inside], { ...ask, settings: USUAL_PREDICTION })
    const { alone } = of('inside', before)
    expect(alone.high - alone.low).toBeGreaterThan(of('inside').alone.high - of('inside').alone.low)
  })
})

describe('what is drawn of the world', () => {
  const places = Array.from({ length: 12 }, (_, i) => ({
    place: direct(BASE, 30 * i, 2000),
    distanceM: 2000,
  }))
  const one = { places, links: [LINK], correction: CORRECTION }

  it('is the same whatever links are asked of it', () => {
    const two = worldDraws({ ...one, links: [LINK, link(rig('B'))] })
    expect(worldDraws(one).shadow).toEqual(two.shadow)
  })

  it('has the spread of the shadowing far from what was logged, less of it near', () => {
    const { shadow, draws } = worldDraws({ ...one, places: [...places, seen[5]!] }, 2000)
    const spread = (p: number) => {
      const values = Array.from({ length: draws }, (_, k) => shadow[k * 13 + p]!)
      const mean = values.reduce((s, v) => s + v, 0) / draws
      return Math.sqrt(values.reduce((s, v) => s + (v - mean) ** 2, 0) / draws)
    }
    // West, opposite to the marks: nothing was logged within eight of its lengths, or hardly.
    expect(spread(9) / CORRECTION.shadowDb).toBeGreaterThan(0.9)
    expect(spread(12)).toBeLessThan(spread(9))
  })
})

describe('what is said of other sites', () => {
  const sites = [
    { id: 'inside', name: 'Mill bend', role: 'relay' as const },
    { id: 'away', name: 'Far head', role: 'candidate' as const },
  ]
  const said = (f: SitesTogether, named = sites) => sitesSentence(f, named, 'the areas to be covered', 0.8)
  const share = (median: number) => ({ median, low: median - 0.1, high: median + 0.1 })

  it('names the relay that brings most with its share and interval, and the base that adds nothing', () => {
    const known: SitesTogether = {
      ...found,
      base: share(0.36),
      sites: [
        { ...of('inside'), through: share(0.7), linked: 0.8, enough: { asBase: 0.3, asRelay: 0.21 } },
        { ...of('away'), withBase: share(0.365) },
      ],
    }
    expect(said(known)).toBe(
      'Through Mill bend as a relay 70 % (60 to 80) of the areas to be covered comes through, in place of 36 %.' +
        ' It is the 80 % that is needed with a chance of 21 of 100.' +
        ' The relay and the base copy one another with a chance of 80 of 100.' +
        ' A second base at Far head would add nothing to speak of.',
    )
  })

  it('says how many pairs of places hear one another through each relay, and nothing where there is none', () => {
    const both = sites.map((s) => ({ ...s, role: 'relay' as const }))
    const known = {
      ...found,
      sites: [
        { ...of('away'), pairs: share(0.2) },
        { ...of('inside'), pairs: share(0.41) },
      ],
    }
    expect(pairsSentence(known, both, 'the map')).toBe(
      'Of all pairs of places in the map 41 % (31 to 51) hear one another through Mill bend and 20 % (10 to 30) through Far head.',
    )
    expect(pairsSentence(known, sites.slice(1), 'the map')).toBe('')
  })

  it.each([
    [null, 'The ground between Mill bend and the base is not known.'],
    [0.05, 'Mill bend as a relay would not copy the base.'],
    [0.95, 'Mill bend as a relay would bring nothing to speak of.'],
  ])('of a relay that copies the base with a chance of %s', (linked, words) => {
    const worth = { ...of('inside'), linked, through: found.base }
    expect(said({ ...found, sites: [worth] }, sites.slice(0, 1))).toBe(words)
  })

  it('a second base is said with what it brings', () => {
    const worth = { ...of('away'), withBase: share(0.5), enough: { asBase: 0, asRelay: 0 } }
    expect(said({ ...found, base: share(0.2), sites: [worth] }, sites.slice(1))).toBe(
      'With a second base at Far head 50 % (40 to 60) of the areas to be covered is covered, in place of 20 %. It is the 80 % that is needed with a chance of 0 of 100.',
    )
  })
})
