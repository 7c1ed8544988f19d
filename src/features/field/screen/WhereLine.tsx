'use client'

import type { Units } from '@/core/units'
import { withSpeed } from '../position/guide'
import { browserSource, type PositionSource } from '../position/positionSource'
import { PadButton } from '../pad/PadButton'
import type { Where } from './useWhere'

interface Props {
  where: Where
  units: Units
  /** Whether a mark's name will do as well. */
  hasMarks: boolean
  hasBase: boolean
  /** There is a position already, or one is being waited for. */
  sought: boolean
  onSource: (source: PositionSource) => void
}

/** How far out one is: read from the position, or typed. */
export function WhereLine({ where, units, hasMarks, hasBase, sought, onSource }: Props) {
  if (where.byPosition)
    return (
      <div style={{ fontSize: '1.6rem', fontWeight: 700, lineHeight: 1.15 }}>
        {where.words}
        {where.fix?.accuracyM != null && (
          <span style={{ fontSize: '1rem', fontWeight: 400 }}> ±{Math.round(where.fix.accuracyM)} m</span>
        )}
      </div>
    )
  const example = units === 'imperial' ? '0.3 mi, 500 ft' : '0.4 km, 400 m'
  return (
    <div style={{ display: 'grid', gridTemplateColumns: hasBase && !sought ? '1fr auto' : '1fr', gap: 4 }}>
      <label style={{ display: 'grid', gap: 2, fontSize: '0.95rem' }}>
        <span>
          How far from the base? <b>{where.text !== '' && where.words}</b>
        </span>
        <input
          value={where.text}
          onChange={(e) => where.setText(e.target.value)}
          placeholder={hasMarks ? `${example} or a mark` : example}
          autoComplete="off"
          style={{
            font: 'inherit',
            fontSize: '1.5rem',
            minHeight: 60,
            minWidth: 0,
            width: '100%',
            boxSizing: 'border-box',
            padding: '0 10px',
            color: 'var(--f-ink)',
            background: 'var(--f-key)',
            border: '2px solid var(--f-line)',
            borderRadius: 3,
          }}
        />
      </label>
      {hasBase && !sought && (
        <PadButton
          onClick={() => onSource(withSpeed(browserSource()))}
          style={{ alignSelf: 'end', padding: '2px 10px' }}
        >
          Use my
          <br />
          position
        </PadButton>
      )}
    </div>
  )
}
