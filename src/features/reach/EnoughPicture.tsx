import type { RigBurden } from '@/core/reach/map/enough'
import type { Share } from '@/core/reach/map/jointDraws'
import { looksOf, rigLook } from '@/ui/theme/palette'

interface Props {
  rows: { letter: string; burden: RigBurden; share: Share }[]
  needed: number
  what: string
}

const [WIDTH, HEIGHT, LEFT, BOTTOM, TOP] = [380, 230, 46, 42, 12]
/** A tick about every so many px. */
const TICKS = [0, 0.25, 0.5, 0.75, 1]

/** Round figures from nought to a little over the largest. */
function ticksTo(most: number): number[] {
  const raw = most / 3
  const power = 10 ** Math.floor(Math.log10(raw))
  const step = [1, 2, 5, 10].map((m) => m * power).find((s) => s >= raw)!
  return Array.from({ length: Math.ceil((most * 1.08) / step) + 1 }, (_, i) => i * step)
}

/** What there is to carry against what is covered: up and to the left is better. */
export function EnoughPicture({ rows, needed, what }: Props) {
  const weighed = rows.every((r) => r.burden.weightG !== null)
  const of = (b: RigBurden) => (weighed ? b.weightG! : b.powerW)
  const values = rows.map((r) => of(r.burden))
  if (rows.length < 2 || new Set(values).size < 2) return null
  const ticks = ticksTo(Math.max(...values))
  const x = (v: number) => LEFT + ((WIDTH - LEFT - 16) * v) / ticks.at(-1)!
  const y = (share: number) => TOP + (HEIGHT - TOP - BOTTOM) * (1 - share)
  const looks = looksOf(rows.map((r) => r.letter))
  const label = `What there is to carry against the share covered: ${rows.map((r) => `${r.letter} ${of(r.burden)} ${weighed ? 'g' : 'W'}, ${Math.round(100 * r.share.median)} %`).join('; ')}`
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      width={WIDTH}
      style={{ maxWidth: '100%' }}
      role="img"
      aria-label={label}
    >
      {TICKS.map((t) => (
        <g key={t}>
          <path d={`M${LEFT} ${y(t)}H${WIDTH - 8}`} stroke="var(--rule)" />
          <text x={LEFT - 6} y={y(t) + 4} textAnchor="end" fontSize="12" fill="var(--soft)">
            {Math.round(100 * t)}
          </text>
        </g>
      ))}
      {ticks.map((t) => (
        <text key={t} x={x(t)} y={HEIGHT - BOTTOM + 17} textAnchor="middle" fontSize="12" fill="var(--soft)">
          {Number(t.toPrecision(6))}
        </text>
      ))}
      <path
        d={`M${LEFT} ${y(needed)}H${WIDTH - 8}`}
        stroke="var(--bad)"
        strokeWidth="2"
        strokeDasharray="10 5"
      />
      <text x={WIDTH - 10} y={y(needed) - 5} textAnchor="end" fontSize="12" fill="var(--bad)">
        needed
      </text>
      {rows.map((r, i) => {
        const { hue, dash } = rigLook(looks[i]!)
        const [px, py] = [x(of(r.burden)), y(r.share.median)]
        return (
          <g key={r.letter}>
            <path
              d={`M${px} ${y(r.share.low)}V${y(r.share.high)}`}
              stroke={hue}
              strokeWidth="3"
              strokeDasharray={dash || undefined}
            />
            <rect x={px - 10} y={py - 10} width="20" height="20" rx="3" fill={hue} />
            <text x={px} y={py + 5} textAnchor="middle" fontSize="14" fontWeight="700" fill="var(--paper)">
              {r.letter}
            </text>
          </g>
        )
      })}
      <text x={(WIDTH + LEFT) / 2} y={HEIGHT - 6} textAnchor="middle" fontSize="12" fill="var(--ink)">
        {weighed ? 'weight to carry, g' : 'power out there, W'}
      </text>
      <text
        x={12}
        y={(HEIGHT - BOTTOM + TOP) / 2}
        textAnchor="middle"
        fontSize="12"
        fill="var(--ink)"
        transform={`rotate(-90 12 ${(HEIGHT - BOTTOM + TOP) / 2})`}
      >
        of {what}, %
      </text>
    </svg>
  )
}
