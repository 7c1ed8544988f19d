import { levelAt, meanPowerDb, pointsOf, type TurnPoint, type TurnReading } from '@/core/bench'
import { turnDeg } from '@/core/geo'
import { figureText } from '@/core/units'
import { rigLook } from '@/ui/theme/palette'
import { Axes, type Frame } from '../Axes'
import { FramedPicture } from '../FramedPicture'
import { roundTicks } from '../sweep/traceGeometry'

export interface TurnLayer {
  name: string
  readings: readonly TurnReading[]
}

const [SIZE, MIDDLE, R] = [560, 280, 222]
const RING_DB = 10

/** Levels below the strongest of all layers, and the lowest ring that is drawn, dB. */
function levelsOf(layers: readonly TurnLayer[]) {
  const all = layers.map((l) => pointsOf(l.readings))
  const top = Math.max(...all.flat().map((p) => p.db))
  const low = Math.min(...all.flat().map((p) => p.db))
  return { all, top, rings: Math.min(6, Math.max(2, Math.ceil((top - low + 1) / RING_DB))) }
}

/** A turned antenna from above, 10 dB a ring: every reading as a dot, their mean as power as a line. */
export function PolarPicture({ layers, folded }: { layers: readonly TurnLayer[]; folded: boolean }) {
  const { all, top, rings } = levelsOf(layers)
  const radius = (db: number) => R * Math.max(0, 1 + (db - top) / (rings * RING_DB))
  const at = (angleDeg: number, db: number) => {
    const a = ((angleDeg - 90) * Math.PI) / 180
    return { x: MIDDLE + radius(db) * Math.cos(a), y: MIDDLE + radius(db) * Math.sin(a) }
  }
  return (
    <svg
      viewBox={`0 0 ${SIZE} ${SIZE}`}
      role="img"
      aria-label="Pattern from above, 10 dB a ring"
      className="turn-picture round-picture"
      style={{ display: 'block', width: '100%', maxWidth: 560, background: 'var(--raised)' }}
    >
      {Array.from({ length: rings }, (_, i) => (
        <g key={i}>
          <circle
            cx={MIDDLE}
            cy={MIDDLE}
            r={R * (1 - i / rings)}
            fill="none"
            stroke={i === 0 ? 'var(--ink)' : 'var(--rule)'}
            strokeWidth={i === 0 ? 1.5 : 1}
          />
          {i > 0 && (
            <text x={MIDDLE + 4} y={MIDDLE - R * (1 - i / rings) + 14} fontSize="13" fill="var(--soft)">
              −{i * RING_DB}
            </text>
          )}
        </g>
      ))}
      {Array.from({ length: 12 }, (_, i) => {
        const a = ((i * 30 - 90) * Math.PI) / 180
        const [cx, cy] = [MIDDLE + (R + 24) * Math.cos(a), MIDDLE + (R + 24) * Math.sin(a)]
        return (
          <g key={i}>
            <path
              d={`M${MIDDLE} ${MIDDLE}L${MIDDLE + R * Math.cos(a)} ${MIDDLE + R * Math.sin(a)}`}
              stroke="var(--rule)"
            />
            <text
              x={cx}
              y={cy + 5}
              textAnchor="middle"
              fontSize="14"
              fontWeight={i === 0 ? 700 : 400}
              fill="var(--ink)"
            >
              {i * 30}°
            </text>
          </g>
        )
      })}
      <text x={MIDDLE} y={SIZE - 4} textAnchor="middle" fontSize="13" fill="var(--soft)">
        dB below the strongest, {figureText(top, 0)} dBm
      </text>
      {layers.map((layer, i) => (
        <Layer key={layer.name} points={all[i]!} layer={layer} look={i} at={at} folded={folded} />
      ))}
    </svg>
  )
}

interface LayerProps {
  points: readonly TurnPoint[]
  layer: TurnLayer
  look: number
  at: (angleDeg: number, db: number) => { x: number; y: number }
  folded: boolean
}

const STEP_DEG = 3

