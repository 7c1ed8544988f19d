import { gammaOfSwr } from '@/core/rf'
import { readAt } from '@/core/bench'
import { rigLook } from '@/ui/theme/palette'
import type { Marker } from './SweepPicture'
import { pathOf } from './traceGeometry'
import type { DeskSweep } from './useSweeps'

interface Props {
  sweeps: readonly DeskSweep[]
  chosen: DeskSweep
  setUps: readonly string[]
  limitSwr: number
  markers: readonly Marker[]
}

const [SIZE, MIDDLE, R] = [460, 230, 200]
const RINGS = [1.5, 2, 3, 5]

/** Where reflections lie in their plane: a perfect match in the middle, total reflection at the rim. */
export function PlanePicture({ sweeps, chosen, setUps, limitSwr, markers }: Props) {
  const at = (re: number, im: number) => ({ x: MIDDLE + re * R, y: MIDDLE - im * R })
  const rings = [...new Set([...RINGS, limitSwr])].sort((a, b) => a - b)
  return (
    <svg
      viewBox={`0 0 ${SIZE} ${SIZE}`}
      role="img"
      aria-label="Reflection plane with circles of constant SWR"
      className="sweep-picture round-picture"
      style={{
        display: 'block',
        width: '100%',
        maxWidth: 520,
        margin: '0 auto',
        background: 'var(--raised)',
      }}
    >
      <path d={`M${MIDDLE - R} ${MIDDLE}h${2 * R}M${MIDDLE} ${MIDDLE - R}v${2 * R}`} stroke="var(--rule)" />
      <circle cx={MIDDLE} cy={MIDDLE} r={R} fill="none" stroke="var(--ink)" strokeWidth="1.5" />
      {rings.map((swr) => {
        const r = gammaOfSwr(swr) * R
        const limit = swr === limitSwr
        return (
          <g key={swr}>
            <circle
              cx={MIDDLE}
              cy={MIDDLE}
              r={r}
              fill="none"
              stroke={limit ? 'var(--bad)' : 'var(--rule)'}
              strokeWidth={limit ? 2 : 1}
              strokeDasharray={limit ? '9 5' : undefined}
            />
            <text x={MIDDLE + 3} y={MIDDLE - r - 3} fontSize="13" fill={limit ? 'var(--bad)' : 'var(--soft)'}>
              {Number(swr.toFixed(2))}
            </text>
          </g>
        )
      })}
      <g fontSize="13" fill="var(--soft)">
        <text x={MIDDLE + R + 2} y={MIDDLE - 4} textAnchor="end">
          open
        </text>
        <text x={MIDDLE - R + 2} y={MIDDLE - 4}>
          short
        </text>
        <text x={MIDDLE} y={14} textAnchor="middle">
          inductive
        </text>
        <text x={MIDDLE} y={SIZE - 6} textAnchor="middle">
          capacitive
        </text>
      </g>
      {sweeps.map((s) => {
        const { hue, dash } = rigLook(Math.max(0, setUps.indexOf(s.setUp)))
        return (
          <path
            key={s.id}
            d={pathOf(s.sweep.re.map((re, i) => at(re, s.sweep.im[i]!)))}
            fill="none"
            stroke={hue}
            strokeWidth={s.id === chosen.id ? 3 : 1.5}
            strokeDasharray={dash}
          />
        )
      })}
      {markers.map((m, i) => {
        const r = readAt(chosen.sweep, m.frequencyMHz)
        if (!r || r.phaseDeg === null) return null
        const turn = (r.phaseDeg * Math.PI) / 180
        const { x, y } = at(r.size * Math.cos(turn), r.size * Math.sin(turn))
        return (
          <g key={m.id}>
            <circle cx={x} cy={y} r="6" fill="var(--ink)" />
            <text x={x + 9} y={y - 7} fontSize="15" fontWeight="700" fill="var(--ink)">
              {i + 1}
            </text>
          </g>
        )
      })}
    </svg>
  )
}
