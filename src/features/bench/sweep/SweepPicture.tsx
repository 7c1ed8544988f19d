'use client'

import { useRef, type KeyboardEvent, type PointerEvent } from 'react'
import { mhzText, readAt, readings, type SweepBand } from '@/core/bench'
import { rigLook } from '@/ui/theme/palette'
import { Axes, type Frame } from '../Axes'
import { FramedPicture, ticksAcross } from '../FramedPicture'
import { axisOf, frequencyAxis, pathOf, type AxisScale, type TraceScale } from './traceGeometry'
import type { DeskSweep } from './useSweeps'

export interface Marker {
  id: number
  frequencyMHz: number
}

interface Props {
  sweeps: readonly DeskSweep[]
  chosen: DeskSweep
  /** Look of each set-up, by its name. */
  setUps: readonly string[]
  band: SweepBand
  limitSwr: number
  scale: Exclude<TraceScale, 'plane'>
  log: boolean
  markers: readonly Marker[]
  onMarker: (id: number, frequencyMHz: number) => void
}

const STEP_PART = 0.002

/** Sweeps over frequency, with the band on the axis, the limit as a line, and markers that are dragged. */
export function SweepPicture(props: Props) {
  const { sweeps, chosen, scale, limitSwr } = props
  const f = chosen.sweep.frequencyMHz
  const axis = axisOf(
    scale,
    sweeps.map((s) => s.sweep),
    limitSwr,
  )
  return (
    <FramedPicture
      label={`${axis.name} from ${mhzText(f[0]!)} to ${mhzText(f[f.length - 1]!)}`}
      className="sweep-picture"
      role="group"
      height={440}
      over={26}
      under={62}
    >
      {(frame) => <Traces {...props} axis={axis} frame={frame} />}
    </FramedPicture>
  )
}

function Traces(props: Props & { axis: AxisScale; frame: Frame }) {
  const { sweeps, chosen, setUps, band, limitSwr, log, markers, onMarker, axis, frame } = props
  const { left, top, wide, high: tall } = frame
  const ground = useRef<SVGRectElement>(null)
  const f = chosen.sweep.frequencyMHz
  const [low, high] = [f[0]!, f[f.length - 1]!]
  const across = frequencyAxis(low, high, log, wide, ticksAcross(frame))
  const x = (mhz: number) => left + across.x(mhz)
  const y = (v: number) => {
    const part = (v - axis.low) / (axis.high - axis.low)
    return top + tall * (axis.downward ? part : 1 - part)
  }
  const kept = (mhz: number) => Math.min(high, Math.max(low, mhz))
  const drag = (id: number) => (e: PointerEvent<SVGGElement>) => {
    if (!e.currentTarget.hasPointerCapture(e.pointerId) || !ground.current) return
    const box = ground.current.getBoundingClientRect()
    onMarker(id, kept(across.at(((e.clientX - box.left) / box.width) * wide)))
  }
  const press = (m: Marker) => (e: KeyboardEvent) => {
    const way = e.key === 'ArrowRight' ? 1 : e.key === 'ArrowLeft' ? -1 : 0
    if (way === 0) return
    e.preventDefault()
    onMarker(m.id, kept(m.frequencyMHz + way * (e.shiftKey ? 10 : 1) * (high - low) * STEP_PART))
  }
  return (
    <>
      <rect ref={ground} x={left} y={top} width={wide} height={tall} fill="none" />
      <BandBar x={x} band={band} low={low} high={high} frame={frame} />
      <Axes
        frame={frame}
        upright={{ ticks: axis.ticks, at: y, name: axis.name }}
        across={{ ticks: across.ticks, at: x, name: 'Frequency, MHz' }}
      />
      {axis.limit !== null && (
        <g>
          <path
            d={`M${left} ${y(axis.limit)}h${wide}`}
            stroke="var(--bad)"
            strokeWidth="2"
            strokeDasharray="9 5"
          />
          <text x={left + wide - 4} y={y(axis.limit) - 6} textAnchor="end" fontSize="14" fill="var(--bad)">
            limit: SWR {Number(limitSwr.toFixed(2))}
          </text>
        </g>
      )}
      {[...sweeps]
        .sort((a, b) => Number(a.id === chosen.id) - Number(b.id === chosen.id))
        .map((s) => (
          <Trace
            key={s.id}
            s={s}
            look={setUps.indexOf(s.setUp)}
            strong={s.id === chosen.id}
            axis={axis}
            x={x}
            y={y}
          />
        ))}
      {markers.map((m, i) => (
        <MarkerFlag
          key={m.id}
          n={i + 1}
          m={m}
          s={chosen}
          axis={axis}
          x={x}
          y={y}
          foot={top + tall}
          onMove={drag(m.id)}
          onKey={press(m)}
        />
      ))}
    </>
  )
}

