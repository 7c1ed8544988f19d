import { blocksOf, type LiveSeries } from '@/core/bench'
import { rigLook } from '@/ui/theme/palette'
import { Axes, type Frame } from '../Axes'
import { FramedPicture, ticksAcross } from '../FramedPicture'
import { roundTicks } from '../sweep/traceGeometry'

interface Props {
  series: readonly LiveSeries[]
  settleS: number
}

/** Levels over time, with what was plugged in behind them, and the mean of each block that counts. */
export function LivePicture(props: Props) {
  return (
    <FramedPicture
      label={`${props.series[0]!.quantity.name} over time`}
      className="live-picture"
      height={380}
      over={34}
      under={56}
    >
      {(frame) => <Levels {...props} frame={frame} />}
    </FramedPicture>
  )
}

function Levels({ series, settleS, frame }: Props & { frame: Frame }) {
  const { left, top, wide, high: tall } = frame
  const first = series[0]!
  const same = series.filter((s) => s.quantity.unit === first.quantity.unit)
  const all = same.flatMap((s) => s.readings)
  const end = Math.max(1, ...all.map((r) => r.atS))
  const [low, high] = [
    Math.floor(Math.min(...all.map((r) => r.value)) - 1),
    Math.ceil(Math.max(...all.map((r) => r.value)) + 1),
  ]
  const minutes = end > 180
  const x = (s: number) => left + (s / end) * wide
  const y = (v: number) => top + tall * (1 - (v - low) / (high - low))
  const bands = first.readings.flatMap((r, i) => {
    const before = first.readings[i - 1]
    if (r.state !== 'in' || before?.state === 'in') return []
    const after = first.readings.slice(i).find((n) => n.state !== 'in')
    return [{ from: r.atS, to: after?.atS ?? end }]
  })
  return (
    <>
      {bands.map((b) => (
        <g key={b.from}>
          <rect
            x={x(b.from)}
            y={top}
            width={Math.max(2, x(b.to) - x(b.from))}
            height={tall}
            fill="var(--accent-fill)"
            fillOpacity="0.22"
          />
          <text x={(x(b.from) + x(b.to)) / 2} y={top - 8} textAnchor="middle" fontSize="14" fill="var(--ink)">
            in
          </text>
        </g>
      ))}
      <Axes
        frame={frame}
        upright={{
          ticks: roundTicks(low, high, 6),
          at: y,
          name: `${first.quantity.name}, ${first.quantity.unit}`,
        }}
        across={{
          ticks: roundTicks(0, minutes ? end / 60 : end, ticksAcross(frame)),
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
    </>
  )
}
