'use client'

import { PadButton } from './PadButton'

interface Props {
  ready: boolean
  onSync: () => void
  onRemark: () => void
  onSkip: () => void
}

/** Nothing is known on the spot: what was sent is logged with its time, and graded from a recording afterwards. */
export function SendPad({ ready, onSync, onRemark, onSkip }: Props) {
  return (
    <div style={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 4 }}>
      <PadButton disabled={!ready} onClick={onSync} style={{ gridColumn: '1 / -1', minHeight: 96 }}>
        Say “mark” on the air and tap
      </PadButton>
      <PadButton onClick={onRemark}>Remark</PadButton>
      <PadButton disabled={!ready} onClick={onSkip}>
        Skip this check
      </PadButton>
    </div>
  )
}
