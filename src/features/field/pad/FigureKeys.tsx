'use client'

import type { Scale } from '@/core/reports'
import { draftText, type Draft, type SecondFigure } from './draft'
import { keyRow } from './keyStyles'
import { PadButton } from './PadButton'

interface Props {
  also: SecondFigure
  scale: Scale
  draft: Draft
  onDraft: (change: (old: Draft) => Draft) => void
}

/** The two figures of a check side by side with what is typed of each; the pad is for the one that is chosen. */
export function FigureKeys({ also, scale, draft, onDraft }: Props) {
  const typed = { first: draftText(draft, scale), second: draftText(draft.also, also.scale) }
  return (
    <div role="group" aria-label="Which figure" style={keyRow(2)}>
      {(['first', 'second'] as const).map((which) => (
        <PadButton
          key={which}
          chosen={draft.at === which}
          onClick={() => onDraft((old) => ({ ...old, at: which }))}
          style={{ minHeight: 48, fontSize: '1rem' }}
        >
          {also[which]}: {typed[which]?.replaceAll('-', '\u2212') ?? '·'}
        </PadButton>
      ))}
    </div>
  )
}
