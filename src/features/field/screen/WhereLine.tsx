'use client'

import { placeOfBase, type TrialPlan } from '@/core/trial'
import type { Units } from '@/core/units'
import { withSpeed } from '../position/guide'
import { browserSource, type PositionSource } from '../position/positionSource'
import { FIELD_INPUT } from '../pad/keyStyles'
import { PadButton } from '../pad/PadButton'
import type { Where } from './useWhere'

interface Props {
  where: Where
  units: Units
  /** Whether a mark's name will do as well. */
  hasMarks: boolean
  base: TrialPlan['base']
  /** Where a position comes from, or is waited for; null for nowhere. */
  source: PositionSource | null
  onSource: (source: PositionSource) => void
}

/** How far out one is: read from the position, or typed. */
export function WhereLine({ where, units, hasMarks, base, source, onSource }: Props) {
  if (where.byPosition)
    return (
      <div style={{ fontSize: '1.6rem', fontWeight: 700, lineHeight: 1.15 }}>
        {where.words}
        {where.fix?.accuracyM != null && (
          <span style={{ fontSize: '1rem', fontWeight: 400 }}> ±{Math.round(where.fix.accuracyM)} m</span>
        )}
      </div>
    )
  const offered = placeOfBase(base) !== null && source === null
  const example = units === 'imperial' ? '0.3 mi, 500 ft' : '0.4 km, 400 m'
  return (
    <div style={{ display: 'grid', gridTemplateColumns: offered ? '1fr auto' : '1fr', gap: 4 }}>
      <label style={{ display: 'grid', gap: 2, fontSize: '0.95rem' }}>
        <span>
          How far from the base? <b>{where.text !== '' && where.words}</b>
        </span>
        <input
          value={where.text}
          onChange={(e) => where.setText(e.target.value)}
          placeholder={hasMarks ? `${example} or a mark` : example}
          autoComplete="off"
          style={FIELD_INPUT}
        />
      </label>
      {offered && (
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
