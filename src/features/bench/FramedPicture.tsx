'use client'

import { useRef, type AriaRole, type ReactNode } from 'react'
import { useWidth } from '@/ui/shell/useWidth'
import type { Frame } from './Axes'

/** Drawn no wider and no narrower, px; a wider place shows it larger. */
const WIDEST = 860
const NARROWEST = 300
/** A narrow one is no taller than this share of its width. */
const TALLEST = 0.95
const [LEFT, RIGHT] = [62, 18]

interface Props {
  label: string
  className: string
  /** Where it has its full width, and what is kept free over and under the drawing, px. */
  height: number
  over: number
  under: number
  role?: AriaRole
  children: (frame: Frame) => ReactNode
}

/** A picture of the bench between two axes, drawn as wide as its place so that its lettering stays legible. */
export function FramedPicture({ label, className, height, over, under, role = 'img', children }: Props) {
  const place = useRef<HTMLDivElement>(null)
  const width = Math.min(WIDEST, Math.max(NARROWEST, useWidth(place, WIDEST)))
  const tall = Math.min(height, Math.round(width * TALLEST))
  const frame: Frame = {
    ...{ left: LEFT, top: over, wide: width - LEFT - RIGHT, high: tall - over - under },
    ...{ width, height: tall },
  }
  return (
    <div ref={place}>
      <svg
        viewBox={`0 0 ${width} ${tall}`}
        width="100%"
        role={role}
        aria-label={label}
        className={className}
        style={{ display: 'block', background: 'var(--raised)' }}
      >
        {children(frame)}
      </svg>
    </div>
  )
}

/** Of figures across this width, so that they do not touch. */
export const ticksAcross = ({ wide }: Frame) => Math.max(3, Math.min(8, Math.floor(wide / 70)))
