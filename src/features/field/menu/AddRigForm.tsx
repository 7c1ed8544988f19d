'use client'

import { MAX_LETTERS } from '@/core/schema/limits'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { TextField } from '@/ui/fields/TextField'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { marksNow, schedule } from '@/core/trial'
import { unplannedLink } from './unplannedLink'
import type { MenuProps } from './shared'

/** A rig that nobody planned: a name is enough out there, the rest is described at home. */
export function AddRigForm({
  pack,
  handle,
  actions,
  now,
}: Pick<MenuProps, 'pack' | 'handle' | 'actions' | 'now'>) {
  const { plan } = pack
  const { log } = handle
  const [name, setName] = useState('')
  const [problem, setProblem] = useState('')
  const like = plan.links.find((l) => l.id === now?.linkId) ?? plan.links[0]!
  const add = () => {
    const wanted = name.trim()
    if (wanted === '') return setProblem('Say what it is, such as "borrowed whip".')
    if (plan.links.some((l) => l.name.toLowerCase() === wanted.toLowerCase()))
      return setProblem(`${wanted} is in the plan already.`)
    const left = new Set(schedule(plan, log).flatMap((c) => (c.state === 'to do' ? [c.markId] : [])))
    const passed = marksNow(plan, log).filter((m) => !left.has(m.id) && m.id !== log.currentMark)
    const link = unplannedLink(plan, like, wanted)
    void actions
      .addEvent(
        { kind: 'link', link, notAt: passed.map((m) => m.id), described: false },
        `Added: ${link.letter} ${wanted}, asked from here on`,
      )
      .then(() => {
        setName('')
        setProblem('')
      })
  }
  return (
    <>
      <Typography variant="h3" component="h3">
        A rig that nobody planned
      </Typography>
      <Box>
        It is asked from here on, on {like.out.txMHz} MHz. What it is made of is said afterwards, under Field.
      </Box>
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'flex-start' }}>
        <TextField
          label="What it is"
          slotProps={{ htmlInput: { maxLength: MAX_LETTERS.name } }}
          value={name}
          onChange={(e) => setName(e.target.value)}
          error={problem !== ''}
          helperText={problem}
          placeholder="borrowed whip"
          sx={{ flex: 1 }}
        />
        <Button variant="outlined" onClick={add}>
          Add it
        </Button>
      </Box>
    </>
  )
}
