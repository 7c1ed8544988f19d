'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Checkbox from '@mui/material/Checkbox'
import FormControlLabel from '@mui/material/FormControlLabel'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { EXAMPLE_PARTS, PART_KINDS, type Part } from '@/core/kit'
import { useAction } from '@/ui/answers/useAction'
import type { Units } from '@/core/units'
import { KIND_NAMES, partFacts } from '../partWords'
import { addExamples } from './actions'

/** Ready generic parts to start from: ticked, then added all at once. */
export function ExamplePicker({
  owned,
  units,
  onDone,
}: {
  owned: string[]
  units: Units
  onDone: () => void
}) {
  const [ticked, setTicked] = useState<string[]>([])
  const action = useAction()
  const toggle = (id: string) => setTicked((t) => (t.includes(id) ? t.filter((x) => x !== id) : [...t, id]))
  const add = () => action.run(() => addExamples(ticked), onDone)
  const missing = EXAMPLE_PARTS.filter((e) => !owned.includes(e.part.name)).map((e) => e.id)
  return (
    <Box component="section" aria-label="Ready examples">
      <Typography variant="h2" component="h2">
        Ready examples
      </Typography>
      <Box sx={{ color: 'var(--soft)', mb: 1 }}>
        Generic kinds with typical figures, to be changed into what you have. None is anybody’s product.
      </Box>
      <Box sx={{ columnCount: { xs: 1, lg: 2 }, columnGap: 4 }}>
        {PART_KINDS.map((kind) => {
          const of = EXAMPLE_PARTS.filter((e) => e.part.kind === kind)
          return (
            <Box key={kind} sx={{ breakInside: 'avoid', mb: 2 }}>
              <Typography variant="h3" component="h3">
                {KIND_NAMES[kind][1]}
              </Typography>
              {of.map(({ id, part }) => (
                <FormControlLabel
                  key={id}
                  sx={{ display: 'flex', alignItems: 'flex-start', mr: 0 }}
                  control={
                    <Checkbox
                      size="small"
                      sx={{ py: 0.5 }}
                      checked={ticked.includes(id)}
                      onChange={() => toggle(id)}
                    />
                  }
                  label={
                    <Box sx={{ lineHeight: 1.25, py: 0.5 }}>
                      <b>{part.name}</b>
                      {owned.includes(part.name) && (
                        <span style={{ color: 'var(--accent)' }}> · in your kit</span>
                      )}
                      <span style={{ display: 'block', color: 'var(--soft)', fontSize: '0.85rem' }}>
                        {partFacts({ ...part, id } as Part, units)}
                      </span>
                    </Box>
                  }
                />
              ))}
            </Box>
          )
        })}
      </Box>
      <Box
        sx={{
          position: 'sticky',
          bottom: 0,
          background: 'var(--paper)',
          borderTop: '2px solid var(--ink)',
          py: 1.25,
          display: 'flex',
          gap: 1,
          alignItems: 'center',
          flexWrap: 'wrap',
        }}
      >
        <Button variant="contained" onClick={() => void add()} disabled={ticked.length === 0 || action.busy}>
          Add {ticked.length === 1 ? 'this one' : `these ${ticked.length}`}
        </Button>
        <Button onClick={() => setTicked(missing)}>Tick all that are missing</Button>
        <Button onClick={onDone}>Leave it</Button>
        {action.refusal('Nothing was added', 'Kit')}
      </Box>
    </Box>
  )
}
