'use client'

import TextField from '@mui/material/TextField'
import { useState } from 'react'
import type { Mark } from '@/core/trial'
import { useAction } from '@/ui/answers/useAction'
import { putTags } from './actions'

/** Tags as they are typed, with commas between. */
const tagsIn = (text: string) => [
  ...new Set(
    text
      .split(',')
      .map((t) => t.trim().toLowerCase())
      .filter(Boolean),
  ),
]

/** What kind of place a mark is, in the user's own words; kept as soon as the field is left. */
export function TagsField({ mark }: { mark: Mark }) {
  const kept = (mark.tags ?? []).join(', ')
  const [text, setText] = useState(kept)
  const action = useAction()
  const keep = () => {
    if (tagsIn(text).join(', ') !== kept) void action.run(() => putTags(mark.id, tagsIn(text)))
  }
  return (
    <>
      <TextField
        variant="standard"
        value={text}
        placeholder="high, in the wood"
        onChange={(e) => setText(e.target.value)}
        onBlur={keep}
        onKeyDown={(e) => {
          if (e.key === 'Enter') keep()
        }}
        slotProps={{ htmlInput: { 'aria-label': `Tags of ${mark.name}`, maxLength: 250 } }}
        sx={{ minWidth: 120 }}
      />
      {action.refusal('It was not kept', 'Tags')}
    </>
  )
}
