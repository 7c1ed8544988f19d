import type { LevelFindings } from '@/core/findings'
import { everyNth } from '../figures/everyNth'

/** Levels as they are sent to be drawn: no more points, and no figure more digits, than can be seen. */
export interface DrawnLevels extends Omit<LevelFindings, 'points'> {
  points: Pick<
    LevelFindings['points'][number],
    'linkId' | 'direction' | 'distanceM' | 'low' | 'high' | 'notHeard'
  >[]
}

const tenth = (v: number) => Math.round(10 * v) / 10

export function drawnLevels(levels: LevelFindings): DrawnLevels {
  return {
    ...levels,
    points: everyNth(levels.points).map(({ linkId, direction, distanceM, low, high, notHeard }) => ({
      ...{ linkId, direction, low, high, notHeard },
      distanceM: tenth(distanceM),
    })),
    groups: levels.groups.map((g) => ({
      ...g,
      line: g.line.map((p) => ({
        distanceM: tenth(p.distanceM),
        level: tenth(p.level),
        low: tenth(p.low),
        high: tenth(p.high),
      })),
    })),
  }
}
