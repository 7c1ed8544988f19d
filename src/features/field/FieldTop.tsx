'use client'

import type { Mark } from '@/core/trial'
import { distanceText, type Units } from '@/core/units'
import type { QueueState } from './entryQueue'

interface Props {
  mark: Mark | null
  units: Units
  left: number
  total: number
  queue: QueueState
  trouble: string | null
  theme: 'sun' | 'night'
  onTheme: () => void
}

const turned = (deg: number) => Math.round((deg + 180) % 360)

/** The mark, how far and which way the base lies, what is left and what still waits on this device. */
export function FieldTop({ mark, units, left, total, queue, trouble, theme, onTheme }: Props) {
  return (
    <header style={{ display: 'grid', gridTemplateColumns: '1fr auto', gap: 6, alignItems: 'center' }}>
      <div>
        <div style={{ fontSize: '1.7rem', fontWeight: 700, lineHeight: 1.1 }}>
          {mark?.name ?? 'No mark'}{' '}
          {mark && (
            <span style={{ fontSize: '1.1rem', fontWeight: 400 }}>
              {distanceText(mark.distanceM, units)}
              {mark.bearingDeg !== null && `, base at ${turned(mark.bearingDeg)}°`}
            </span>
          )}
        </div>
        <div style={{ fontSize: '0.95rem' }}>
          {mark?.legName && `${mark.legName} · `}
          {total - left} of {total} checks ·{' '}
          {queue.waiting === 0 ? 'all saved' : `${queue.waiting} only on this device`}
          {queue.trouble && queue.waiting > 0 && ' (will be sent again)'}
        </div>
        {trouble && (
          <div role="alert" style={{ fontWeight: 700 }}>
            {trouble}
          </div>
        )}
      </div>
      <button
        type="button"
        onClick={onTheme}
        style={{
          minWidth: 64,
          minHeight: 48,
          font: 'inherit',
          color: 'inherit',
          background: 'var(--f-key)',
          border: '2px solid var(--f-line)',
          borderRadius: 3,
        }}
      >
        {theme === 'sun' ? 'Night' : 'Sun'}
      </button>
    </header>
  )
}
