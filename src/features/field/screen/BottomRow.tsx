import type { FieldActions } from '../actions/useFieldActions'
import { PadButton } from '../pad/PadButton'

interface Props {
  actions: FieldActions
  ready: boolean
  canUndo: boolean
  sendOnly: boolean
  leftHanded: boolean
  /** What the large key says. */
  words: string
  onMore: () => void
}

/** The bottom row: undo always in the same corner, the large key under the thumb. */
export function BottomRow({ actions, ready, canUndo, sendOnly, leftHanded, words, onMore }: Props) {
  const keys = [
    <PadButton key="undo" onClick={() => void actions.undo()} disabled={!ready || !canUndo}>
      Undo
    </PadButton>,
    <PadButton key="more" onClick={onMore}>
      More
    </PadButton>,
    <PadButton
      key="log"
      strong
      disabled={!ready}
      onClick={() => void actions.tapped('log', sendOnly ? actions.logSent : actions.logDraft)}
      style={sendOnly ? { minHeight: 120, fontSize: '2rem' } : undefined}
    >
      {sendOnly ? 'Sent' : words}
    </PadButton>,
  ]
  return (
    <div style={{ display: 'grid', gridTemplateColumns: leftHanded ? '2fr 1fr 1fr' : '1fr 1fr 2fr', gap: 4 }}>
      {leftHanded ? keys.reverse() : keys}
    </div>
  )
}
