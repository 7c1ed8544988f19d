'use client'

import { ComposedChart, Line, ResponsiveContainer, XAxis, YAxis } from 'recharts'
import type { AgainstPrediction } from '@/core/findings'
import { AXIS, belowLabel, dbTicks, roundDomain, uprightDb, withMinus } from '../figures/chartAxes'
import { intervalDot, IntervalMarks } from '../figures/intervalDots'
import { Rules } from '../figures/Rules'

/** Every report beside what was predicted for it; to base filled, from base hollow. */
export function PredictionChart({ found }: { found: AgainstPrediction }) {
  const dots = found.points.flatMap((p) =>
    p.low === null && p.high === null
      ? []
      : [{ ...intervalDot(p.expected, p.low, p.high), direction: p.direction }],
  )
  const x = roundDomain(
    dots.map((d) => d.x),
    10,
  )
  const y = roundDomain(
    dots.flatMap((d) => [d.y - d.error[0], d.y + d.error[1]]),
    10,
  )
  // Where the two agree: the line from one end of both axes to the other.
  const ends = [Math.max(x[0], y[0]), Math.min(x[1], y[1])]
  return (
    <ResponsiveContainer width="100%" height="100%">
      <ComposedChart
        data={ends.map((v) => ({ x: v, y: v }))}
        margin={{ top: 10, right: 24, bottom: 26, left: 12 }}
        accessibilityLayer={false}
      >
        <Rules at={dbTicks(y)} />
        <XAxis
          {...AXIS}
          dataKey="x"
          type="number"
          domain={x}
          ticks={dbTicks(x)}
          tickFormatter={withMinus}
          label={belowLabel('predicted, dBm')}
        />
        <YAxis {...uprightDb(y, 'reported, dBm')} />
        <Line dataKey="y" stroke="var(--accent)" strokeWidth={2} dot={false} isAnimationActive={false} />
        {(['to base', 'from base'] as const).map((direction) => (
          <IntervalMarks
            key={direction}
            dots={dots.filter((d) => d.direction === direction)}
            color={direction === 'to base' ? 'var(--ink)' : 'var(--soft)'}
            bar={0.4}
          />
        ))}
      </ComposedChart>
    </ResponsiveContainer>
  )
}
