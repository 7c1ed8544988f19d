'use client'

import type { Post } from './model'

const TALLEST = 34

interface PostProps {
  post: Post
  laneName: string
  px: number
  mid: number
  hue: string
  place: string
  tabIndex: number
  onOpen: () => void
}

const PARTS = [0, 1, 2, 3, 4]
const PART = 2.2

/** The cap, split into five parts, filled as far as the readability went. */
function Cap({
  px,
  y,
  filled,
  hue,
  up,
}: {
  px: number
  y: number
  filled: number
  hue: string
  up: boolean
}) {
  const foot = up ? y - 5 : y
  const partsOf = (full: boolean) =>
    PARTS.filter((i) => i < filled === full)
      .map((i) => `M${drawn(px - 5.5 + i * PART)} ${drawn(foot)}h1.7v5h-1.7z`)
      .join('')
  const [full, rest] = [partsOf(true), partsOf(false)]
  return (
    <g stroke={hue} strokeWidth="0.5">
      {full && <path d={full} fill={hue} />}
      {rest && <path d={rest} fill="var(--raised)" />}
    </g>
  )
}

/** A place on the drawing to a tenth of a pixel. */
const drawn = (v: number) => Math.round(10 * v) / 10

/**
 * One check: a post standing on the lane for "to base", hanging under it for "from base"; a ring where none was heard.
 */
export function CheckPost({ post, laneName, px: at, mid, hue, place, tabIndex, onOpen }: PostProps) {
  const px = drawn(at)
  const up = post.direction !== 'from base'
  const sign = up ? -1 : 1
  const ringY = mid + sign * 7
  const tip = drawn(mid + sign * (8 + (post.height ?? 0.12) * (TALLEST - 8)))
  return (
    <g
      role="listitem"
      data-place={place}
      tabIndex={tabIndex}
      aria-label={`${laneName}, ${post.direction}, mark ${post.markName}, ${(post.distanceM / 1000).toFixed(2)} km: ${post.said}`}
      onClick={onOpen}
      className="check-post"
      style={{ cursor: 'pointer' }}
    >
      <rect
        x={drawn(px - 7)}
        y={up ? mid - TALLEST - 6 : mid}
        width="14"
        height={TALLEST + 6}
        fill="transparent"
      />
      {post.state === 'heard' && (
        <>
          <path
            d={`M${px} ${mid}V${tip}`}
            stroke={hue}
            strokeWidth="3"
            strokeDasharray={post.height === null ? '2 2' : undefined}
          />
          <Cap px={px} y={tip} filled={post.readability ?? 0} hue={hue} up={up} />
        </>
      )}
      {post.state === 'not heard' && (
        <circle cx={px} cy={ringY} r="4.5" fill="var(--raised)" stroke={hue} strokeWidth="2" />
      )}
      {post.state === 'to do' && (
        <circle
          cx={px}
          cy={ringY}
          r="4"
          fill="none"
          stroke="var(--soft)"
          strokeWidth="1.6"
          strokeDasharray="1.6 2.2"
        />
      )}
      {post.state === 'not graded' && (
        <>
          <circle cx={px} cy={ringY} r="4.5" fill="none" stroke={hue} strokeWidth="1.6" />
          <circle cx={px} cy={ringY} r="1.6" fill={hue} />
        </>
      )}
      {post.state === 'not read' && (
        <text x={px} y={ringY + 5} fontSize="14" fontWeight="700" textAnchor="middle" fill="var(--bad)">
          ?
        </text>
      )}
      {post.state === 'skipped' && <path d={`M${px - 4} ${ringY}h8`} stroke="var(--soft)" strokeWidth="2" />}
    </g>
  )
}
