import { listenerOf, type Direction } from '@/core/kit/rig/rig'
import { readReport } from '@/core/reports/readReport'
import { isInDb, levelCell } from '@/core/reports/toCell'
import type { Scale } from '@/core/reports/scale'
import { betaBinomialDifference, type CountAt, type CountDifference } from '@/core/stats/betaBinomial'
import { notHeardCell, type LevelCell } from '@/core/stats/levelCell'
import { orderedProbit, type OrderedDifference } from '@/core/stats/orderedProbit'
import {
  otherStationsDifference,
  type OtherStationsDifference,
  type OtherStationsPair,
} from '@/core/stats/otherStationsDifference'
import { exactSign } from '@/core/stats/exactSign'
import type { RunLog } from '@/core/trial/foldEntries'
import type { FindingsInput, ReadCheck } from '../input'
import { place } from '../wins'

const pairsOf = (input: FindingsInput) =>
  input.links.flatMap((a, i) => input.links.slice(i + 1).map((b) => ({ a: a.id, b: b.id })))

/** Pairs of links on a scale that has an order and no dB. */
export function orderedDifferences(
  input: FindingsInput,
  checks: readonly ReadCheck[],
): { a: string; b: string; found: OrderedDifference }[] {
  const scales = input.directions.map((d) => input.scales[listenerOf(d)])
  if (scales.some((s) => isInDb(s) || s.kind === 'count' || s.kind === 'comparative' || s.kind === 'level'))
    return []
  return pairsOf(input).flatMap(({ a, b }) => {
    // A direction at a mark is a listener of its own.
    const marks = input.marks.flatMap((m) =>
      input.directions.map((d) => {
        const of = (link: string) =>
          checks
            .filter((c) => c.markId === m.id && c.direction === d && c.linkId === link)
            .flatMap((c) => place(c.reading) ?? [])
        return { a: of(a), b: of(b) }
      }),
    )
    const found = orderedProbit(marks, new Set(marks.flatMap((m) => [...m.a, ...m.b])).size)
    return found ? [{ a, b, found }] : []
  })
}

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
  found: OtherStationsDifference | null
}

/** Steps that a stranger's meter may have, dB. */
const STEPS = [3, 3.75, 4.5, 5.25, 6]

const otherStationsScale = (scale: Scale): Scale =>
  'strength' in scale
    ? { ...scale, strength: { ...scale.strength, by: 'stranger', stepDb: null, calibrated: false } }
    : scale

/**
 * What other stations said of two links: each station against itself, its meter's step unknown. Relative
 * only: their power, their place and their meter are not ours. "The same" is a draw; "gone" or not heard is
 * below the lowest step.
 */
export function otherStationsOf(input: FindingsInput, log: Pick<RunLog, 'events'>): OtherStations[] {
  const said = log.events.flatMap(({ body }) =>
    body.kind === 'station' && body.linkId !== null ? [{ ...body, linkId: body.linkId }] : [],
  )
  return input.directions.flatMap((direction) =>
    pairsOf(input).flatMap(({ a, b }): OtherStations[] => {
      const here = said.filter((s) => s.direction === direction)
      const names = [...new Set(here.map((s) => s.name.trim().toLowerCase()))]
      const scale = otherStationsScale(input.scales[listenerOf(direction)])
      const result: OtherStations = { a, b, direction, wins: 0, draws: 0, losses: 0, p: null, found: null }
      const stations: OtherStationsPair[] = []
      for (const name of names) {
        const last = (link: string) =>
          here.filter((s) => s.name.trim().toLowerCase() === name && s.linkId === link).at(-1)
        const [x, y] = [last(a), last(b)]
        if (!x || !y) continue
        const [rx, ry] = [readReport(x.text, scale), readReport(y.text, scale)]
        const [px, py] = [place(rx), place(ry)]
        if (px === null || py === null) continue
        if (px > py) result.wins++
        else if (px < py) result.losses++
        else result.draws++
        const pairs = STEPS.flatMap((step) => {
          const cellOf = (r: typeof rx): LevelCell | null =>
            r.state === 'not heard' ? notHeardCell(-8.5 * step, 3) : levelCell(r, scale, step)
          const [ca, cb] = [cellOf(rx), cellOf(ry)]
          return ca && cb ? [{ a: ca, b: cb }] : []
        })
        if (pairs.length > 0) stations.push(pairs)
      }
      const n = result.wins + result.losses
      if (n + result.draws === 0) return []
      return [
        {
          ...result,
          p: n >= 5 ? exactSign(result.wins, result.losses) : null,
          found: otherStationsDifference(stations),
        },
      ]
    }),
  )
}
