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

interface MarkProps {
  cx?: number
  cy?: number
  payload?: IntervalDot
  color: string
}

/** A small square where both ends are known; where one is open an empty triangle that points that way. */
export function IntervalMark({ cx = 0, cy = 0, payload, color }: MarkProps) {
  if (!payload || payload.kind === 'both')
    return <rect x={cx - 2.5} y={cy - 2.5} width={5} height={5} fill={color} />
  const tip = payload.kind === 'at most' ? 8 : -8
  return <path d={`M${cx - 5} ${cy}h10l-5 ${tip}z`} fill="var(--paper)" stroke={color} strokeWidth={1.5} />
}
