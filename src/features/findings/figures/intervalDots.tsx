import { useXAxisScale, useYAxisScale } from 'recharts'

/** An interval as a chart draws it: its middle with a bar, or its one known end. */
export interface IntervalDot {
  x: number
  y: number
  kind: 'both' | 'at most' | 'at least'
  error: [number, number]
}

/** @param low, high dB; null is open, and one of them is not @param x in the unit of the axis */
export function intervalDot(x: number, low: number | null, high: number | null): IntervalDot {
  if (low !== null && high !== null) {
    const half = (high - low) / 2
    return { x, y: (low + high) / 2, kind: 'both', error: [half, half] }
  }
  return high !== null
    ? { x, y: high, kind: 'at most', error: [0, 0] }
    : { x, y: low!, kind: 'at least', error: [0, 0] }
}

interface MarksProps {
  dots: readonly IntervalDot[]
  color: string
  /** How strongly the bars are drawn, 0 to 1. */
  bar: number
}

/**
 * Intervals on a chart's own axes: a bar with a small square in its middle where both ends are known; where
 * one is open an empty triangle that points that way. One drawing for all of them, since a chart's own parts
 * for each would hold the page up.
 */
export function IntervalMarks({ dots, color, bar }: MarksProps) {
  const [xOf, yOf] = [useXAxisScale(), useYAxisScale()]
  if (!xOf || !yOf) return null
  return (
    <g className="intervals">
      {dots.map(({ x, y, kind, error }, i) => {
        const [cx, cy] = [xOf(x), yOf(y)]
        if (cx === undefined || cy === undefined) return null
        if (kind !== 'both') {
          const tip = kind === 'at most' ? 8 : -8
          return (
            <path
              key={i}
              d={`M${cx - 5} ${cy}h10l-5 ${tip}z`}
              fill="var(--paper)"
              stroke={color}
              strokeWidth={1.5}
            />
          )
        }
        return (
          <g key={i}>
            <line
              x1={cx}
              x2={cx}
              y1={yOf(y - error[0])}
              y2={yOf(y + error[1])}
              stroke={color}
              strokeOpacity={bar}
              strokeWidth={1.5}
            />
            <rect x={cx - 2.5} y={cy - 2.5} width={5} height={5} fill={color} />
          </g>
        )
      })}
    </g>
  )
}

/** A rig's letter where its line ends, in the rig's colour. */
export function EndLetter({ x, y, text, color }: { x: number; y: number; text: string; color: string }) {
  const [xOf, yOf] = [useXAxisScale(), useYAxisScale()]
  const [cx, cy] = [xOf?.(x), yOf?.(y)]
  if (cx === undefined || cy === undefined) return null
  return (
    <text x={cx + 4} y={cy + 5} fontSize={15} fontWeight={700} fill={color}>
      {text}
    </text>
  )
}
