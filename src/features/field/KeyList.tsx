'use client'

import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import { KEY_LIST } from './padKeys'

export function KeyList({ onClose }: { onClose: () => void }) {
  return (
    <Dialog open onClose={onClose} aria-labelledby="keys-title">
      <DialogTitle id="keys-title">Keys</DialogTitle>
      <DialogContent>
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
        <Button variant="contained" onClick={onClose}>
          Back to the log
        </Button>
      </DialogContent>
    </Dialog>
  )
}
