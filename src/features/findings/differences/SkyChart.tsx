'use client'

import { Area, Line, ReferenceLine } from 'recharts'
import type { JudgedPair } from '@/core/findings'
import type { Units } from '@/core/units'
import { onAxis, roundDomain } from '../figures/chartAxes'
import { DistanceChart } from '../figures/DistanceChart'
import { intervalDot, IntervalMarks } from '../figures/intervalDots'

interface Props {
  pair: JudgedPair
  /** What is predicted by distance. */
  line: readonly { km: number; db: number }[]
  first: string
  units: Units
}

/** What was logged of a pair by distance, and what its take-off predicts. */
export function SkyChart({ pair, line, first, units }: Props) {
  const dots = pair.points.map((p) => intervalDot(onAxis(p.distanceM, units), p.low, p.high))
  const rows = [
    ...line.map((p) => ({ x: onAxis(p.km * 1000, units), predicted: p.db })),
    ...(pair.trend?.band ?? []).map((b) => ({
      x: onAxis(10 ** b.x, units),
      median: b.median,
      band: [b.low, b.high],
    })),
  ].sort((p, q) => p.x - q.x)
  const xs = [...dots.map((d) => d.x), ...rows.map((r) => r.x)]
  const x: [number, number] = [Math.min(...xs) * 0.95, Math.max(...xs) * 1.05]
  const y = roundDomain(
    [...dots.flatMap((d) => [d.y - d.error[0], d.y + d.error[1]]), ...line.map((p) => p.db)],
    5,
  )
  return (
    <DistanceChart {...{ rows, x, y, units }} yLabel={`${first} ahead by, dB`}>
      <ReferenceLine y={0} stroke="var(--ink)" />
      <Area
        dataKey="band"
        fill="var(--accent)"
        fillOpacity={0.2}
        stroke="none"
        connectNulls
        isAnimationActive={false}
      />
      <Line
        dataKey="median"
        stroke="var(--accent)"
        strokeWidth={2.5}
        dot={false}
        connectNulls
        isAnimationActive={false}
      />
      <Line
        dataKey="predicted"
        stroke="var(--ink)"
        strokeDasharray="7 5"
        strokeWidth={2}
        dot={false}
        connectNulls
        isAnimationActive={false}
      />
      <IntervalMarks dots={dots} color="var(--ink)" bar={0.4} />
    </DistanceChart>
  )
}
