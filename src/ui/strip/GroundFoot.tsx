import { bulgeM } from '@/core/propagation'
import type { LegGround } from '@/core/reach'
import { heightText, toLength, lengthUnit, type Units } from '@/core/units'
import type { StripModel } from './model'

interface Props {
  ground: NonNullable<StripModel['ground']>
  top: number
  height: number
  /** Of the whole strip, px. */
  width: number
  x: (m: number) => number
  units: Units
}

const [ABOVE, BELOW] = [14, 8]
/** Over the ground, m, at the far end of the sight line that is drawn. */
const FAR_END_M = 1.5
const STEPS = 48

/** Height of the sight line from the base antenna to the leg's last mark, less the bulge, at a distance. */
function sightLine(
  ground: Props['ground'],
  leg: LegGround,
): { at: (d: number) => number; endM: number } | null {
  const last = leg.ground[leg.ground.length - 1]
  if (!last || last.distanceM < 1) return null
  const [a, b, end] = [ground.baseGroundM + ground.baseAntennaM, last.heightM + FAR_END_M, last.distanceM]
  return { at: (d) => a + ((b - a) * d) / end - bulgeM(d / 1000, (end - d) / 1000), endM: end }
}

function groundAt(leg: LegGround, d: number): number {
  const i = leg.ground.findIndex((p) => p.distanceM >= d)
  if (i <= 0) return leg.ground[0]!.heightM
  const [p, q] = [leg.ground[i - 1]!, leg.ground[i]!]
  return p.heightM + ((q.heightM - p.heightM) * (d - p.distanceM)) / (q.distanceM - p.distanceM || 1)
}

const KINDS = { clear: 'in sight', grazing: 'grazing', shadowed: 'shadowed' } as const

/**
 * The ground's profile under the lanes on their scale, with the sight line, what is in its way, and how each
 * mark is seen.
 */
export function GroundFoot({ ground, top, height, width, x, units }: Props) {
  const { legs } = ground
  const heights = legs.flatMap((l) => l.ground.map((p) => p.heightM))
  const high = Math.max(ground.baseGroundM + ground.baseAntennaM, ...heights) + 5
  const low = Math.min(0, ground.baseGroundM, ...heights)
  const y = (m: number) => top + ABOVE + ((high - m) / (high - low || 1)) * (height - ABOVE - BELOW)
  const floor = y(low)
  const single = legs.length === 1 ? legs[0]! : null
  const sight = single && sightLine(ground, single)
  const along = sight ? Array.from({ length: STEPS + 1 }, (_, i) => sight.endM * (i / STEPS) ** 2) : []
  const words = legs
    .map(
      (l) =>
        `${l.legName}: ${l.marks.filter((m) => m.kind === 'clear').length} marks in sight, ${l.marks.filter((m) => m.kind === 'grazing').length} grazing, ${l.marks.filter((m) => m.kind === 'shadowed').length} shadowed`,
    )
    .join('; ')
  return (
    <g role="img" aria-label={`Ground under the legs. ${words}`}>
      {legs.map((leg) => {
        const line = leg.ground
          .map((p) => `${x(p.distanceM).toFixed(1)} ${y(p.heightM).toFixed(1)}`)
          .join('L')
        const end = leg.ground[leg.ground.length - 1]!
        return (
          <g key={leg.legId}>
            <path
              d={`M${line}L${x(end.distanceM)} ${floor}L${x(0)} ${floor}Z`}
              fill="var(--ink)"
              opacity={single ? 0.22 : 0.1}
            />
            <path d={`M${line}`} fill="none" stroke="var(--ink)" strokeWidth="1.5" />
            {leg.knownToM !== null && (
              <text x={x(end.distanceM) + 5} y={floor - 4} fontSize="12" fill="var(--bad)">
                ground not known farther
              </text>
            )}
          </g>
        )
      })}
      {single && sight && (
        <>
          {along.slice(1).map((d, i) => {
            const from = along[i]!
            const [g0, g1, s0, s1] = [
              groundAt(single, from),
              groundAt(single, d),
              sight.at(from),
              sight.at(d),
            ]
            if (g0 <= s0 && g1 <= s1) return null
            return (
              <path
                key={d}
                d={`M${x(from)} ${y(Math.max(g0, s0))}L${x(d)} ${y(Math.max(g1, s1))}L${x(d)} ${y(s1)}L${x(from)} ${y(s0)}Z`}
                fill="var(--bad)"
                opacity="0.75"
              />
            )
          })}
          <path
            d={`M${along.map((d) => `${x(d).toFixed(1)} ${y(sight.at(d)).toFixed(1)}`).join('L')}`}
            fill="none"
            stroke="var(--accent)"
            strokeWidth="1.5"
            strokeDasharray="6 4"
          />
        </>
      )}
      <path
        d={`M${x(0)} ${y(ground.baseGroundM)}V${y(ground.baseGroundM + ground.baseAntennaM)}`}
        stroke="var(--ink)"
        strokeWidth="3"
      />
      {legs.flatMap((leg) =>
        leg.marks.map((m) => {
          if (m.groundM === null || m.kind === null) return null
          return (
            <circle
              key={m.markId}
              cx={x(m.distanceM)}
              cy={y(m.groundM) - 5}
              r="3.2"
              fill={
                m.kind === 'shadowed'
                  ? 'var(--raised)'
                  : m.kind === 'grazing'
                    ? 'var(--accent-fill)'
                    : 'var(--ink)'
              }
              stroke="var(--ink)"
              strokeWidth="1.2"
            >
              <title>{`${KINDS[m.kind]}, ${heightText(m.groundM, units)} over the sea`}</title>
            </circle>
          )
        }),
      )}
      <text x={x(0) + 4} y={top + 11} fontSize="12" fill="var(--soft)">
        ground to {Math.round(toLength(high - 5, units))} {lengthUnit(units)};{' '}
        <tspan {...(width < 480 ? { x: x(0) + 4, dy: 14 } : {})}>
          dots: full in sight, yellow grazing, open shadowed
        </tspan>
      </text>
    </g>
  )
}
