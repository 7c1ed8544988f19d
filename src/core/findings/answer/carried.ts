import { median } from '@/core/stats/numeric/median'
import type { RunLog } from '@/core/trial'

/** What a line carried with one link, in one direction. */
export interface CarriedBy {
  linkId: string
  what: 'throughput' | 'delay'
  values: number[]
  /** Readings that somebody's contract or line may have capped. */
  capped: number
}

/** Throughput and delay by link, most readings first. */
export function carriedOf({ events }: Pick<RunLog, 'events'>): CarriedBy[] {
  const found = new Map<string, CarriedBy>()
  for (const { body } of events) {
    if (body.kind !== 'carried') continue
    const key = `${body.linkId} ${body.what}`
    const own = found.get(key) ?? { linkId: body.linkId, what: body.what, values: [], capped: 0 }
    found.set(key, own)
    own.values.push(body.value)
    if (body.cap !== null && body.value >= 0.95 * body.cap) own.capped++
  }
  return [...found.values()].sort((a, b) => b.values.length - a.values.length)
}

export const CARRIED_UNIT = { throughput: 'Mbit/s', delay: 'ms' } as const

/** "21.4 Mbit/s (18.0 to 24.8, 5 readings)". */
export function carriedText({ what, values, capped }: CarriedBy): string {
  const show = (v: number) => v.toFixed(v < 10 ? 1 : 0)
  const n = values.length === 1 ? 'one reading' : `${values.length} readings`
  const cap = capped > 0 ? `, ${capped} of them at what the line allows` : ''
  return `${show(median(values))} ${CARRIED_UNIT[what]} (${show(Math.min(...values))} to ${show(Math.max(...values))}, ${n}${cap})`
}
