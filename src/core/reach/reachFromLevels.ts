import { normalQuantile } from '@/core/stats/normal'
import { quickNormalCdf } from '@/core/stats/quickNormalCdf'
import { sortedQuantile } from '@/core/stats/sortedQuantile'
import type { LevelFit, LevelParameters } from './levelModel'

/** The level that a copy by the rule needs, and how soft that edge is, dB. */
export interface NeededLevel {
  levelDb: number
  softDb: number
}

/** How far the level of a link in a direction holds. */
export interface LevelReach {
  chance: number
  estimateM: number
  /** 5 and 95 per cent points. */
  lowM: number
  highM: number
}

/** A fitted line of level against distance, with the 90 % band of the median. */
export interface LevelLine {
  distanceM: number
  level: number
  low: number
  high: number
}

/** Beyond this nothing is said, m. */
const FARTHEST_M = 2e6

function reachOf(p: LevelParameters, group: number, needed: NeededLevel, chance: number): number {
  const spread = Math.hypot(p.shadowDb, p.linkDb, p.callDb, needed.softDb)
  const lg = (p.levels[group]! - needed.levelDb - normalQuantile(chance) * spread) / (10 * p.slope)
  return Math.min(FARTHEST_M, 1000 * 10 ** lg)
}

/**
 * Reach from levels: the distance at which a call on ground like this has the needed level with the stated chance, all
 * spreads counted (shadowing, link, call, the edge's own softness). Its interval from draws of the posterior.
 * @param chance 0 to 1
 */
export function reachFromLevels(
  fit: LevelFit,
  group: string,
  needed: NeededLevel,
  chance: number,
): LevelReach | null {
  const at = fit.groups.indexOf(group)
  if (at < 0) return null
  const all = fit.draws.map((p) => reachOf(p, at, needed, chance)).sort((a, b) => a - b)
  return {
    chance,
    estimateM: sortedQuantile(all, 0.5),
    lowM: sortedQuantile(all, 0.05),
    highM: sortedQuantile(all, 0.95),
  }
}

const chanceAt = (p: LevelParameters, group: number, needed: NeededLevel, lgKm: number) =>
  quickNormalCdf(
    (p.levels[group]! - 10 * p.slope * lgKm - needed.levelDb) /
      Math.hypot(p.shadowDb, p.linkDb, p.callDb, needed.softDb),
  )

/**
 * Reach from one handset to another by way of a relay, both as far from it: the distance at which the chance of getting in times
 * that of getting out falls to the stated one. The two stand in different places, so their ground is not shared.
 */
export function reachThroughRelay(
  fit: LevelFit,
  way: { inGroup: string; outGroup: string; inNeeded: NeededLevel; outNeeded: NeededLevel },
  chance: number,
): LevelReach | null {
  const [i, o] = [fit.groups.indexOf(way.inGroup), fit.groups.indexOf(way.outGroup)]
  if (i < 0 || o < 0) return null
  const all = fit.draws
    .map((p) => {
      let [low, high] = [-2, Math.log10(FARTHEST_M / 1000)]
      for (let k = 0; k < 40; k++) {
        const lg = (low + high) / 2
        const both = chanceAt(p, i, way.inNeeded, lg) * chanceAt(p, o, way.outNeeded, lg)
        if (both > chance) low = lg
        else high = lg
      }
      return 1000 * 10 ** low
    })
    .sort((a, b) => a - b)
  return {
    chance,
    estimateM: sortedQuantile(all, 0.5),
    lowM: sortedQuantile(all, 0.05),
    highM: sortedQuantile(all, 0.95),
  }
}

/** The fitted line of a group with the 90 % band of its median, at distances above nought, m. */
export function levelLine(fit: LevelFit, group: string, distancesM: readonly number[]): LevelLine[] {
  const at = fit.groups.indexOf(group)
  if (at < 0) return []
  const of = (p: LevelParameters, m: number) => p.levels[at]! - 10 * p.slope * Math.log10(m / 1000)
  return distancesM.map((distanceM) => {
    const all = fit.draws.map((p) => of(p, distanceM)).sort((a, b) => a - b)
    return {
      distanceM,
      level: sortedQuantile(all, 0.5),
      low: sortedQuantile(all, 0.05),
      high: sortedQuantile(all, 0.95),
    }
  })
}