function Layer({ points, layer, look, at, folded }: LayerProps) {
  const { hue, dash } = rigLook(look)
  const mirrored = (angle: number) => {
    const [a, b] = [levelAt(points, angle).db, levelAt(points, 360 - angle).db]
    return meanPowerDb([a, b])
  }
  const line =
    points.length < 2
      ? ''
      : folded
        ? Array.from({ length: 360 / STEP_DEG }, (_, i) => at(i * STEP_DEG, mirrored(i * STEP_DEG)))
            .map((p, i) => `${i === 0 ? 'M' : 'L'}${p.x.toFixed(1)} ${p.y.toFixed(1)}`)
            .join('') + 'Z'
        : points
            .map((p, i) => {
              const { x, y } = at(p.angleDeg, p.db)
              return `${i === 0 ? 'M' : 'L'}${x.toFixed(1)} ${y.toFixed(1)}`
            })
            .join('') + (points.length > 4 ? 'Z' : '')
  return (
    <g>
      <path
        d={line}
        fill={hue}
        fillOpacity="0.1"
        stroke={hue}
        strokeWidth="2.5"
        strokeDasharray={dash}
        strokeLinejoin="round"
      />
      {layer.readings.map((r, i) => {
        const { x, y } = at(r.angleDeg, r.db)
        return r.atOrBelow ? (
          <path key={i} d={`M${x - 4} ${y - 4}l8 8m0 -8l-8 8`} stroke={hue} strokeWidth="1.5" />
        ) : (
          <circle key={i} cx={x} cy={y} r="3.2" fill={hue} fillOpacity="0.55" />
        )
      })}
    </g>
  )
}

/** Every 30 or 10 degrees, or every third of them where there is little room. */
function anglesOf(toDeg: number, frame: Frame): number[] {
  const usual = toDeg === 360 ? 30 : 10
  const step = frame.wide < 480 ? 3 * usual : usual
  return Array.from({ length: Math.floor(toDeg / step) + 1 }, (_, i) => i * step)
}

interface FlatProps {
  layers: readonly TurnLayer[]
  toDeg: number
  law: ((angleDeg: number) => number) | null
}

/** The same laid flat, or a quarter turn of two antennas, with a law through it. */
export function FlatPicture(props: FlatProps) {
  return (
    <FramedPicture label="Level by angle" className="turn-picture" height={400} over={18} under={56}>
      {(frame) => <Flat {...props} frame={frame} />}
    </FramedPicture>
  )
}

function Flat({ layers, toDeg, law, frame }: FlatProps & { frame: Frame }) {
  const { all, top, rings } = levelsOf(layers)
  const low = top - rings * RING_DB
  const x = (angle: number) => frame.left + (angle / toDeg) * frame.wide
  const y = (db: number) => frame.top + frame.high * Math.min(1, (top + 2 - db) / (top + 2 - low))
  const line = (pairs: readonly [number, number][]) =>
    pairs.map(([a, db], i) => `${i === 0 ? 'M' : 'L'}${x(a).toFixed(1)} ${y(db).toFixed(1)}`).join('')
  return (
    <>
      <Axes
        frame={frame}
        upright={{ ticks: roundTicks(low, top + 2, 6), at: y, name: 'Level, dBm' }}
        across={{ ticks: anglesOf(toDeg, frame), at: x, name: 'Turned by, degrees', text: (a) => `${a}°` }}
      />
      {layers.map((layer, i) => {
        const { hue, dash } = rigLook(i)
        const own = all[i]!.map((p): [number, number] => [p.angleDeg, p.db])
        const closed: [number, number][] =
          toDeg === 360 && own[0]?.[0] === 0 ? [...own, [360, own[0][1]]] : own
        return (
          <g key={layer.name}>
            {!law && (
              <path
                d={line(closed)}
                fill="none"
                stroke={hue}
                strokeWidth="2.5"
                strokeDasharray={dash}
                strokeLinejoin="round"
              />
            )}
            {layer.readings.map((r, k) => {
              const [cx, cy] = [x(turnDeg(r.angleDeg)), y(r.db)]
              return r.atOrBelow ? (
                <path key={k} d={`M${cx - 4} ${cy - 4}l8 8m0 -8l-8 8`} stroke={hue} strokeWidth="1.5" />
              ) : (
                <circle key={k} cx={cx} cy={cy} r="4" fill={hue} fillOpacity="0.6" />
              )
            })}
          </g>
        )
      })}
      {law && (
        <path
          d={line(
            Array.from({ length: 91 }, (_, i): [number, number] => [(i / 90) * toDeg, law((i / 90) * toDeg)]),
          )}
          fill="none"
          stroke="var(--ink)"
          strokeWidth="2.5"
        />
      )}
    </>
  )
}
