'use client'

import { useEffect, useRef, type KeyboardEvent, type PointerEvent } from 'react'
import { useWidth } from '@/ui/shell/useWidth'
import { columnsOf, type Peaks } from './peaks'

interface Stretch {
  id: string
  fromS: number
  toS: number
  label: string
  done: boolean
}

interface Props {
  peaks: Peaks
  /** What is drawn of the recording, s. */
  fromS: number
  toS: number
  stretches: readonly Stretch[]
  chosen: string | null
  cursorS: number | null
  onCursor: (s: number) => void
}

const HEIGHT = 120
const FOOT = 20

/** A second, a minute or whatever suits the stretch shown and leaves room for its figures. */
function tickStep(length: number, width: number): number {
  const most = Math.max(2, Math.min(10, width / 70))
  return [0.5, 1, 2, 5, 10, 30, 60, 300, 600, 1800].find((s) => length / s <= most) ?? 3600
}

export const timeInto = (s: number) => {
  const whole = Math.floor(Math.max(0, s))
  const rest = s < 100 ? `.${Math.floor((Math.max(0, s) % 1) * 10)}` : ''
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}${rest}`
}

/** A recording as a drawing: what sounded when, the cuts at the times of sending, and a cursor to place. */
export function Waveform({ peaks, fromS, toS, stretches, chosen, cursorS, onCursor }: Props) {
  const box = useRef<HTMLDivElement>(null)
  const width = useWidth(box, 800)
  const canvas = useRef<HTMLCanvasElement>(null)
  const length = toS - fromS
  const x = (s: number) => ((s - fromS) / length) * width
  useEffect(() => {
    const c = canvas.current
    const g = c?.getContext('2d')
    if (!c || !g) return
    const dense = window.devicePixelRatio || 1
    c.width = Math.round(width * dense)
    c.height = HEIGHT * dense
    g.scale(dense, dense)
    const ink = getComputedStyle(c).getPropertyValue('--ink')
    g.fillStyle = ink
    const columns = columnsOf(peaks, fromS, toS, Math.max(1, Math.floor(width)))
    const top = Math.max(0.05, ...columns.map((k) => Math.max(k.high, -k.low)))
    columns.forEach(({ low, high }, i) => {
      const y0 = HEIGHT / 2 - (high / top) * (HEIGHT / 2 - 2)
      const y1 = HEIGHT / 2 - (low / top) * (HEIGHT / 2 - 2)
      g.fillRect(i, y0, 1, Math.max(1, y1 - y0))
    })
  }, [peaks, fromS, toS, width])
  const place = (e: PointerEvent<HTMLDivElement>) => {
    const left = e.currentTarget.getBoundingClientRect().left
    onCursor(Math.max(0, Math.min(toS, fromS + ((e.clientX - left) / width) * length)))
  }
  const keys = (e: KeyboardEvent) => {
    const step = e.shiftKey ? 1 : 0.1
    const by = e.key === 'ArrowRight' ? step : e.key === 'ArrowLeft' ? -step : 0
    if (by === 0) return
    e.preventDefault()
    onCursor(Math.max(0, (cursorS ?? fromS) + by))
  }
  const step = tickStep(length, width)
  const ticks = Array.from(
    { length: Math.floor(length / step) + 2 },
    (_, i) => (Math.floor(fromS / step) + i) * step,
  ).filter((t) => t >= fromS && t <= toS)
  return (
    <div ref={box}>
      <div
        role="slider"
        tabIndex={0}
        aria-label="Moment in the recording"
        aria-valuemin={0}
        aria-valuemax={Math.round(toS)}
        aria-valuenow={Math.round((cursorS ?? fromS) * 10) / 10}
        aria-valuetext={`${timeInto(cursorS ?? fromS)} into the recording`}
        onPointerDown={place}
        onKeyDown={keys}
        style={{
          position: 'relative',
          overflow: 'hidden',
          height: HEIGHT + FOOT,
          cursor: 'crosshair',
          background: 'var(--raised)',
        }}
      >
        <canvas ref={canvas} style={{ width, height: HEIGHT, display: 'block' }} />
        <svg
          width={width}
          height={HEIGHT + FOOT}
          aria-hidden="true"
          style={{ position: 'absolute', inset: 0, overflow: 'hidden' }}
        >
          {stretches.map((s) => (
            <rect
              key={s.id}
              x={x(s.fromS)}
              y={0.5}
              width={Math.max(2, x(s.toS) - x(s.fromS))}
              height={HEIGHT - 1}
              fill="var(--accent)"
              fillOpacity={s.id === chosen ? 0.4 : s.done ? 0.08 : 0.18}
              stroke="var(--accent)"
              strokeWidth={s.id === chosen ? 3 : 1}
              strokeDasharray={s.done ? '3 3' : undefined}
            >
              <title>{s.label}</title>
            </rect>
          ))}
          {ticks.map((t) => (
            <g key={t} transform={`translate(${x(t)} ${HEIGHT})`}>
              <line y2={4} stroke="var(--ink)" />
              <text
                y={16}
                fontSize={12}
                textAnchor={x(t) < 24 ? 'start' : x(t) > width - 24 ? 'end' : 'middle'}
                fill="var(--ink)"
              >
                {timeInto(t)}
              </text>
            </g>
          ))}
          {cursorS !== null && cursorS >= fromS && cursorS <= toS && (
            <line x1={x(cursorS)} x2={x(cursorS)} y2={HEIGHT} stroke="var(--bad)" strokeWidth={2} />
          )}
        </svg>
      </div>
    </div>
  )
}
