import type { Direction, Link } from '@/core/kit'
import {
  chanceOverSmoothGround,
  linkKey,
  meanChances,
  type LegGround,
  type PlanGround,
  isPredicted,
} from '@/core/reach'
import { readingText, type Reading } from '@/core/reports'
import { checkReader, schedule, type LoggedCheck, type Mark, type RunLog, type TrialPlan } from '@/core/trial'

/** One check as the strip draws it. */
export interface Post {
  id: string
  markName: string
  legName: string
  distanceM: number
  direction: Direction
  repeat: number
  state: 'heard' | 'not heard' | 'to do' | 'not graded' | 'not read' | 'skipped'
  /** 0 to 1, by strength; null where none was given. */
  height: number | null
  /** 0 to 5, how far the cap is filled; null where none was given. */
  readability: number | null
  /** In words, for the table and for readers. */
  said: string
  remark: string
}

/** A finding: the reach at a chance, with its interval. */
export interface Bracket {
  chance: number
  estimateM: number | null
  lowM: number | null
  highM: number | null
  label: string
}

export interface Lane {
  id: string
  letter: string
  name: string
  posts: Post[]
  /** Chance of copy against distance, as predicted before the day; the worse direction. */
  wedge: { distanceM: number; chance: number }[]
  brackets: Bracket[]
}

export interface StripModel {
  lanes: Lane[]
  nearestM: number
  farthestM: number
  /** Each post stands for several checks. */
  thin?: boolean
  /** The ground under the legs shown; null where it is not known. */
  ground:
    ({ baseGroundM: number; legs: LegGround[] } & Pick<PlanGround, 'baseAntennaM' | 'correctedBy'>) | null
}

/** Where a reading stands between the weakest and the strongest that its kind knows, 0 to 1. */
function heightOf(reading: Reading): number | null {
  if (reading.state !== 'heard') return null
  if (reading.strength) {
    const { units, overDb } = reading.strength.to
    return Math.min(1, ((units - 1) * 6 + overDb + 6) / 114)
  }
  if (reading.level) return Math.min(1, Math.max(0.05, (reading.level.to + 130) / 90))
  if (reading.count) return reading.count.k / reading.count.n
  return null
}

function postOf(check: LoggedCheck, mark: Mark, reading: Reading): Post {
  const state = check.state === 'sent' ? 'not graded' : reading.state
  return {
    id: check.id,
    markName: mark.name,
    legName: mark.legName,
    distanceM: mark.distanceM,
    direction: check.direction,
    repeat: check.repeat,
    state,
    height: heightOf(reading),
    readability: reading.state === 'heard' ? reading.readability : null,
    said: `${check.text}${state === 'heard' || state === 'not heard' ? '' : ` (${readingText(reading)})`}${
      check.calls > 1 ? `, ${check.calls} calls` : ''
    }`,
    remark: check.remark,
  }
}

const byName = (a: string, b: string) => (a < b ? -1 : a > b ? 1 : 0)

/** Ground that is known over less than this share of the strip is not drawn. */
const MIN_KNOWN = 0.02
const WEDGE_STEPS = 48

function wedgeOf(
  link: Link,
  directions: readonly Direction[],
  farthestM: number,
  legs: readonly LegGround[],
): Lane['wedge'] {
  if (!isPredicted(link)) return []
  const distances = Array.from({ length: WEDGE_STEPS + 1 }, (_, i) =>
    Math.max(1, farthestM * (i / WEDGE_STEPS) ** 2),
  )
  const overGround = meanChances(legs, linkKey(link), distances)
  if (overGround.length > 1) return overGround
  return distances.map((distanceM) => ({
    distanceM,
    chance: Math.min(...directions.map((d) => chanceOverSmoothGround(link, d, distanceM))),
  }))
}

/**
 * What the strip shows: before the run every check still to make, during it the progress, after it the result.
 * @param log null before any run
 * @param brackets findings by link id
 * @param legId only this leg; null for all
 * @param ground what the ground says of the plan; the wedge then comes from it, else from smooth ground
 */
export function stripModel(
  plan: TrialPlan,
  marks: readonly Mark[],
  log: RunLog,
  brackets: ReadonlyMap<string, Bracket[]> = new Map(),
  legId: string | null = null,
  ground: PlanGround | null = null,
): StripModel {
  const shown = marks.filter((m) => legId === null || m.legId === legId)
  const byId = new Map(shown.map((m) => [m.id, m]))
  const distances = shown.map((m) => m.distanceM)
  const farthestM = distances.length ? Math.max(...distances) : 1000
  const legs = ground?.legs.filter((l) => legId === null || l.legId === legId) ?? []
  const read = checkReader(plan.scales)
  const open = schedule(plan, log).filter((c) => c.state !== 'logged' && byId.has(c.markId))
  return {
    nearestM: distances.length ? Math.min(...distances) : 0,
    farthestM,
    ground:
      ground?.baseGroundM != null &&
      legs.some((l) => (l.ground.at(-1)?.distanceM ?? 0) > MIN_KNOWN * farthestM)
        ? {
            baseGroundM: ground.baseGroundM,
            baseAntennaM: ground.baseAntennaM,
            correctedBy: ground.correctedBy,
            legs,
          }
        : null,
    lanes: plan.links.map((link) => ({
      id: link.id,
      letter: link.letter,
      name: link.name,
      wedge: wedgeOf(link, plan.directions, farthestM * 1.12, legs),
      brackets: brackets.get(link.id) ?? [],
      posts: [
        ...log.checks
          .filter((c) => c.linkId === link.id && c.voided === null && byId.has(c.markId))
          .map((c) => postOf(c, byId.get(c.markId)!, read(c))),
        ...open
          .filter((c) => c.linkId === link.id)
          .map((c): Post => ({
            id: `${c.markId}|${c.linkId}|${c.direction}|${c.repeat}`,
            markName: c.mark.name,
            legName: c.mark.legName,
            distanceM: c.mark.distanceM,
            direction: c.direction,
            repeat: c.repeat,
            state: c.state === 'skipped' ? 'skipped' : 'to do',
            height: null,
            readability: null,
            said: c.state === 'skipped' ? 'skipped' : 'still to make',
            remark: '',
          })),
      ].sort((a, b) => a.distanceM - b.distanceM || byName(a.direction, b.direction) || a.repeat - b.repeat),
    })),
  }
}
