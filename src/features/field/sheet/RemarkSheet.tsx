'use client'

import { useState } from 'react'
import type { Scale } from '@/core/reports'
import { MAX_LETTERS } from '@/core/schema/limits'
import { draftText, type Draft } from '../pad/draft'
import { FieldSheet } from './FieldSheet'
import { PadButton } from '../pad/PadButton'

/** Words that are said often, so that no glove need come off. */
const READY = [
  'noise',
  'hum',
  'broken up',
  'fading',
  'clipped',
  'someone else on',
  'moved a little',
  'battery low',
]

interface Props {
  scale: Scale
  draft: Draft
  onDraft: (d: Draft) => void
  onClip: () => void
  onClose: () => void
}

/** A remark on the check: ready words, own words; and a reading that wavers as several. */
export function RemarkSheet({ scale, draft, onDraft, onClip, onClose }: Props) {
  const [text, setText] = useState(draft.remark)
  const parts = text.split(', ').filter((p) => p !== '')
  const toggle = (word: string) =>
    setText((parts.includes(word) ? parts.filter((p) => p !== word) : [...parts, word]).join(', '))
  const sample = draftText({ ...draft, samples: [] }, scale)
  const keep = () => {
    onDraft({ ...draft, remark: text.trim() })
    onClose()
  }
  const several = () => {
    if (sample)
      onDraft({
        ...draft,
        remark: text.trim(),
        samples: [...draft.samples, sample],
        strength: null,
        overDb: 0,
        figure: '',
      })
    onClose()
  }
  return (
    <FieldSheet title="A remark on this check" onClose={onClose}>
      <div style={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 4 }}>
        {READY.map((word) => (
          <PadButton key={word} chosen={parts.includes(word)} onClick={() => toggle(word)}>
            {word}
          </PadButton>
        ))}
      </div>
      <label style={{ display: 'block', margin: '10px 0' }}>
        In your own words
        <input
          value={text}
          maxLength={MAX_LETTERS.remark}
          onChange={(e) => setText(e.target.value)}
          style={{
            display: 'block',
            width: '100%',
            boxSizing: 'border-box',
            minHeight: 48,
            font: 'inherit',
            padding: '0 10px',
            color: 'var(--f-ink)',
            background: 'var(--f-key)',
            border: '2px solid var(--f-line)',
          }}
        />
      </label>
      <div style={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 4 }}>
        <PadButton
          onClick={() => {
            onDraft({ ...draft, remark: text.trim() })
            onClip()
          }}
        >
          Sound or photo
        </PadButton>
        <PadButton disabled={!sample} onClick={several}>
          {sample ? `It wavers: keep ${sample}, read again` : 'It wavers: read once first'}
        </PadButton>
        <PadButton strong onClick={keep} style={{ gridColumn: '1 / -1' }}>
          Keep the remark
        </PadButton>
      </div>
    </FieldSheet>
  )
}
