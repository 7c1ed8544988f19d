import { blocksOf, type LiveSeries } from '@/core/bench'
import { rigLook } from '@/ui/theme/palette'
import { Axes } from '../Axes'
import { roundTicks } from '../sweep/traceGeometry'

const [W, H] = [860, 380]
const [LEFT, TOP, WIDE, HIGH] = [62, 34, W - 62 - 16, H - 34 - 56]
const FRAME = { left: LEFT, top: TOP, wide: WIDE, high: HIGH, height: H }

/** Levels over time, with what was plugged in behind them, and the mean of each block that counts. */
export function LivePicture({ series, settleS }: { series: readonly LiveSeries[]; settleS: number }) {
  const first = series[0]!
  const same = series.filter((s) => s.quantity.unit === first.quantity.unit)
  const all = same.flatMap((s) => s.readings)
  const end = Math.max(1, ...all.map((r) => r.atS))
  const [low, high] = [
    Math.floor(Math.min(...all.map((r) => r.value)) - 1),
    Math.ceil(Math.max(...all.map((r) => r.value)) + 1),
  ]
  const minutes = end > 180
  const x = (s: number) => LEFT + (s / end) * WIDE
  const y = (v: number) => TOP + HIGH * (1 - (v - low) / (high - low))
  const bands = first.readings.flatMap((r, i) => {
    const before = first.readings[i - 1]
    if (r.state !== 'in' || before?.state === 'in') return []
    const after = first.readings.slice(i).find((n) => n.state !== 'in')
    return [{ from: r.atS, to: after?.atS ?? end }]
  })
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      width="100%"
      role="img"
      aria-label={`${first.quantity.name} over time`}
      className="live-picture"
      style={{ display: 'block', background: 'var(--raised)' }}
    >
      {bands.map((b) => (
        <g key={b.from}>
          <rect
            x={x(b.from)}
            y={TOP}
            width={Math.max(2, x(b.to) - x(b.from))}
            height={HIGH}
            fill="var(--accent-fill)"
            fillOpacity="0.22"
          />
          <text x={(x(b.from) + x(b.to)) / 2} y={TOP - 8} textAnchor="middle" fontSize="14" fill="var(--ink)">
            in
          </text>
        </g>
      ))}
      <Axes
        frame={FRAME}
        upright={{
          ticks: roundTicks(low, high, 6),
          at: y,
          name: `${first.quantity.name}, ${first.quantity.unit}`,
        }}
        across={{
          ticks: roundTicks(0, minutes ? end / 60 : end, 8),
          at: (t) => x(minutes ? t * 60 : t),
          name: `Time, ${minutes ? 'minutes' : 'seconds'}`,
        }}
      />
      {same.map((s, i) => {
        const { hue, dash } = rigLook(i)
        return (
          <g key={`${s.quantity.id} ${s.port}`}>
            {s.readings.map((r, k) => (
              <circle key={k} cx={x(r.atS)} cy={y(r.value)} r="2.6" fill={hue} fillOpacity="0.5" />
            ))}
            {blocksOf(s.readings, settleS).map((b) => (
              <path
                key={b.fromS}
                d={`M${x(b.fromS)} ${y(b.mean)}H${Math.max(x(b.toS), x(b.fromS) + 6)}`}
                stroke={hue}
                strokeWidth="3.5"
                strokeDasharray={dash}
              />
            ))}
          </g>
        )
      })}
    </svg>
  )
}
