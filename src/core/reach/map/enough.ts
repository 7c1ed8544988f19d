import type { Place } from '@/core/geo'
import type { ReachMapMaker } from './chanceField'
import { drawnShares, shareOf, type Share } from './jointDraws'
import { askedPlaces, drawnCover, knownOf, placesOfArea, wholeMap, type ReachMapAsk } from './reachMap'

/** Whether what a link covers is enough. */
export interface Enough {
  share: Share
  /** Chance that it covers the share that is needed, 0 to 1. */
  chance: number
}

/** Places that stand for what is to be covered: the areas together, or the whole map where there are none. */
export const placesToCover = (maker: ReachMapMaker, { areas }: Pick<ReachMapAsk, 'areas'>): Place[] =>
  areas.length > 0 ? areas.flatMap(placesOfArea) : wholeMap(maker)

/**
 * What each of several links covers of the areas that are to be covered together, or of the whole map where there are
 * none, and the chance that it is as much as is needed. Each is drawn with the same chances, so that what differs
 * between them is theirs.
 * @param needed share, 0 to 1
 */
export function enoughOf(maker: ReachMapMaker, ask: ReachMapAsk, needed: number): Enough[] {
  const at = placesToCover(maker, ask)
  const name = `enough of ${ask.areas.map((a) => a.id).join()}`
  return ask.links.map((link) => {
    const one = { ...ask, links: [link] }
    const places = askedPlaces(maker, one)(at)
    const draws = drawnCover(maker, one, name, places)
    const known = knownOf(places)
    const shares = drawnShares(draws, 1, (by) => by(0), known)
    return {
      share: shareOf(shares),
      chance: shares.filter((s) => s >= needed).length / shares.length,
    }
  })
}

/** What a rig is to whoever carries it: nothing is said of what is not known. */
export interface RigBurden {
  weightG: number | null
  wornMm: number | null
  powerW: number
}

/** Less of a burden: lighter, then shorter, then of less power; what is not known on both sides decides nothing. */
function lessBurden(a: RigBurden, b: RigBurden): number {
  for (const key of ['weightG', 'wornMm', 'powerW'] as const) {
    const [x, y] = [a[key], b[key]]
    if (x !== null && y !== null && x !== y) return x - y
  }
  return 0
}

/** Of those that are surely enough the one of least burden; null where none is. @param certainty 0 to 1 */
export function leastThatIsEnough<T extends { enough: Enough; burden: RigBurden }>(
  of: readonly T[],
  certainty: number,
): T | null {
  return (
    [...of].filter((o) => o.enough.chance >= certainty).sort((a, b) => lessBurden(a.burden, b.burden))[0] ??
    null
  )
}
