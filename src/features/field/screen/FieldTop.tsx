'use client'

import dynamic from 'next/dynamic'
import type { Mark, TrialPlan } from '@/core/trial'
import { FIELD_KEY, MARK_STYLE } from '../pad/keyStyles'
import { distanceText, type Units } from '@/core/units'
import type { Position } from '../position/positionSource'

interface Props {
  mark: Mark | null
  base: TrialPlan['base']
  position: Position | null
  units: Units
  left: number
  total: number
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

/** The mark, how far and which way, what is left and what still waits on this device. */
export function FieldTop(props: Props) {
  const { mark, base, position, units, left, total, waiting, recording, theme, onTheme, onAtMark } = props
  const state = (
    <>
      {total - left} of {total} checks ·{' '}
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
        <GuidedMark {...{ mark, base, position, units, onAtMark }}>{state}</GuidedMark>
      ) : (
        <div>
          <div style={MARK_STYLE}>
            {mark?.name ?? 'No mark'}{' '}
            {mark && (
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
      <button type="button" onClick={onTheme} style={FIELD_KEY}>
        {theme === 'sun' ? 'Night' : 'Sun'}
      </button>
    </header>
  )
}
