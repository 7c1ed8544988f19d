'use client'

import dynamic from 'next/dynamic'
import { useEffect, useState } from 'react'
import { isDistanceKnown, type Mark, type TrialPlan } from '@/core/trial'
import { FIELD_KEY, MARK_STYLE } from '../pad/keyStyles'
import { countText, distanceText, type Units } from '@/core/units'
import type { Position } from '../position/positionSource'

interface Props {
  mark: Mark | null
  base: TrialPlan['base']
  position: Position | null
  units: Units
  left: number
  total: number
  /** Entries that are no checks: edges, changes by ear. */
  noted: number
  /** Named in the place of a mark where there is none. */
  place: string | null
  /** Entries, photos and sounds that are only on this device. */
  waiting: number
  /** A sound is being recorded. */
  recording: boolean
  theme: 'sun' | 'night'
  onTheme: () => void
  /** Logs the arrival; null where one is there already. */
  onAtMark: (() => void) | null
}

// The way to the mark comes with the first position, and geodesics with it.
const GuidedMark = dynamic(() => import('./GuidedMark').then((m) => m.GuidedMark), { ssr: false })

/** How long the second tap is waited for, ms. */
const ASKED_MS = 4000

/** Sun or night: asked once more, since a screen that goes dark in the sun is lost. */
function ThemeKey({ theme, onTheme }: Pick<Props, 'theme' | 'onTheme'>) {
  const [asked, setAsked] = useState(false)
  useEffect(() => {
    if (!asked) return
    const timer = setTimeout(() => setAsked(false), ASKED_MS)
    return () => clearTimeout(timer)
  }, [asked])
  const other = theme === 'sun' ? 'Night' : 'Sun'
  return (
    <button
      type="button"
      onClick={() => {
        if (asked) onTheme()
        setAsked(!asked)
      }}
      style={{ ...FIELD_KEY, ...(asked ? { background: 'var(--f-on)', color: 'var(--f-onInk)' } : {}) }}
    >
      {asked ? `${other}? Tap again` : other}
    </button>
  )
}

/** The mark, how far and which way, what is left and what still waits on this device. */
export function FieldTop(props: Props) {
  const {
    mark,
    base,
    position,
    units,
    left,
    total,
    noted,
    place,
    waiting,
    recording,
    theme,
    onTheme,
    onAtMark,
  } = props
  const state = (
    <>
      {total > 0 ? `${total - left} of ${countText(total, 'check')}` : countText(noted, 'note')} ·{' '}
      <b style={{ whiteSpace: 'nowrap' }}>{waiting === 0 ? 'all saved' : `${waiting} only on this device`}</b>
      {recording && (
        <>
          {' '}
          · <b style={{ whiteSpace: 'nowrap' }}>recording</b>
        </>
      )}
    </>
  )
  return (
    <header style={{ display: 'grid', gridTemplateColumns: '1fr auto', gap: 6, alignItems: 'center' }}>
      {position ? (
        <GuidedMark {...{ mark, place, base, position, units, onAtMark }}>{state}</GuidedMark>
      ) : (
        <div>
          <div style={MARK_STYLE}>
            {mark?.name ?? place ?? 'No mark'}{' '}
            {mark && isDistanceKnown(mark) && (
              <span style={{ fontSize: '1.1rem', fontWeight: 400 }}>
                {distanceText(mark.distanceM, units)}
                {mark.bearingDeg !== null && `, base at ${Math.round((mark.bearingDeg + 180) % 360)}°`}
              </span>
            )}
          </div>
          <div style={{ fontSize: '0.95rem' }}>
            {mark?.legName && `${mark.legName} · `}
            {state}
          </div>
        </div>
      )}
      <ThemeKey theme={theme} onTheme={onTheme} />
    </header>
  )
}
