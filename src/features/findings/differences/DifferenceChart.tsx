'use client'

import { Area, Line, ReferenceArea, ReferenceLine } from 'recharts'
import type { JudgedPair } from '@/core/findings'
import type { Units } from '@/core/units'
import { onAxis, roundDomain } from '../figures/chartAxes'
import { DistanceChart } from '../figures/DistanceChart'
import { intervalDot, IntervalMarks } from '../figures/intervalDots'

interface Props {
  pair: JudgedPair
  marginDb: number
  first: string
  units: Units
}

/** The paired difference at every mark against distance, with its trend; the band of what does not matter is grey. */
export function DifferenceChart({ pair, marginDb, first, units }: Props) {
  const dots = pair.points.map((p) => {
    // The two directions of a mark a little apart.
    const x = onAxis(p.distanceM, units) * (p.direction === 'from base' ? 1.015 : 1 / 1.015)
    return intervalDot(x, p.low, p.high)
  })
  const band = (pair.trend?.band ?? []).map((b) => ({
    x: onAxis(10 ** b.x, units),
    median: b.median,
    band: [b.low, b.high],
  }))
  const xs = [...dots.map((d) => d.x), ...band.map((b) => b.x)]
  const x: [number, number] = [Math.min(...xs) * 0.92, Math.max(...xs) * 1.08]
  const domain = roundDomain(
    [...dots.flatMap((d) => [d.y - d.error[0], d.y + d.error[1]]), marginDb, -marginDb],
    5,
  )
  return (
    <DistanceChart rows={band} x={x} y={domain} yLabel={`${first} ahead by, dB`} units={units}>
      <ReferenceArea y1={-marginDb} y2={marginDb} fill="var(--rule)" fillOpacity={0.45} stroke="none" />
      <ReferenceLine y={0} stroke="var(--ink)" />
      <Area dataKey="band" fill="var(--accent)" fillOpacity={0.2} stroke="none" isAnimationActive={false} />
      <Line dataKey="median" stroke="var(--accent)" strokeWidth={2.5} dot={false} isAnimationActive={false} />
      <IntervalMarks dots={dots} color="var(--ink)" bar={0.4} />
    </DistanceChart>
  )
}
