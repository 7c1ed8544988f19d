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
 * Reach from one handset to another by way of a relay, both as far from it: the distance at which the chance
 * of getting in times that of getting out falls to the stated one. The two stand in different places, so
 * their ground is not shared.
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

/**
 * The fitted line of a group, the mean of its draws and so straight over lg distance, with the 90 % band of
 * that line. Draws are some hundred, so the band is their standard deviation at each distance times their own
 * 5 and 95 per cent points, taken over all distances together.
 * @param distancesM above nought, m
 */
export function levelLine(fit: LevelFit, group: string, distancesM: readonly number[]): LevelLine[] {
  const at = fit.groups.indexOf(group)
  if (at < 0) return []
  const n = fit.draws.length
  const all = distancesM.map((distanceM) => {
    const levels = fit.draws.map((p) => p.levels[at]! - 10 * p.slope * Math.log10(distanceM / 1000))
    const level = levels.reduce((sum, v) => sum + v, 0) / n
    const sd = Math.sqrt(levels.reduce((sum, v) => sum + (v - level) ** 2, 0) / n)
    const apart = levels.map((v) => (sd > 0 ? (v - level) / sd : 0)).sort((a, b) => a - b)
    return {
      distanceM,
      level,
      sd,
      apart: [sortedQuantile(apart, 0.05), sortedQuantile(apart, 0.95)] as const,
    }
  })
  const end = (k: 0 | 1) => all.reduce((sum, p) => sum + p.apart[k], 0) / all.length
  const [low, high] = [end(0), end(1)]
  return all.map(({ distanceM, level, sd }) => ({
    distanceM,
    level,
    low: level + low * sd,
    high: level + high * sd,
  }))
}
