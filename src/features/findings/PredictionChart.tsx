'use client'

import { CartesianGrid, ComposedChart, ErrorBar, ReferenceLine, ResponsiveContainer, Scatter, XAxis, YAxis } from 'recharts' // prettier-ignore
import type { AgainstPrediction } from '@/core/findings'
import { AXIS, belowLabel, dbTicks, roundDomain, uprightDb } from './chartAxes'
import { intervalDot, IntervalMark } from './intervalDots'

/** Every report beside what was predicted for it; to base filled, from base hollow. */
export function PredictionChart({ found }: { found: AgainstPrediction }) {
  const dots = found.points.flatMap(
    (p) =>
    p.low === null && p.high === null ? [] : [{ ...intervalDot(p.expected, p.low, p.high), direction: p.direction }], // prettier-ignore
  )
  const x = roundDomain(dots.map((d) => d.x), 10) // prettier-ignore
  const y = roundDomain(dots.flatMap((d) => [d.y - d.error[0], d.y + d.error[1]]), 10) // prettier-ignore
  const ends = [Math.max(x[0], y[0]), Math.min(x[1], y[1])] as const
  return (
    <ResponsiveContainer width="100%" height={340}>
      <ComposedChart margin={{ top: 10, right: 24, bottom: 26, left: 12 }} accessibilityLayer={false}>
        <CartesianGrid stroke="var(--rule)" vertical={false} />
        <XAxis
          {...AXIS}
          dataKey="x"
          type="number"
          domain={x}
          ticks={dbTicks(x)}
          label={belowLabel('predicted, dBm')}
        />
        <YAxis {...uprightDb(y, 'reported, dBm')} />
        <ReferenceLine
          segment={[
            { x: ends[0], y: ends[0] },
            { x: ends[1], y: ends[1] },
          ]}
          stroke="var(--accent)"
          strokeWidth={2}
        />
        {(['to base', 'from base'] as const).map((direction) => (
          <Scatter
            key={direction}
            data={dots.filter((d) => d.direction === direction)}
            dataKey="y"
            isAnimationActive={false}
            shape={<IntervalMark color={direction === 'to base' ? 'var(--ink)' : 'var(--soft)'} />}
          >
            <ErrorBar dataKey="error" direction="y" width={0} stroke="var(--ink)" strokeOpacity={0.3} />
          </Scatter>
        ))}
      </ComposedChart>
    </ResponsiveContainer>
  )
}
