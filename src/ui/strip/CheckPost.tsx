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

/** So many of the five parts of a cap that stands on 0, from the first on; the same for all that have as many. */
const partsOf = (from: number, to: number) =>
  PARTS.slice(from, to)
    .map((i) => `M${drawn(-5.5 + i * PART)} -5h1.7v5h-1.7z`)
    .join('')

/** A place on the drawing to a tenth of a pixel. */
const drawn = (v: number) => Math.round(10 * v) / 10

/** The cap, split into five parts, filled as far as the readability went. @param foot of it, from the lane */
function Cap({ foot, filled, hue }: { foot: number; filled: number; hue: string }) {
  const full = Math.max(0, Math.min(5, Math.ceil(filled)))
  return (
    <g transform={`translate(0 ${foot})`} stroke={hue} strokeWidth="0.5">
      {full > 0 && <path d={partsOf(0, full)} fill={hue} />}
      {full < 5 && <path d={partsOf(full, 5)} fill="var(--raised)" />}
    </g>
  )
}

/**
 * One check: a post standing on the lane for "to base", hanging under it for "from base"; a ring where none was heard.
 * It is drawn about the place where it meets the lane, so that all of a kind are alike.
 */
export function CheckPost({ post, laneName, px, mid, hue, place, tabIndex, onOpen }: PostProps) {
  const up = post.direction !== 'from base'
  const sign = up ? -1 : 1
  const ringY = sign * 7
  const tip = drawn(sign * (8 + (post.height ?? 0.12) * (TALLEST - 8)))
  return (
    <g
      role="listitem"
      data-place={place}
      tabIndex={tabIndex}
      aria-label={`${laneName}, ${post.direction}, mark ${post.markName}, ${(post.distanceM / 1000).toFixed(2)} km: ${post.said}`}
      onClick={onOpen}
      className="check-post"
      transform={`translate(${drawn(px)} ${mid})`}
    >
      <rect x="-7" y={up ? -TALLEST - 6 : 0} width="14" height={TALLEST + 6} fill="transparent" />
      {post.state === 'heard' && (
        <>
          <path
            d={`M0 0V${tip}`}
            stroke={hue}
            strokeWidth="3"
            strokeDasharray={post.height === null ? '2 2' : undefined}
          />
          <Cap foot={up ? tip : drawn(tip + 5)} filled={post.readability ?? 0} hue={hue} />
        </>
      )}
      {post.state === 'not heard' && (
        <circle cy={ringY} r="4.5" fill="var(--raised)" stroke={hue} strokeWidth="2" />
      )}
      {post.state === 'to do' && (
        <circle
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
          <circle cy={ringY} r="4.5" fill="none" stroke={hue} strokeWidth="1.6" />
          <circle cy={ringY} r="1.6" fill={hue} />
        </>
      )}
      {post.state === 'not read' && (
        <text y={ringY + 5} fontSize="14" fontWeight="700" textAnchor="middle" fill="var(--bad)">
          ?
        </text>
      )}
      {post.state === 'skipped' && <path d={`M-4 ${ringY}h8`} stroke="var(--soft)" strokeWidth="2" />}
    </g>
  )
}
