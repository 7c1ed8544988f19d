'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useRef } from 'react'
import type { KitPart } from '@/data/parts'
import { useAction } from '@/ui/answers/useAction'
import { removePaper, storePaper } from './actions'

/** Photos and papers kept with a part. */
export function PaperList({ part }: { part: KitPart }) {
  const input = useRef<HTMLInputElement>(null)
  const action = useAction()
  const add = async (file: File | undefined) => {
    if (!file) return
    const form = new FormData()
    form.set('file', file)
    await action.run(() => storePaper(part.id, form))
    if (input.current) input.current.value = ''
  }
  return (
    <Box component="section" aria-label="Photos and papers" sx={{ mt: 3 }}>
      <Typography variant="h3" component="h3">
        Photos and papers
      </Typography>
      {action.refusal('It was not kept', 'File')}
      <Box sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap', my: 1 }}>
        {part.papers.map((p) => (
          <Box key={p.id} sx={{ width: 150 }}>
            <a href={`/api/papers/${p.id}`} target="_blank" rel="noreferrer">
              {p.type.startsWith('image/') ? (
                <img
                  src={`/api/papers/${p.id}`}
                  alt={p.name}
                  style={{ width: 150, height: 110, objectFit: 'cover', border: '1px solid var(--rule)' }}
                />
              ) : (
                p.name
              )}
            </a>
            <Button
              size="small"
              onClick={() => void action.run(() => removePaper(p.id))}
              aria-label={`Delete ${p.name}`}
            >
              Delete
            </Button>
          </Box>
        ))}
      </Box>
      <input
        ref={input}
        type="file"
        hidden
        accept="image/*,.pdf,.txt"
        aria-label="Photo or paper"
        onChange={(e) => void add(e.target.files?.[0])}
      />
      <Button size="small" variant="outlined" onClick={() => input.current?.click()}>
        Add a photo or a paper
      </Button>
      <span style={{ color: 'var(--soft)', marginLeft: 8 }}>Up to 8 MB.</span>
    </Box>
  )
}
