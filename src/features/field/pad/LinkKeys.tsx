'use client'

import type { Link } from '@/core/kit'
import { PadButton } from './PadButton'
import { keyRow } from './keyStyles'

interface Props {
  links: readonly Link[]
  chosen: string | null
  /** What is known of each so far, in a few words. */
  told: (linkId: string) => string | null
  onChoose: (linkId: string) => void
}

/** The rigs side by side, one of them in hand. */
export function LinkKeys({ links, chosen, told, onChoose }: Props) {
  return (
    <div role="group" aria-label="Rig in hand" style={keyRow(links.length > 6 ? 3 : 2)}>
      {links.map((l) => {
        const words = told(l.id)
        return (
          <PadButton
            key={l.id}
            chosen={l.id === chosen}
            onClick={() => onChoose(l.id)}
            style={{ display: 'flex', gap: 8, alignItems: 'center', textAlign: 'left', fontSize: '1rem' }}
          >
            <span aria-hidden="true" style={{ fontSize: '1.5rem', minWidth: 26, textAlign: 'center' }}>
              {l.letter}
            </span>
            <span style={{ minWidth: 0, lineHeight: 1.15, overflow: 'hidden' }}>
              {l.name}
              {words && (
                <span style={{ display: 'block', fontWeight: 400, fontSize: '0.85rem' }}>{words}</span>
              )}
            </span>
          </PadButton>
        )
      })}
    </div>
  )
}
