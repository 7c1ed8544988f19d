'use client'

import Input from '@mui/material/Input'
import { useRef, useState } from 'react'
import type { Mark } from '@/core/trial'
import { useAction } from '@/ui/answers/useAction'
import { useUnsaved } from '@/ui/answers/useUnsaved'
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
  const sent = useRef(kept)
  const action = useAction()
  useUnsaved(tagsIn(text).join(', ') !== kept)
  const keep = () => {
    const tags = tagsIn(text)
    // Enter keeps it, and leaving the field afterwards has nothing to add.
    if (tags.join(', ') === sent.current) return
    sent.current = tags.join(', ')
    void action
      .run(() => putTags(mark.id, tags))
      .then(({ ok }) => {
        if (!ok) sent.current = kept
      })
  }
  return (
    <>
      <Input
        size="small"
        disableInjectingGlobalStyles
        value={text}
        placeholder="high, in the wood"
        onChange={(e) => setText(e.target.value)}
        onBlur={keep}
        onKeyDown={(e) => {
          if (e.key === 'Enter') keep()
        }}
        inputProps={{ 'aria-label': `Tags of ${mark.name}`, maxLength: 250 }}
        sx={{ minWidth: 120 }}
      />
      {action.refusal('It was not kept', 'Tags')}
    </>
  )
}
