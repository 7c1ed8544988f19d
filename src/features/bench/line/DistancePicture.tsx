import type { Fault, TimeDomain } from '@/core/bench'
import { toShown, shownUnit, type Units } from '@/core/units'
import { Axes, type Frame } from '../Axes'
import { FramedPicture, ticksAcross } from '../FramedPicture'
import { alongText } from './alongText'
import { pathOf, roundTicks } from '../sweep/traceGeometry'

interface Props {
  t: TimeDomain
  faults: readonly Fault[]
  /** By the tape, m: where the far end should be. */
  lengthM: number | null
  units: Units
}

/** What comes back along a lead, by distance from its near end. */
export function DistancePicture(props: Props) {
  return (
    <FramedPicture
      label="Reflection along the lead by distance"
      className="distance-picture"
      height={320}
      over={30}
      under={56}
    >
      {(frame) => <Along {...props} frame={frame} />}
    </FramedPicture>
  )
}

function Along({ t, faults, lengthM, units, frame }: Props & { frame: Frame }) {
  const last = Math.max(lengthM ?? 0, ...faults.map((f) => f.distanceM), t.resolutionM * 4)
  const endM = Math.min(t.rangeM, last * 1.3)
  const top = Math.max(0.1, ...faults.map((f) => f.size)) * 1.15
  const x = (m: number) => frame.left + (m / endM) * frame.wide
  const y = (v: number) => frame.top + frame.high * (1 - v / top)
  const inside = t.distanceM.findIndex((d) => d > endM)
  const shown = t.distanceM.slice(0, inside < 0 ? undefined : inside)
  const path = pathOf(shown.map((d, i) => ({ x: x(d), y: y(Math.min(top, t.size[i]!)) })))
  const across = roundTicks(0, toShown(endM, 'm', units), ticksAcross(frame))
  const perShown = endM / toShown(endM, 'm', units)
  return (
    <>
      <Axes
        frame={frame}
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
            d={`M${x(lengthM)} ${frame.top}v${frame.high}`}
            stroke="var(--accent)"
            strokeWidth="2"
            strokeDasharray="7 4"
          />
          <text x={x(lengthM)} y={frame.top - 9} textAnchor="middle" fontSize="14" fill="var(--accent)">
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
    </>
  )
}
