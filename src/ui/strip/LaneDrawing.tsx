'use client'

import { rigLook } from '@/ui/theme/palette'
import type { Bracket, Lane, Post } from './model'
import { CheckPost } from './CheckPost'

interface LaneProps {
  lane: Lane
  index: number
  look: number
  top: number
  height: number
  width: number
  x: (m: number) => number
  tabStop: number
  onOpen: (post: number) => void
}

/** The soft wedge: as thick as the chance of copy, thinning to nothing where it gives out. */
function Wedge({ lane, mid, x, hue }: { lane: Lane; mid: number; x: (m: number) => number; hue: string }) {
  const HALF = 22
  if (lane.wedge.length === 0) return null
  const upper = lane.wedge.map(
    ({ distanceM, chance }) => `${x(distanceM).toFixed(1)} ${(mid - HALF * chance).toFixed(1)}`,
  )
  const lower = lane.wedge
    .map(({ distanceM, chance }) => `${x(distanceM).toFixed(1)} ${(mid + HALF * chance).toFixed(1)}`)
    .reverse()
  return <path d={`M${upper.join('L')}L${lower.join('L')}Z`} fill={hue} opacity="0.13" />
}

/** A bracket at the reach with its interval as a bar; an end that is open runs out with an arrow. */
function ReachBracket({
  bracket,
  row,
  y,
  x,
  width,
}: {
  bracket: Bracket
  row: number
  y: number
  x: (m: number) => number
  width: number
}) {
  const { estimateM, lowM, highM } = bracket
  if (estimateM === null && lowM === null && highM === null) return null
  const left = lowM === null ? 4 : x(lowM)
  const right = highM === null ? width - 4 : x(highM)
  const line = y + row * 9
  return (
    <g aria-hidden="true">
      <path
        d={`M${left} ${line}H${right}`}
        stroke="var(--ink)"
        strokeWidth="3"
        opacity={row === 0 ? 0.9 : 0.45}
      />
      {lowM === null && (
        <path
          d={`M${left + 6} ${line - 4}L${left} ${line}L${left + 6} ${line + 4}`}
          fill="none"
          stroke="var(--ink)"
          strokeWidth="2"
        />
      )}
      {highM === null && (
        <path
          d={`M${right - 6} ${line - 4}L${right} ${line}L${right - 6} ${line + 4}`}
          fill="none"
          stroke="var(--ink)"
          strokeWidth="2"
        />
      )}
      {estimateM !== null && (
        <path
          d={`M${x(estimateM) - 6} ${line - 7}h6v14h-6`}
          fill="none"
          stroke={row === 0 ? 'var(--accent)' : 'var(--ink)'}
          strokeWidth={row === 0 ? 4 : 2.5}
        />
      )}
    </g>
  )
}

export function LaneDrawing({
  lane,
  index,
  look: lookIndex,
  top,
  height,
  width,
  x,
  tabStop,
  onOpen,
}: LaneProps) {
  const look = rigLook(lookIndex)
  const mid = top + 62
  return (
    <g role="list" aria-label={`${lane.letter}, ${lane.name}`}>
      {index > 0 && <path d={`M0 ${top}H${width}`} stroke="var(--rule)" />}
      <Wedge lane={lane} mid={mid} x={x} hue={look.hue} />
      <path
        d={`M0 ${mid}H${width}`}
        stroke={look.hue}
        strokeWidth="2"
        strokeDasharray={look.dash || undefined}
      />
      {lane.posts.map((post, i) => (
        <CheckPost
          key={post.id}
          post={post}
          laneName={lane.name}
          px={x(post.distanceM) + spread(lane.posts, i)}
          mid={mid}
          hue={look.hue}
          place={`${index}-${i}`}
          tabIndex={tabStop === i ? 0 : -1}
          onOpen={() => onOpen(i)}
        />
      ))}
      {lane.brackets.map((bracket, row) => (
        <ReachBracket
          key={bracket.chance}
          bracket={bracket}
          row={row}
          y={top + height - 19}
          x={x}
          width={width}
        />
      ))}
      <LaneName lane={lane} top={top} hue={look.hue} />
    </g>
  )
}

function LaneName({ lane, top, hue }: { lane: Lane; top: number; hue: string }) {
  const wide = lane.letter.length > 1 ? 28 : 19
  return (
    <g aria-hidden="true">
      <rect x="6" y={top + 5} width={wide} height="19" rx="2" fill={hue} />
      <text
        x={6 + wide / 2}
        y={top + 19}
        fontSize="14"
        fontWeight="700"
        textAnchor="middle"
        fill="var(--paper)"
      >
        {lane.letter}
      </text>
      <text
        x={12 + wide}
        y={top + 19}
        fontSize="14"
        fontWeight="700"
        fill="var(--ink)"
        stroke="var(--raised)"
        strokeWidth="4"
        paintOrder="stroke"
      >
        {lane.name}
      </text>
    </g>
  )
}

/** Repeats at one mark stand side by side. */
function spread(posts: readonly Post[], i: number): number {
  const post = posts[i]!
  const same = posts.filter((p) => p.markName === post.markName && p.direction === post.direction)
  return same.length < 2 ? 0 : (same.indexOf(post) - (same.length - 1) / 2) * 6
}
