import { everyPair } from '@/core/everyPair'
import { listenerOf, type Direction } from '@/core/kit/rig/rig'
import type { Scale } from '@/core/reports/scale'
import { betaBinomialDifference, type CountAt, type CountDifference } from '@/core/stats/scales/betaBinomial'
import { exactSign } from '@/core/stats/exact/exactSign'
import { asLogged, type RunLog } from '@/core/trial/foldEntries'
import { checksByMark, readChecks, type FindingsInput, type ReadCheck } from '../input'
import { effectOfPosterior, type Effect } from '../joint/effects'
import { fitJoint, jointDifference, type DifferenceUnit } from '../joint/jointFit'
import { place } from '../compare/wins'

const pairsOf = (input: FindingsInput) => everyPair(input.links).map(([a, b]) => ({ a: a.id, b: b.id }))

/** Words taken down right, or packets received, of one check. */
function countOf(check: ReadCheck): { k: number; n: number } | null {
  if (check.words) {
    const { sent, taken } = check.words
    return { k: sent.filter((w, i) => w === taken[i]).length, n: sent.length }
  }
  if (check.reading.state === 'heard' && check.reading.count) return check.reading.count
  return null
}

/** Pairs of links by words or packets copied; a check not heard at all copied none of as many. */
export function countedDifferences(
  input: FindingsInput,
  checks: readonly ReadCheck[],
): { a: string; b: string; found: CountDifference }[] {
  const lg = new Map(input.marks.map((m) => [m.id, Math.log10(m.distanceM)]))
  const usual = checks.map(countOf).find((c) => c !== null)?.n
  if (!usual) return []
  const calls = checks.flatMap((c) => {
    const [count, x] = [
      countOf(c) ?? (c.reading.state === 'not heard' ? { k: 0, n: usual } : null),
      lg.get(c.markId),
    ]
    return count && x !== undefined ? [{ linkId: c.linkId, x, ...count }] : []
  })
  return pairsOf(input).flatMap(({ a, b }) => {
    const found = betaBinomialDifference(
      calls.flatMap(({ linkId, ...c }): CountAt[] =>
        linkId === a ? [{ ...c, link: 0 as const }] : linkId === b ? [{ ...c, link: 1 as const }] : [],
      ),
    )
    return found ? [{ a, b, found }] : []
  })
}

/** Two links by what other stations reported of both. */
export interface OtherStations {
  a: string
  b: string
  direction: Direction
  wins: number
  draws: number
  losses: number
  p: number | null
  /** Null below four stations whose reports bound it. */
  found: { effect: Effect; unit: DifferenceUnit; stations: number } | null
}

const otherStationsScale = (scale: Scale): Scale =>
  'strength' in scale
    ? { ...scale, strength: { ...scale.strength, by: 'stranger', stepDb: null, calibrated: false } }
    : scale

/** Fewer stations than this that say something tell no size. */
const MIN_STATIONS = 4

type Said = Extract<RunLog['events'][number]['body'], { kind: 'station' }> & { linkId: string }

const stationOf = ({ name }: Said) => name.trim().toLowerCase()

/** What each station said last of each link, as checks of a log in which every station is a mark. */
function logOfStations(input: FindingsInput, direction: Direction, said: readonly Said[]): FindingsInput {
  const last = new Map(said.map((s) => [`${stationOf(s)} ${s.linkId}`, s]))
  const checks = [...last.values()].map((s, i) =>
    asLogged(
      {
        linkId: s.linkId,
        markId: stationOf(s),
        direction,
        repeat: 1,
        text: s.text,
        calls: 1,
        remark: '',
        state: 'graded',
      },
      { id: `station ${i}`, time: '', device: '', role: 'out there' },
    ),
  )
  return {
    ...input,
    directions: [direction],
    scales: {
      ...input.scales,
      [listenerOf(direction)]: otherStationsScale(input.scales[listenerOf(direction)]),
    },
    // How far off they are nobody asks: each has a level of its own.
    marks: [...new Set(said.map(stationOf))].map((id) => ({
      id,
      name: id,
      legId: 'stations',
      legName: 'stations',
      distanceM: 1000,
      distanceSdM: null,
      alongM: 1000,
      bearingDeg: null,
      lat: null,
      lon: null,
    })),
    runs: [],
    checks,
  }
}

/**
 * What other stations said of two links: each station against itself, under the joint model with its own level and the
 * step of its meter unknown. Relative only: their power, their place and their meter are not ours. "The same"
 * is a draw; "gone" or not heard is below the lowest step.
 */
export function otherStationsOf(input: FindingsInput, log: Pick<RunLog, 'events'>): OtherStations[] {
  const all = log.events.flatMap(({ body }) =>
    body.kind === 'station' && body.linkId !== null ? [{ ...body, linkId: body.linkId }] : [],
  )
  return input.directions.flatMap((direction) => {
    const said = all.filter((s) => s.direction === direction)
    if (said.length === 0) return []
    const stations = logOfStations(input, direction, said)
    const { checks } = readChecks(stations)
    const joint = fitJoint(stations, checks)
    return pairsOf(input).flatMap(({ a, b }): OtherStations[] => {
      const counted = countedWins(checks, a, b)
      const { wins, draws, losses } = counted
      if (wins + draws + losses === 0) return []
      const found = joint && jointDifference(stations, joint, a, b, [direction])
      return [
        {
          a,
          b,
          direction,
          ...counted,
          p: wins + losses >= 5 ? exactSign(wins, losses) : null,
          found:
            found && found.used.length >= MIN_STATIONS
              ? { effect: effectOfPosterior(found.difference), unit: found.unit, stations: found.used.length }
              : null,
        },
      ]
    })
  })
}

/** Stations that gave a more, the same, or b more. */
function countedWins(checks: readonly ReadCheck[], a: string, b: string) {
  const result = { wins: 0, draws: 0, losses: 0 }
  for (const [, here] of checksByMark(checks)) {
    const [x, y] = [a, b].map((link) => {
      const check = here.find((c) => c.linkId === link)
      return check ? place(check.reading) : null
    })
    if (x == null || y == null) continue
    if (x > y) result.wins++
    else if (x < y) result.losses++
    else result.draws++
  }
  return result
}
