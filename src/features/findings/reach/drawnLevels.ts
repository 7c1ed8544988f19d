import type { LevelFindings } from '@/core/findings'
import { listenerOf, type Direction, type Link } from '@/core/kit'
import type { TrialPlan } from '@/core/trial'
import { everyNth } from '../figures/everyNth'

/** Levels as they are sent to be drawn: no more points, and no figure more digits, than can be seen. */
export interface DrawnLevels extends Omit<LevelFindings, 'points'> {
  points: Pick<
    LevelFindings['points'][number],
    'linkId' | 'direction' | 'distanceM' | 'low' | 'high' | 'notHeard'
  >[]
  /** Points there are in all. */
  inAll: number
  links: Pick<Link, 'id' | 'letter' | 'name'>[]
  directions: { direction: Direction; unit: string }[]
}

const tenth = (v: number) => Math.round(10 * v) / 10

/** @param plan of the run that they are of */
export function drawnLevels(levels: LevelFindings, { links, directions, scales }: TrialPlan): DrawnLevels {
  return {
    ...levels,
    inAll: levels.points.length,
    links: links.map(({ id, letter, name }) => ({ id, letter, name })),
    directions: directions.map((direction) => {
      const scale = scales[listenerOf(direction)]
      return { direction, unit: scale.kind === 'level' ? scale.unit : 'dB over S9' }
    }),
    points: everyNth(levels.points).map(({ linkId, direction, distanceM, low, high, notHeard }) => ({
      ...{ linkId, direction, low, high, notHeard },
      distanceM: Math.round(distanceM),
    })),
    groups: levels.groups.map((g) => ({
      ...g,
      line: g.line.map((p) => ({
        distanceM: Math.round(p.distanceM),
        level: tenth(p.level),
        low: tenth(p.low),
        high: tenth(p.high),
      })),
    })),
  }
}
