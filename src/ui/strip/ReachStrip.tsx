'use client'

import Box from '@mui/material/Box'
import ToggleButton from '@mui/material/ToggleButton'
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup'
import { useMemo, useRef, useState, type KeyboardEvent } from 'react'
import { distanceUnit, fromAxis, toAxis, type Units } from '@/core/units'
import { looksOf } from '@/ui/theme/palette'
import { GroundFoot } from './GroundFoot'
import { LaneDrawing } from './LaneDrawing'
import { axisPlace, axisTicks, type AxisScale } from './axis'
import type { Post, StripModel } from './model'
import { StripKey } from './StripKey'
import { FOOT, GROUND, LANE, stripHeight } from './stripHeight'
import { StripTable } from './StripTable'
import { OpenedCheck, StripNote } from './StripWords'
import { useWidth } from '@/ui/shell/useWidth'

const PAD = 14

interface Place {
  lane: number
  post: number
}

/** Arrows left and right go along a lane, up and down to the nearest check of the next lane. */
function moved(model: StripModel, at: Place, key: string): Place | null {
  const posts = model.lanes[at.lane]?.posts ?? []
  if (key === 'ArrowRight') return { ...at, post: Math.min(posts.length - 1, at.post + 1) }
  if (key === 'ArrowLeft') return { ...at, post: Math.max(0, at.post - 1) }
  if (key === 'Home') return { ...at, post: 0 }
  if (key === 'End') return { ...at, post: posts.length - 1 }
  if (key !== 'ArrowUp' && key !== 'ArrowDown') return null
  const lane = at.lane + (key === 'ArrowDown' ? 1 : -1)
  const next = model.lanes[lane]?.posts
  const from = posts[at.post]
  if (!next?.length || !from) return at
  let best = 0
  const off = (p: Post) => Math.abs(p.distanceM - from.distanceM) + (p.direction === from.direction ? 0 : 1)
  next.forEach((p, i) => {
    if (off(p) < off(next[best]!)) best = i
  })
  return { lane, post: best }
}

/** Distances along the foot, in the user's unit. */
function Ticks({
  ticks,
  x,
  units,
  foot,
}: {
  ticks: number[]
  x: (metres: number) => number
  units: Units
  foot: number
}) {
  return ticks.map((t) => {
    const px = x(fromAxis(t, units))
    return (
      <g key={t}>
        <path d={`M${px} 0V${foot + 6}`} stroke="var(--rule)" />
        <text x={px} y={foot + 20} fontSize="13" textAnchor="middle" fill="var(--soft)">
          {t}
        </text>
      </g>
    )
  })
}

/**
 * The reach strip: distance runs to the right along the foot, a lane for each link, a post for each check. The same
 * drawing is the plan, the progress and the result.
 */
export function ReachStrip({ model, units, title }: { model: StripModel; units: Units; title: string }) {
  const [scale, setScale] = useState<AxisScale>('root')
  const [at, setAt] = useState<Place>({ lane: 0, post: 0 })
  const [open, setOpen] = useState<Place | null>(null)
  const frame = useRef<HTMLDivElement>(null)
  const svg = useRef<SVGSVGElement>(null)
  const width = useWidth(frame, 960)
  const inner = Math.max(200, width - 2 * PAD)
  const x = useMemo(
    () => (m: number) => PAD + inner * axisPlace(m, model.farthestM, model.nearestM, scale),
    [inner, model, scale],
  )
  const floor = model.lanes.length * LANE
  const height = stripHeight(model.lanes.length, model.ground !== null)
  const end = toAxis(model.farthestM * 1.12, units)
  const ticks = axisTicks(end, toAxis(model.nearestM * 0.7, units), scale)
  const looks = looksOf(model.lanes.map((l) => l.letter))
  const opened = open ? model.lanes[open.lane]?.posts[open.post] : undefined

  const onKeyDown = (e: KeyboardEvent) => {
    if (e.key === 'Enter' || e.key === ' ') {
      e.preventDefault()
      setOpen(at)
      return
    }
    if (e.key === 'Escape') {
      setOpen(null)
      return
    }
    const next = moved(model, at, e.key)
    if (!next) return
    e.preventDefault()
    setAt(next)
    svg.current?.querySelector<SVGGElement>(`[data-place="${next.lane}-${next.post}"]`)?.focus()
  }

  return (
    <Box component="section" aria-label={title} sx={{ mb: 3 }}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 2, alignItems: 'center', mb: 0.5 }}>
        <StripKey />
        <ToggleButtonGroup
          className="no-print"
          exclusive
          size="small"
          value={scale}
          onChange={(_, v: AxisScale | null) => v && setScale(v)}
          aria-label="Distance scale"
          sx={{ ml: 'auto' }}
        >
          <ToggleButton value="root">Root</ToggleButton>
          <ToggleButton value="even">Even</ToggleButton>
          <ToggleButton value="lg">Log</ToggleButton>
        </ToggleButtonGroup>
      </Box>
      <div ref={frame} style={{ width: '100%' }}>
        <svg
          ref={svg}
          width={width}
          height={height}
          viewBox={`0 0 ${width} ${height}`}
          role="group"
          aria-label={`${title}. Arrow keys move between checks, Enter opens one.`}
          onKeyDown={onKeyDown}
          // Until its width follows a narrower window, and on paper, it is drawn smaller and never widens the page.
          style={{
            display: 'block',
            maxWidth: '100%',
            height: 'auto',
            background: 'var(--raised)',
            border: '1px solid var(--rule)',
          }}
        >
          <Ticks {...{ ticks, x, units }} foot={height - FOOT} />
          <text x={width - PAD} y={height - 5} fontSize="13" textAnchor="end" fill="var(--soft)">
            crow-flies distance from the base, {distanceUnit(units)}
          </text>
          {model.lanes.map((lane, i) => (
            <LaneDrawing
              key={lane.id}
              lane={lane}
              index={i}
              look={looks[i]!}
              top={i * LANE}
              height={LANE}
              width={width}
              x={x}
              tabStop={at.lane === i ? at.post : -1}
              onOpen={(post) => {
                setAt({ lane: i, post })
                setOpen({ lane: i, post })
              }}
            />
          ))}
          {model.ground && (
            <GroundFoot ground={model.ground} top={floor} height={GROUND} width={width} x={x} units={units} />
          )}
        </svg>
      </div>
      <div aria-live="polite">
        {opened && open && <OpenedCheck lane={model.lanes[open.lane]!.name} post={opened} units={units} />}
      </div>
      <StripNote model={model} />
      <div className="no-print">
        <StripTable model={model} units={units} />
      </div>
    </Box>
  )
}
