'use client'

import type { ReactNode } from 'react'
import { ComposedChart, ResponsiveContainer, XAxis, YAxis } from 'recharts'
import { distanceUnit, type Units } from '@/core/units'
import { AXIS, belowLabel, dbTicks, lgTicks, uprightDb } from './chartAxes'
import { Rules } from './Rules'

interface Props {
  /** Rows of what is drawn as lines and bands; x is the distance in the user's unit. */
  rows: readonly { x: number }[]
  /** Nearest and farthest, in the user's unit. */
  x: [number, number]
  /** Lowest and highest, dB. */
  y: [number, number]
  yLabel: string
  units: Units
  children: ReactNode
}

/** Something in dB against lg distance: the frame that every such drawing has. */
export function DistanceChart({ rows, x, y, yLabel, units, children }: Props) {
  return (
    <ResponsiveContainer width="100%" height="100%">
      <ComposedChart
        data={[...rows]}
        margin={{ top: 10, right: 24, bottom: 26, left: 12 }}
        accessibilityLayer={false}
      >
        <Rules at={dbTicks(y)} />
        <XAxis
          {...AXIS}
          dataKey="x"
          type="number"
          scale="log"
          domain={x}
          allowDataOverflow
          ticks={lgTicks(...x)}
          label={belowLabel(`distance, ${distanceUnit(units)}`)}
        />
        <YAxis {...uprightDb(y, yLabel)} />
        {children}
      </ComposedChart>
    </ResponsiveContainer>
  )
}
