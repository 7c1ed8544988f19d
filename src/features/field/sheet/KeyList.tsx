'use client'

import { FieldSheet } from './FieldSheet'
import { PadButton } from '../pad/PadButton'
import { KEY_LIST } from '../pad/padKeys'

export function KeyList({ onClose }: { onClose: () => void }) {
  return (
    <FieldSheet title="Keys" onClose={onClose}>
      <dl style={{ display: 'grid', gridTemplateColumns: 'auto 1fr', gap: '6px 18px', margin: '0 0 16px' }}>
        {KEY_LIST.map(([key, what]) => (
          <div key={key} style={{ display: 'contents' }}>
            <dt>
              <b>{key}</b>
            </dt>
            <dd style={{ margin: 0 }}>{what}</dd>
          </div>
        ))}
      </dl>
      <PadButton strong onClick={onClose} style={{ width: '100%' }}>
        Back to the log
      </PadButton>
    </FieldSheet>
  )
}
