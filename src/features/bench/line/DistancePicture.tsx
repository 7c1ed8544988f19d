import type { Fault, TimeDomain } from '@/core/bench'
import { toShown, shownUnit, type Units } from '@/core/units'
import { Axes } from '../Axes'
import { alongText } from './alongText'
import { pathOf, roundTicks } from '../sweep/traceGeometry'

interface Props {
  t: TimeDomain
  faults: readonly Fault[]
  /** By the tape, m: where the far end should be. */
  lengthM: number | null
  units: Units
}

const [W, H] = [860, 320]
const [LEFT, TOP, WIDE, HIGH] = [62, 30, W - 62 - 16, H - 30 - 56]
const FRAME = { left: LEFT, top: TOP, wide: WIDE, high: HIGH, height: H }

/** What comes back along a lead, by distance from its near end. */
export function DistancePicture({ t, faults, lengthM, units }: Props) {
  const last = Math.max(lengthM ?? 0, ...faults.map((f) => f.distanceM), t.resolutionM * 4)
  const endM = Math.min(t.rangeM, last * 1.3)
  const top = Math.max(0.1, ...faults.map((f) => f.size)) * 1.15
  const x = (m: number) => LEFT + (m / endM) * WIDE
  const y = (v: number) => TOP + HIGH * (1 - v / top)
  const inside = t.distanceM.findIndex((d) => d > endM)
  const shown = t.distanceM.slice(0, inside < 0 ? undefined : inside)
  const path = pathOf(shown.map((d, i) => ({ x: x(d), y: y(Math.min(top, t.size[i]!)) })))
  const across = roundTicks(0, toShown(endM, 'm', units), 8)
  const perShown = endM / toShown(endM, 'm', units)
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      width="100%"
      role="img"
      aria-label="Reflection along the lead by distance"
      className="distance-picture"
      style={{ display: 'block', background: 'var(--raised)' }}
    >
      <Axes
        frame={FRAME}
        upright={{
          ticks: roundTicks(0, top, 4),
          at: y,
          name: 'Comes back, % of voltage',
          text: (v) => String(Math.round(v * 100)),
        }}
        across={{
          ticks: across,
          at: (v) => x(v * perShown),
          name: `Distance from the near end, ${shownUnit('m', units)}`,
        }}
      />
      {lengthM !== null && (
        <g>
          <path
            d={`M${x(lengthM)} ${TOP}v${HIGH}`}
            stroke="var(--accent)"
            strokeWidth="2"
            strokeDasharray="7 4"
          />
          <text x={x(lengthM)} y={TOP - 9} textAnchor="middle" fontSize="14" fill="var(--accent)">
            far end by the tape
          </text>
        </g>
      )}
      <path
        d={`${path}L${x(shown[shown.length - 1] ?? 0)} ${y(0)}L${x(0)} ${y(0)}Z`}
        fill="var(--rig-1)"
        fillOpacity="0.16"
      />
      <path d={path} fill="none" stroke="var(--rig-1)" strokeWidth="2.5" />
      {faults
        .filter((f) => f.distanceM <= endM)
        .map((f) => (
          <text
            key={f.distanceM}
            x={x(f.distanceM)}
            y={y(f.size) - 8}
            textAnchor="middle"
            fontSize="15"
            fontWeight="700"
            fill="var(--ink)"
            stroke="var(--raised)"
            strokeWidth="5"
            paintOrder="stroke"
          >
            {alongText(f.distanceM, units)}
          </text>
        ))}
    </svg>
  )
}
