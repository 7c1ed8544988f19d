'use client'

import { useState } from 'react'
import { listenerOf, type Direction } from '@/core/kit'
import { whyNotRead } from '@/core/reports'
import { keyText, type ScheduledCheck, type TrialPlan } from '@/core/trial'
import { FieldSheet } from './FieldSheet'
import { PadButton } from '../pad/PadButton'

interface Props {
  plan: TrialPlan
  /** Checks still to make at this mark. */
  open: readonly ScheduledCheck[]
  direction: Direction
  /** Letters of a blind order that this device must not see through. */
  blind: Record<string, string> | null
  onLog: (reports: { check: ScheduledCheck; text: string }[]) => Promise<void>
  onClose: () => void
}

/** One call, several receivers at one mark: what each of them heard, in one grid. */
export function GridSheet({ plan, open, direction, blind, onLog, onClose }: Props) {
  const [texts, setTexts] = useState<Record<string, string>>({})
  // Of repeats the first one still to make.
  const rows = plan.links.flatMap((link) => {
    const check = open.find((c) => c.linkId === link.id && c.direction === direction)
    return check ? [{ link, check, key: keyText(check) }] : []
  })
  const scale = plan.scales[listenerOf(direction)]
  const filled = rows.filter((r) => (texts[r.key] ?? '').trim() !== '')
  const bad = filled.filter((r) => whyNotRead(texts[r.key]!, scale) !== null)
  return (
    <FieldSheet title={`All at once, ${direction}`} onClose={onClose}>
      <div style={{ display: 'grid', gap: 6, maxHeight: '60dvh', overflowY: 'auto' }}>
        {rows.map(({ link, key }) => {
          const text = texts[key] ?? ''
          const why = whyNotRead(text, scale)
          return (
            <div
              key={key}
              style={{ display: 'grid', gridTemplateColumns: '2.2rem 1fr 1fr', gap: 6, alignItems: 'center' }}
            >
              <b style={{ fontSize: '1.5rem' }}>{blind?.[link.id] ?? link.letter}</b>
              <input
                aria-label={blind ? `Letter ${blind[link.id]}` : `${link.letter}, ${link.name}`}
                aria-invalid={why !== null}
                value={text}
                onChange={(e) => setTexts({ ...texts, [key]: e.target.value })}
                style={{
                  minHeight: 56,
                  minWidth: 0,
                  font: 'inherit',
                  padding: '0 10px',
                  color: 'var(--f-ink)',
                  background: 'var(--f-key)',
                  border: `${why ? 4 : 2}px solid var(--f-line)`,
                }}
              />
              <PadButton
                chosen={text === 'not heard'}
                onClick={() => setTexts({ ...texts, [key]: text === 'not heard' ? '' : 'not heard' })}
                style={{ minHeight: 56 }}
              >
                Not heard
              </PadButton>
              {why && <span style={{ gridColumn: '2 / -1' }}>{why}</span>}
            </div>
          )
        })}
      </div>
      <div style={{ display: 'grid', gridTemplateColumns: '1fr 2fr', gap: 4, marginTop: 8 }}>
        <PadButton onClick={onClose}>Back</PadButton>
        <PadButton
          strong
          disabled={filled.length === 0 || bad.length > 0}
          onClick={() =>
            void onLog(filled.map((r) => ({ check: r.check, text: texts[r.key]!.trim() }))).then(onClose)
          }
        >
          Log {filled.length} of {rows.length}
        </PadButton>
      </div>
    </FieldSheet>
  )
}
