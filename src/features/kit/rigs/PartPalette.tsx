'use client'

import { useDraggable } from '@dnd-kit/core'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { TextField } from '@/ui/fields/TextField'
import { useState } from 'react'
import { PART_KINDS, type Part } from '@/core/kit'
import type { Units } from '@/core/units'
import { LinkButton } from '@/ui/shell'
import { KIND_NAMES, partFacts } from '../partWords'
import { PartGlyph } from '../PartGlyph'

interface Props {
  parts: readonly Part[]
  partsHref: string
  units: Units
  onPick: (part: Part) => void
}

function PaletteRow({ part, units, onPick }: { part: Part; units: Units; onPick: () => void }) {
  const { attributes, listeners, setNodeRef, isDragging } = useDraggable({ id: `part:${part.id}` })
  return (
    <Box
      ref={setNodeRef}
      sx={{
        display: 'flex',
        gap: 1,
        alignItems: 'center',
        py: 0.5,
        opacity: isDragging ? 0.4 : 1,
        borderTop: '1px solid var(--rule)',
      }}
    >
      <Box
        {...listeners}
        {...attributes}
        tabIndex={-1}
        aria-hidden="true"
        role={undefined}
        sx={{ cursor: 'grab', color: 'var(--soft)', touchAction: 'none' }}
      >
        <PartGlyph
          kind={part.kind}
          standing={part.kind === 'radio' && part.spec.use !== 'handheld'}
          size={34}
        />
      </Box>
      <Box sx={{ flex: 1, minWidth: 0, lineHeight: 1.25 }}>
        <Box sx={{ fontWeight: 700, fontSize: '0.92rem' }}>{part.name}</Box>
        <Box sx={{ color: 'var(--soft)', fontSize: '0.82rem' }}>{partFacts(part, units)}</Box>
      </Box>
      <Button size="small" onClick={onPick} aria-label={`Put in ${part.name}`}>
        Put in
      </Button>
    </Box>
  )
}

/** The parts to pick from: put in by a button, or dragged into the chain. */
export function PartPalette({ parts, partsHref, units, onPick }: Props) {
  const [find, setFind] = useState('')
  const words = find.toLowerCase().split(/\s+/).filter(Boolean)
  const shown = parts.filter((p) => {
    const text = `${p.name} ${KIND_NAMES[p.kind].join(' ')} ${partFacts(p, units)}`.toLowerCase()
    return words.every((w) => text.includes(w))
  })
  return (
    <Box component="section" aria-label="Parts to put in">
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', mb: 1 }}>
        <TextField
          label="Find a part"
          value={find}
          onChange={(e) => setFind(e.target.value)}
          sx={{ flex: 1 }}
        />
        <LinkButton size="small" href={partsHref}>
          Keep parts
        </LinkButton>
      </Box>
      <Box sx={{ maxHeight: 520, overflowY: 'auto', pr: 0.5 }} tabIndex={0} role="region" aria-label="Parts">
        {PART_KINDS.map((kind) => {
          const of = shown.filter((p) => p.kind === kind)
          if (of.length === 0) return null
          return (
            <Box key={kind} sx={{ mb: 1.5 }}>
              <Box component="h3" sx={{ m: 0, fontSize: '0.9rem', color: 'var(--soft)' }}>
                {KIND_NAMES[kind][1]}
              </Box>
              {of.map((p) => (
                <PaletteRow key={p.id} part={p} units={units} onPick={() => onPick(p)} />
              ))}
            </Box>
          )
        })}
        {parts.length === 0 && <p>No parts yet. Add some from the ready examples under Parts, then build.</p>}
        {parts.length > 0 && shown.length === 0 && <p>No part is called that.</p>}
      </Box>
    </Box>
  )
}
