'use client'

import {
  keyOf,
  keysFarther,
  type CheckKey,
  type RunLog,
  type ScheduledCheck,
  type TrialPlan,
} from '@/core/trial'
import { countText } from '@/core/units'
import { LinkKeys } from '../pad/LinkKeys'
import { PadButton } from '../pad/PadButton'
import { FieldSheet } from './FieldSheet'

interface Props {
  plan: TrialPlan
  log: RunLog
  now: ScheduledCheck
  open: readonly ScheduledCheck[]
  /** The listener must not learn which letter is which. */
  hidden: boolean
  onChoose: (key: CheckKey) => void
  onLost: (keys: CheckKey[], words: string, reason: string) => void
  onClose: () => void
}

/** Another rig than the next one at this mark; or one that is lost here and asked no more farther out. */
export function RigSheet({ plan, log, now, open, hidden, onChoose, onLost, onClose }: Props) {
  const here = open.filter((c) => c.markId === now.markId)
  const shown = plan.links
    .filter((l) => here.some((c) => c.linkId === l.id))
    .map((l) => {
      const letter = log.blind?.[l.id] ?? l.letter
      return { ...l, letter, name: hidden && log.blind ? `Letter ${letter}` : l.name }
    })
  const link = shown.find((l) => l.id === now.linkId)
  const farther = keysFarther(plan, log, now.linkId, now.mark)
  return (
    <FieldSheet title={`Which rig now, at ${now.mark.name}?`} onClose={onClose}>
      <div style={{ display: 'grid', gap: 8 }}>
        <LinkKeys
          links={shown}
          chosen={now.linkId}
          told={(id) => `${countText(here.filter((c) => c.linkId === id).length, 'check')} here`}
          onChoose={(id) => {
            const first = here.find((c) => c.linkId === id && c.direction === now.direction)
            onChoose(keyOf(first ?? here.find((c) => c.linkId === id)!))
            onClose()
          }}
        />
        {link && farther.length > 0 && (
          <PadButton
            onClick={() => {
              onLost(farther, `${link.name} is left out farther on`, `lost by ${now.mark.name}`)
              onClose()
            }}
          >
            {link.name} is lost here: leave it out farther on
          </PadButton>
        )}
        <PadButton strong onClick={onClose}>
          Back to the log
        </PadButton>
      </div>
    </FieldSheet>
  )
}