function BandBar({
  x,
  band,
  low,
  high,
  frame: { top, high: tall },
}: {
  x: (f: number) => number
  band: SweepBand
  low: number
  high: number
  frame: Frame
}) {
  const [a, b] = [Math.max(band.fromMHz, low), Math.min(band.toMHz, high)]
  if (b <= a) return null
  const middle = (x(a) + x(b)) / 2
  return (
    <g>
      <rect x={x(a)} y={top} width={x(b) - x(a)} height={tall} fill="var(--accent-fill)" fillOpacity="0.16" />
      <rect x={x(a)} y={top + tall} width={x(b) - x(a)} height="9" fill="var(--accent-fill)" />
      <text x={middle} y={top - 8} textAnchor="middle" fontSize="14" fontWeight="700" fill="var(--ink)">
        {Number(band.fromMHz.toFixed(3))} to {Number(band.toMHz.toFixed(3))} MHz
      </text>
    </g>
  )
}

interface Plotted {
  axis: AxisScale
  x: (f: number) => number
  y: (v: number) => number
}

function Trace({ s, look, strong, axis, x, y }: Plotted & { s: DeskSweep; look: number; strong: boolean }) {
  const { hue, dash } = rigLook(Math.max(0, look))
  const all = readings(s.sweep)
  return (
    <g>
      {axis.of.map((of, i) => (
        <path
          key={i}
          d={pathOf(
            all.map((r) => {
              const v = of(r)
              return { x: x(r.frequencyMHz), y: v === null ? null : y(v) }
            }),
          )}
          fill="none"
          stroke={hue}
          strokeWidth={(strong ? 3 : 1.5) / (i + 1)}
          strokeDasharray={dash}
          opacity={strong ? 1 : 0.75}
        />
      ))}
    </g>
  )
}

interface FlagProps extends Plotted {
  n: number
  m: Marker
  s: DeskSweep
  foot: number
  onMove: (e: PointerEvent<SVGGElement>) => void
  onKey: (e: KeyboardEvent) => void
}

/** A marker: a flag on the trace that stays at its frequency whatever the scale. */
function MarkerFlag({ n, m, s, axis, x, y, foot, onMove, onKey }: FlagProps) {
  const r = readAt(s.sweep, m.frequencyMHz)
  const v = r && axis.of[0]!(r)
  if (!r || v === null) return null
  const [cx, cy] = [x(m.frequencyMHz), y(v)]
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label={`Marker ${n}`}
      aria-valuenow={m.frequencyMHz}
      aria-valuetext={mhzText(m.frequencyMHz)}
      aria-valuemin={s.sweep.frequencyMHz[0]}
      aria-valuemax={s.sweep.frequencyMHz[s.sweep.frequencyMHz.length - 1]}
      style={{ cursor: 'ew-resize', touchAction: 'none' }}
      onPointerDown={(e) => e.currentTarget.setPointerCapture(e.pointerId)}
      onPointerMove={onMove}
      onKeyDown={onKey}
    >
      <path d={`M${cx} ${foot}V${cy}`} stroke="var(--ink)" strokeDasharray="2 3" />
      <circle cx={cx} cy={cy} r="16" fill="transparent" />
      <path d={`M${cx} ${cy}l-9 -16h18z`} fill="var(--ink)" />
      <text x={cx} y={cy - 20} textAnchor="middle" fontSize="15" fontWeight="700" fill="var(--ink)">
        {n}
      </text>
    </g>
  )
}
