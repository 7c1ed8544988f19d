import type { Place } from '@/core/geo'
import type { Direction, Link } from '@/core/kit'
import type { PredictionSettings } from '@/core/reach'
import { enoughOf } from '@/core/reach/map/enough'
import { checkPlaces, nextOnMap } from '@/core/reach/map/nextOnMap'
import type { ReachMapAsk } from '@/core/reach/map/reachMap'
import { radiusFrom, sitesTogether, type OtherSite, type SiteMakers } from '@/core/reach/map/sitesTogether'
import { togetherLayers } from '@/core/reach/map/together'
import type { CoveredGround } from '@/core/terrain'
import { pictureOf, reachAt, type MapBase, type ReachMaps } from './reachMaps'

/** What a page asks of maps of reach. @param loaded the ground as it is by now */
export function reachApi(maps: ReachMaps, loaded: () => CoveredGround) {
  let mapsAsked = 0

  /** Between steps of long work what else is asked goes first; where that is another map the work is given up. */
  function givenWay(): () => Promise<void> {
    const asked = mapsAsked
    return async () => {
      await new Promise((resolve) => setTimeout(resolve))
      if (mapsAsked !== asked) throw new Error('another map was asked for meanwhile')
    }
  }

  /** Maps about the base and about each site, as far out as the base's own reaches. */
  const makersAbout = (base: Place, radiusM: number): SiteMakers => ({
    base: maps.maker(loaded(), { place: base }, radiusM),
    at: ({ id, place }) => maps.maker(loaded(), { place, from: id }, radiusFrom(base, place, radiusM)),
    othersFirst: givenWay(),
  })

  return {
    /** The map of reach round a base; with every so many cells it is coarse and quick, or fine. */
    reachMap(base: MapBase, radiusM: number, ask: ReachMapAsk) {
      mapsAsked++
      return maps.map(loaded(), base, radiusM, ask)
    },

    /** What each of several links covers of what is to be covered, and the chance that it is as much as is needed. */
    enough: (base: MapBase, radiusM: number, ask: ReachMapAsk, needed: number) =>
      enoughOf(maps.maker(loaded(), base, radiusM), ask, needed),

    /** What other sites would add to the base, and what all cover together. */
    sitesTogether: (base: Place, radiusM: number, ask: ReachMapAsk, sites: OtherSite[], needed: number) =>
      sitesTogether(makersAbout(base, radiusM), loaded(), base, ask, sites, needed),

    /** What is covered from the base and other sites together, to be drawn. */
    async reachTogether(base: Place, radiusM: number, ask: ReachMapAsk, sites: OtherSite[]) {
      const about = makersAbout(base, radiusM)
      const makers = [about.base]
      for (const site of sites) {
        await about.othersFirst()
        makers.push(about.at(site))
      }
      return togetherLayers(makers, ask)
    },

    /** What the next check would best be, for what a map is asked. */
    nextBest: (
      base: Place,
      radiusM: number,
      ask: ReachMapAsk,
      marks: readonly (Place & { id: string })[],
      reportDb: number | null,
    ) =>
      nextOnMap(
        maps.maker(loaded(), { place: base }, radiusM),
        ask,
        checkPlaces(base, marks, ask.routes, ask.areas),
        reportDb,
      ),

    /** The chance of copy round a base as a grid, and as a picture. */
    async reachGrid(
      base: MapBase,
      radiusM: number,
      link: Link,
      directions: Direction[],
      settings: PredictionSettings,
      ink: [number, number, number],
    ) {
      const grid = maps.grid(maps.maker(loaded(), base, radiusM), link, directions, settings)
      return { grid, png: await pictureOf(grid, ink) }
    },

    /** What to expect at one place of links. */
    reachAt: (
      base: MapBase,
      place: Place,
      links: Link[],
      directions: Direction[],
      settings: PredictionSettings,
    ) => reachAt(loaded(), base, place, links, directions, settings),
  }
}
