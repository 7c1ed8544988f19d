'use client'

import type { ReactNode } from 'react'
import type { Mark, TrialPlan } from '@/core/trial'
import { distanceText, type Units } from '@/core/units'
import { FIELD_KEY, MARK_STYLE } from '../pad/keyStyles'
import { baseFrom, guideTo } from '../position/guide'
import type { Position } from '../position/positionSource'
import { useHeading } from '../position/useHeading'

/** An arrow from where one looks to where one goes. */
function Arrow({ deg }: { deg: number }) {
  return (
    <svg width="40" height="40" viewBox="-20 -20 40 40" aria-hidden="true" style={{ flex: 'none' }}>
      <g transform={`rotate(${deg})`}>
        <path d="M0 -17L11 14L0 7L-11 14Z" fill="var(--f-now)" stroke="var(--f-line)" strokeWidth="2.5" />
      </g>
    </svg>
  )
}

interface Props {
  mark: Mark | null
  /** Named where there is no mark. */
  place: string | null
  base: TrialPlan['base']
  position: Position
  units: Units
  /** Logs the arrival; null where one is there already. */
  onAtMark: (() => void) | null
  children: ReactNode
}

/** The mark with the way to it from where one stands. */
export function GuidedMark({ mark, place, base, position, units, onAtMark, children }: Props) {
  const heading = useHeading()
  const guide = guideTo(mark, position)
  const home = baseFrom(base, position, mark)
  const facing = heading ?? position.courseDeg
  const toBase =
    home &&
    `${distanceText(home.distanceM, units)} to base${home.bearingDeg === null ? '' : ` at ${Math.round(home.bearingDeg)}°`}`
  const going = guide !== null && !guide.arrived
  return (
    <div style={{ display: 'flex', gap: 6, alignItems: 'center' }}>
      {going && facing !== null && <Arrow deg={guide.bearingDeg - facing} />}
      <div style={{ flex: 1 }}>
        <div style={MARK_STYLE}>
          {mark?.name ?? place ?? 'No mark'}{' '}
          <span style={{ fontSize: '1.1rem', fontWeight: 400 }}>
            {going
              ? `${distanceText(guide.distanceM, units)} on, at ${Math.round(guide.bearingDeg)}°, ${Math.max(1, Math.round(guide.minutes!))} min`
              : mark && toBase}
          </span>
        </div>
        <div style={{ fontSize: '0.95rem' }}>
          {going && `${toBase} · `}
          {children}
          {position.accuracyM !== null && ` · ±${Math.round(position.accuracyM)} m`}
        </div>
      </div>
      {guide?.arrived && onAtMark && (
        <button
          type="button"
          onClick={onAtMark}
          style={{ ...FIELD_KEY, background: 'var(--f-now)', color: '#14222e', fontWeight: 700 }}
        >
          I am here
        </button>
      )}
    </div>
  )
}
