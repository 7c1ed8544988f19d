import type { Place } from '@/core/geo'
import { linkDoubtDb } from '@/core/kit/rig/taken'
import { normalCdf } from '@/core/stats/numeric/normal'
import { normalQuantile } from '@/core/stats/numeric/normalQuantile'
import { groundProfile, type CoveredGround } from '@/core/terrain'
import { apartM, correctedBy } from '../correction/correction'
import { priorCorrection } from '../correction/learnCorrection'
import { linkKey } from '../linkKey'
import { pathOver, predict } from '../predict'
import type { ReachMapMaker } from './chanceField'
import { placesToCover } from './enough'
import { shareOf, wayKey, type AskedPlace, type Share } from './jointDraws'
import { linkDraws, ownDraws, shadowsFrom, stream, worldDraws } from './worldDraws'
import { oneWays, type OneWay } from './oneWays'
import { askedPlaces, knownOf, type ReachMapAsk } from './reachMap'

/** A place for another base, or for a relay. */
export interface OtherSite {
  id: string
  place: Place
}

/** What a site would do for the places that are to be covered. */
export interface SiteWorth {
  id: string
  /** Covered from it alone. */
  alone: Share
  /** Covered from the base or from it. */
  withBase: Share
  /** As a relay: what it hears, where it is heard, and which pairs of places hear one another through it. */
  in: Share
  out: Share
  pairs: Share
  /** Chance that it and the base copy one another, 0 to 1; null where the ground between them is not known. */
  linked: number | null
  /** Comes through to the base by itself or through the relay. */
  through: Share
  /** The chance that as much as is needed is covered with it as a second base, and comes through with it as a relay. */
  enough: { asBase: number; asRelay: number }
}

/** Several bases together. */
export interface SitesTogether {
  /** From the base alone. */
  base: Share
  sites: SiteWorth[]
  /** Covered from at least one of all, and from at least two. */
  atLeastOne: Share
  atLeastTwo: Share
  /** Sites in the order in which each adds most to the base and those before it, and what is covered by then. */
  order: { id: string; share: Share }[]
}

const BOTH: OneWay[] = ['to base', 'from base']

/** The chance that a relay at a site and the base copy one another, the base's own rig and mast at both ends. */
function linkedChance(
  ground: CoveredGround,
  base: Place,
  site: OtherSite,
  { links: [link], settings, reliability }: ReachMapAsk,
): number | null {
  const relayed = { ...link!, out: link!.base }
  const profile = groundProfile(ground.terrain, base, site.place, undefined, ground.cover)
  if (!(profile.lengthKm > 0) || profile.knownKm < profile.lengthKm) return null
  const c = settings.correction ?? priorCorrection([linkKey(link!)], [linkDoubtDb(link!, settings.gains)])
  const chances = BOTH.map((d) => {
    const { marginDb } = predict(relayed, d, pathOver(profile), { ...settings, correction: null })
    const by = correctedBy(c, linkKey(link!), d, site.place, 1000 * profile.lengthKm)
    return normalCdf((marginDb + by.db - by.callSdDb * normalQuantile(reliability)) / by.placeSdDb)
  })
  return Math.min(...chances)
}

/** Whether something holds of a place in a draw. */
type Holds = (k: number, p: number) => boolean
/** Whether a place is covered in a draw, one way of both. */
type Covers = (k: number, p: number, way: OneWay) => boolean

/** The maps of the base and of each site, as far out as the base's own reaches. */
export interface SiteMakers {
  base: ReachMapMaker
  at: (site: OtherSite) => ReachMapMaker
  /** Lets whatever else is asked go first, between one site and the next. */
  othersFirst: () => Promise<void>
}

/** How far out the map of another site goes, so that all of the base's own lies on it, m. */
export const radiusFrom = (base: Place, site: Place, radiusM: number) => radiusM + apartM(base, site)

/**
 * Coverage from the base and from each site in joint draws: what a link is off by is the same from all of them, and of
 * its shadowing a place has a part in common as seen from any two.
 */
