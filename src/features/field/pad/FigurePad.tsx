'use client'

import { whyNotRead, type Scale } from '@/core/reports'
import type { Draft } from './draft'
import { figureAfter, isFigure, type FigureKey } from './figure'
import { keyRow } from './keyStyles'
import { PadButton } from './PadButton'

interface Props {
  scale: Scale
  draft: Draft
  onDraft: (d: Draft) => void
}

const KEYS: [FigureKey, shown: string, name: string][] = [
  ['-', '±', 'Turn the sign'],
  ['.', '.', 'Decimal point'],
  ['to', 'to', 'To: it wavers between two'],
  ['back', '⌫', 'Rub out'],
]

/** The pad for a level or another figure; what is typed and what is wrong with it stand over it. */
export function FigurePad({ scale, draft, onDraft }: Props) {
  const unit = 'unit' in scale ? scale.unit : ''
  const type = (key: string) => onDraft({ ...draft, figure: figureAfter(draft.figure, key, scale) })
  const why = isFigure(draft.figure) ? whyNotRead(draft.figure, scale) : null
  return (
    <div role="group" aria-label={unit ? `Level in ${unit}` : 'Figure'} style={{ display: 'grid', gap: 4 }}>
      <div
        aria-live="polite"
        style={{ fontSize: '1.8rem', fontWeight: 700, minHeight: 40, textAlign: 'center' }}
      >
        {draft.figure.replaceAll('-', '−') || '·'} <small style={{ fontWeight: 400 }}>{unit}</small>
        {why && (
          <small style={{ display: 'block', fontSize: '0.95rem', fontWeight: 400 }}>
            {why.charAt(0).toUpperCase() + why.slice(1)}
          </small>
        )}
      </div>
      <div style={keyRow(5)}>
        {['1', '2', '3', '4', '5', '6', '7', '8', '9', '0'].map((d) => (
          <PadButton key={d} onClick={() => type(d)}>
            {d}
          </PadButton>
        ))}
      </div>
      <div style={keyRow(4)}>
        {KEYS.map(([key, shown, name]) => (
          <PadButton key={key} aria-label={name} onClick={() => type(key)}>
            {shown}
          </PadButton>
        ))}
      </div>
    </div>
  )
}
