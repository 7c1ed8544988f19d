'use client'

import { PadButton } from './PadButton'

interface Props {
  ready: boolean
  onSent: () => void
  onSync: () => void
  onRemark: () => void
}

/** Nothing is known on the spot: what was sent is logged with its time, and graded from a recording afterwards. */
export function SendPad({ ready, onSent, onSync, onRemark }: Props) {
  return (
    <div style={{ display: 'grid', gridTemplateColumns: '2fr 1fr', gap: 4 }}>
      <PadButton
        strong
        disabled={!ready}
        onClick={onSent}
        style={{ gridColumn: '1 / -1', minHeight: 160, fontSize: '2rem' }}
      >
        Sent
      </PadButton>
      <PadButton disabled={!ready} onClick={onSync}>
        Say “mark” on the air and tap
      </PadButton>
      <PadButton onClick={onRemark}>Remark</PadButton>
    </div>
  )
}
