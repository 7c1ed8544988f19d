'use client'

import { Area, Line } from 'recharts'
import type { Direction } from '@/core/kit'
import type { Units } from '@/core/units'
import { rigLook } from '@/ui/theme/palette'
import type { DrawnLevels } from './drawnLevels'
import { onAxis, roundDomain } from '../figures/chartAxes'
import { DistanceChart } from '../figures/DistanceChart'
import { EndLetter, intervalDot, IntervalMarks } from '../figures/intervalDots'

interface Props {
  levels: DrawnLevels
  looks: number[]
  direction: Direction
  /** The unit of levels: dB over S9, dBm. */
  unit: string
  units: Units
}

/**
 * Level against distance: every report as the interval that it is, the fitted line and its band, both schools
 * beside it.
 */
export function LevelChart({ levels, looks, direction, unit, units }: Props) {
  const { links } = levels
  const groups = levels.groups.filter((g) => g.direction === direction)
  const lookOf = (linkId: string) => rigLook(looks[links.findIndex((l) => l.id === linkId)]!)
  const distances = groups[0]?.line.map((p) => p.distanceM) ?? []
  const [near, far] = [distances[0] ?? 100, distances.at(-1) ?? 1000]
  const start = groups.length > 0 ? Math.max(...groups.map((g) => g.line[0]!.level)) : 0
  const rows = distances.map((m, i) => ({
    x: onAxis(m, units),
    ...Object.fromEntries(
      groups.flatMap((g) => [
        [g.linkId, g.line[i]!.level],
        [`${g.linkId} band`, [g.line[i]!.low, g.line[i]!.high]],
      ]),
    ),
    free: start - 20 * Math.log10(m / near),
    plane: start - 40 * Math.log10(m / near),
  }))
  const points = levels.points.filter((p) => p.direction === direction)
  const values = [
    ...points.map((p) => intervalDot(p.distanceM, p.low, p.high).y),
    ...groups.flatMap((g) => [g.line[0]!.level, g.line.at(-1)!.level]),
  ]
  const needed = groups.find((g) => g.needed)?.needed
  const domain = roundDomain([...values, ...(needed ? [needed.levelDb] : [])], 10)
  const x: [number, number] = [onAxis(near, units) * 0.9, onAxis(far, units)]
  return (
    <DistanceChart rows={rows} x={x} y={domain} yLabel={`level, ${unit}`} units={units}>
      {groups.map((g) => {
        const look = lookOf(g.linkId)
        return (
          <Area
            key={`${g.linkId} band`}
            dataKey={`${g.linkId} band`}
            fill={look.hue}
            fillOpacity={0.13}
            stroke="none"
            isAnimationActive={false}
          />
        )
      })}
      <Line dataKey="free" stroke="var(--soft)" strokeDasharray="1 4" dot={false} isAnimationActive={false} />
      <Line
        dataKey="plane"
        stroke="var(--soft)"
        strokeDasharray="8 5"
        dot={false}
        isAnimationActive={false}
      />
      {groups.map((g) => {
        const look = lookOf(g.linkId)
        return (
          <Line
            key={g.linkId}
            dataKey={g.linkId}
            stroke={look.hue}
            strokeDasharray={look.dash}
            strokeWidth={2.5}
            dot={false}
            isAnimationActive={false}
          />
        )
      })}
      {groups.map((g) => {
        const { hue } = lookOf(g.linkId)
        const end = rows.at(-1)!
        const letter = links.find((l) => l.id === g.linkId)!.letter
        return <EndLetter key={g.linkId} x={end.x} y={g.line.at(-1)!.level} text={letter} color={hue} />
      })}
      {groups.map((g, k) => {
        const { hue } = lookOf(g.linkId)
        const dots = points
          .filter((p) => p.linkId === g.linkId)
          .map((p) => {
            // A little apart, so that links at one mark do not hide each other.
            const x = onAxis(p.distanceM, units) * 1.012 ** (k - (groups.length - 1) / 2)
            return intervalDot(x, p.low, p.high)
          })
        return <IntervalMarks key={g.linkId} dots={dots} color={hue} bar={0.55} />
      })}
    </DistanceChart>
  )
}