async function coversFrom(makers: SiteMakers, ask: ReachMapAsk, sites: readonly OtherSite[]) {
  const link = ask.links[0]!
  const one = { ...ask, links: [link], directions: BOTH }
  const at = placesToCover(makers.base, ask)
  const places = askedPlaces(makers.base, one)(at)
  const n = places.length
  const world = worldDraws({ places, links: [link], ...ask.settings })
  const { c, draws } = world
  const off = linkDraws(world, link, BOTH)
  const needDb = c.callDb * normalQuantile(ask.reliability)
  const covers: Covers[] = []
  const add = (seen: readonly AskedPlace[], shadow: Float64Array) => {
    const own = ownDraws(world, seen, link)
    const flags = new Uint8Array(draws * n * BOTH.length)
    const predicted = seen.map((p) => BOTH.map((d) => p.predictedDb[wayKey(link, d)]!))
    for (let k = 0; k < draws; k++)
      for (let p = 0; p < n; p++)
        for (let w = 0; w < BOTH.length; w++)
          if (
            predicted[p]![w]! + shadow[k * n + p]! + own[k * n + p]! + off(k, w, seen[p]!.distanceM) >=
            needDb
          )
            flags[(k * n + p) * BOTH.length + w] = 1
    covers.push((k, p, way) => flags[(k * n + p) * BOTH.length + BOTH.indexOf(way)] === 1)
  }
  add(places, world.shadow)
  const from = shadowsFrom(world, places)
  for (const site of sites) {
    await makers.othersFirst()
    add(askedPlaces(makers.at(site), one)(at), from(site.id))
  }
  return { draws, known: knownOf(places), covers }
}

/**
 * What other sites would add to a base, as other bases and as relays with the base's rig and mast, and what all cover
 * together.
 * @param needed share, 0 to 1
 * @param ask of one link: the areas to be covered together, or the whole map where there are none
 */
export async function sitesTogether(
  makers: SiteMakers,
  ground: CoveredGround,
  base: Place,
  ask: ReachMapAsk,
  sites: readonly OtherSite[],
  needed: number,
): Promise<SitesTogether> {
  const { draws, known, covers } = await coversFrom(makers, ask, sites)
  const ways = oneWays(ask.directions)
  const all = Array.from({ length: draws }, (_, k) => k)
  const from =
    (s: number): Holds =>
    (k, p) =>
      ways.every((d) => covers[s]!(k, p, d))
  const fromBase = from(0)
  const count = (k: number, holds: Holds) => known.reduce((m, p) => m + (holds(k, p) ? 1 : 0), 0)
  const overDraws = (of: (k: number) => number) => shareOf(all.map(of).sort((a, b) => a - b))
  const held = (holds: Holds) => (k: number) => (known.length > 0 ? count(k, holds) / known.length : 0)
  const share = (holds: Holds) => overDraws(held(holds))
  const chanceOfEnough = (holds: Holds) => all.filter((k) => held(holds)(k) >= needed).length / draws
  const random = stream('relays')
  const worths = sites.map((site, i): SiteWorth => {
    const here = from(i + 1)
    const comesIn = (k: number, p: number) => covers[i + 1]!(k, p, 'to base')
    const goesOut = (k: number, p: number) => covers[i + 1]!(k, p, 'from base')
    const linked = linkedChance(ground, base, site, ask)
    const isLinked = all.map(() => random.uniform() < (linked ?? 0))
    const withBase: Holds = (k, p) => here(k, p) || fromBase(k, p)
    const through: Holds = (k, p) => fromBase(k, p) || (isLinked[k]! && here(k, p))
    const pairs = (k: number) => {
      const both = count(k, (_, p) => comesIn(k, p) && goesOut(k, p))
      return (count(k, comesIn) * count(k, goesOut) - both) / Math.max(1, known.length * (known.length - 1))
    }
    return {
      id: site.id,
      alone: share(here),
      withBase: share(withBase),
      in: share(comesIn),
      out: share(goesOut),
      pairs: overDraws(pairs),
      linked,
      through: share(through),
      enough: { asBase: chanceOfEnough(withBase), asRelay: chanceOfEnough(through) },
    }
  })
  const from0 = [fromBase, ...sites.map((_, i) => from(i + 1))]
  const atLeast = (m: number) => share((k, p) => from0.filter((f) => f(k, p)).length >= m)
  return {
    base: share(fromBase),
    sites: worths,
    atLeastOne: atLeast(1),
    atLeastTwo: atLeast(2),
    order: inOrder(sites, (taken) =>
      share((k, p) => fromBase(k, p) || taken.some((i) => from0[i + 1]!(k, p))),
    ),
  }
}

/** Each next the one that adds most to those before it. */
function inOrder(sites: readonly OtherSite[], shareOfAll: (taken: readonly number[]) => Share) {
  const left = new Set(sites.keys())
  const taken: number[] = []
  const order: SitesTogether['order'] = []
  while (left.size > 0) {
    const tried = [...left].map((i) => ({ i, share: shareOfAll([...taken, i]) }))
    const best = tried.reduce((a, b) => (b.share.median > a.share.median ? b : a))
    left.delete(best.i)
    taken.push(best.i)
    order.push({ id: sites[best.i]!.id, share: best.share })
  }
  return order
}
