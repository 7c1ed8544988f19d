import type { Answer } from '@/core/findings'
import { distanceUnit, fromAxis, toAxis, withMinus, type Units } from '@/core/units'
import { axisTicks } from '@/ui/strip'
import { dbTicks } from '../figures/chartAxes'

/** Where values of an answer lie between the left end and the right, and the figures to put under them. */
export interface AnswerAxis {
  /** 0 to 1. */
  at: (value: number) => number
  ticks: { value: number; text: string }[]
  /** What is measured, with its unit. */
  label: string
}

const ROOM = 1.1

/** All that the lines of an answer reach to. */
const valuesOf = ({ lines }: Answer) =>
  lines.flatMap((l) =>
    [l.value, l.low, l.high, ...l.ways.flatMap((w) => w.spans.flatMap((s) => [s.fromM, s.toM]))].filter(
      (v): v is number => v !== null,
    ),
  )

/** The common scale of an answer's lines; null where they are words alone. Distances are drawn by their root, as on the strip. */
export function axisOf(answer: Answer, units: Units): AnswerAxis | null {
  const values = valuesOf(answer)
  if (!answer.axis || values.length === 0) return null
  const { unit, label, key } = answer.axis
  const most = Math.max(...values.map(Math.abs))
  switch (unit) {
    case 'm': {
      const end = most * ROOM
      return {
        at: (m) => Math.min(1, Math.sqrt(Math.max(0, m) / end)),
        ticks: axisTicks(toAxis(end, units), 0, 'root').map((t) => ({
          value: fromAxis(t, units),
          text: withMinus(t),
        })),
        label: `${label}, ${distanceUnit(units)} from the base${key ? `: ${key}` : ''}`,
      }
    }
    case 'dB':
    case 'steps': {
      const end = Math.max(unit === 'dB' ? 5 : 1, most * ROOM)
      return {
        at: (v) => (v + end) / (2 * end),
        ticks: ticksOf(-end, end).map((value) => ({ value, text: withMinus(value) })),
        label: `${label}, ${unit}`,
      }
    }
    case 'share':
      return {
        at: (v) => v,
        ticks: [0, 0.25, 0.5, 0.75, 1].map((value) => ({ value, text: String(100 * value) })),
        label: `${label}, %`,
      }
    default: {
      const end = most * ROOM
      return {
        at: (v) => v / end,
        ticks: ticksOf(0, end).map((value) => ({ value, text: String(value) })),
        label: `${label}, ${unit}`,
      }
    }
  }
}

const ticksOf = (low: number, high: number): number[] =>
  high - low > 12
    ? dbTicks([low, high])
    : axisTicks(high, 0, 'even')
        .flatMap((t) => (low < 0 ? [-t, t] : [t]))
        .concat(0)
        .sort((a, b) => a - b)
