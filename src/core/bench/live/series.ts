import type { BodyByKind } from '../kept'
import { QUANTITIES, type QuantityId } from './statusText'
import { blocksOf, swapAnswer, type LiveReading, type SwapAnswer } from './swaps'

export type LiveEntry = BodyByKind['live']['readings'][number]

/** One quantity of one port over time. */
export interface LiveSeries {
  quantity: (typeof QUANTITIES)[number]
  /** 1 and up; null of the whole. */
  port: number | null
  readings: LiveReading[]
  answer: SwapAnswer | null
}

/** What goes into a verdict on an antenna; who else is on the mast goes into the others. */
const BESIDE: readonly QuantityId[] = ['throughput', 'delay']
export const isBeside = (id: QuantityId) => BESIDE.includes(id)

/**
 * The quantities of a session, each with what being plugged in brings to it, levels before qualities before what stands
 * beside, ports in their order.
 * @param settleS what lies so soon after a change does not count, s
 */
export function liveSeries(entries: readonly LiveEntry[], settleS: number): LiveSeries[] {
  const made = new Map<string, LiveSeries>()
  for (const e of entries)
    for (const f of e.figures) {
      const quantity = QUANTITIES.find((q) => q.id === f.quantity)
      if (!quantity) continue
      const key = `${f.quantity} ${f.port}`
      const series = made.get(key) ?? { quantity, port: f.port, readings: [], answer: null }
      series.readings.push({ atS: e.atS, state: e.state, value: f.value, capped: f.capped })
      made.set(key, series)
    }
  const rank = (s: LiveSeries) => QUANTITIES.indexOf(s.quantity) * 10 + (s.port ?? 0)
  return [...made.values()]
    .map((s) => ({ ...s, answer: swapAnswer(blocksOf(s.readings, settleS)) }))
    .sort((a, b) => rank(a) - rank(b))
}
