'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import MenuItem from '@mui/material/MenuItem'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { PART_KINDS, type PartKind } from '@/core/kit'
import type { Units } from '@/core/units'
import type { KitPart } from '@/data/parts'
import { useAction } from '@/ui/answers/useAction'
import { Empty, PageHead, LinkButton } from '@/ui/shell'
import { KIND_NAMES, partFacts } from '../partWords'
import { PartGlyph } from '../PartGlyph'
import { removePart } from './actions'
import { PatternRose, SwrCurve } from './CurveDrawings'
import { ExamplePicker } from './ExamplePicker'
import { PaperList } from './PaperList'
import { PartForm } from './PartForm'
import { UnitList } from './UnitList'

type View =
  { show: 'list' } | { show: 'examples' } | { show: 'new'; kind: PartKind } | { show: 'part'; id: string }

function PartRow({
  part,
  units,
  chosen,
  onOpen,
  onDelete,
}: {
  part: KitPart
  units: Units
  chosen: boolean
  onOpen: () => void
  onDelete: () => void
}) {
  return (
    <Box
      component="li"
      sx={{
        display: 'flex',
        gap: 1.5,
        alignItems: 'center',
        py: 0.75,
        borderTop: '1px solid var(--rule)',
        background: chosen ? 'var(--raised)' : 'none',
      }}
    >
      <PartGlyph
        kind={part.kind}
        standing={part.kind === 'radio' && part.spec.use !== 'handheld'}
        size={38}
      />
      <Box sx={{ flex: 1, minWidth: 0, lineHeight: 1.3 }}>
        <b>{part.name}</b>
        {part.owned !== 1 && <span style={{ color: 'var(--soft)' }}> · {part.owned} of them</span>}
        <Box sx={{ color: 'var(--soft)', fontSize: '0.88rem' }}>{partFacts(part, units)}</Box>
        {part.usedBy.length > 0 && (
          <Box sx={{ color: 'var(--accent)', fontSize: '0.85rem' }}>in {part.usedBy.join('; ')}</Box>
        )}
      </Box>
      <Button size="small" onClick={onOpen} aria-label={`Open ${part.name}`}>
        Open
      </Button>
      <Button size="small" onClick={onDelete} aria-label={`Delete ${part.name}`}>
        Delete
      </Button>
    </Box>
  )
}

/** Every part there is, by kind; one is opened beside the list. */
export function PartsPlace({ parts, units }: { parts: KitPart[]; units: Units }) {
  const [view, setView] = useState<View>({ show: 'list' })
  const action = useAction()
  const open = view.show === 'part' ? parts.find((p) => p.id === view.id) : undefined
  const remove = (part: KitPart) => action.run(() => removePart(part.id))
  const examples = (
    <Button
      variant={parts.length === 0 ? 'contained' : 'outlined'}
      onClick={() => setView({ show: 'examples' })}
    >
      Add ready examples
    </Button>
  )
  const side = view.show === 'new' || open
  return (
    <>
      <PageHead
        title="Parts"
        lead="Everything between the radio and the sky. Rigs are built of these; a change here changes every rig that uses the part, but never a run that was begun."
      >
        <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
          {parts.length > 0 && examples}
          <TextField
            select
            label="Add a part of your own"
            value=""
            onChange={(e) => setView({ show: 'new', kind: e.target.value as PartKind })}
            sx={{ minWidth: 220 }}
          >
            {PART_KINDS.map((k) => (
              <MenuItem key={k} value={k}>
                {KIND_NAMES[k][0]}
              </MenuItem>
            ))}
          </TextField>
        </Box>
      </PageHead>
      {action.refusal('It was not deleted', 'Part')}
      {view.show === 'examples' ? (
        <ExamplePicker
          owned={parts.map((p) => p.name)}
          units={units}
          onDone={() => setView({ show: 'list' })}
        />
      ) : (
        <Box
          sx={{
            display: 'grid',
            gap: 4,
            gridTemplateColumns: {
              xs: 'minmax(0, 1fr)',
              lg: side ? 'minmax(0, 4fr) minmax(0, 7fr)' : 'minmax(0, 1fr)',
            },
          }}
        >
          <Box sx={{ order: { xs: side ? 2 : 1, lg: 1 } }}>
            {parts.length === 0 && !side && (
              <Empty title="No parts yet" action={examples}>
                Begin with the ready examples, generic kinds with typical figures, and change them into what
                you have.
              </Empty>
            )}
            <Box sx={side ? {} : { columnCount: { xs: 1, lg: 2 }, columnGap: 5 }}>
              {PART_KINDS.map((kind) => {
                const of = parts.filter((p) => p.kind === kind)
                if (of.length === 0) return null
                return (
                  <Box key={kind} sx={{ mb: 2.5, breakInside: 'avoid' }}>
                    <Typography variant="h3" component="h2">
                      {KIND_NAMES[kind][1]}
                    </Typography>
                    <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0 }}>
                      {of.map((p) => (
                        <PartRow
                          key={p.id}
                          part={p}
                          units={units}
                          chosen={open?.id === p.id}
                          onOpen={() => setView({ show: 'part', id: p.id })}
                          onDelete={() => void remove(p)}
                        />
                      ))}
                    </Box>
                  </Box>
                )
              })}
            </Box>
          </Box>
          {side && (
            <Box
              sx={{
                order: { xs: 1, lg: 2 },
                border: '1px solid var(--rule)',
                background: 'var(--raised)',
                p: { xs: 2, md: 2.5 },
                alignSelf: 'start',
              }}
            >
              <PartForm
                key={open ? `${open.id} ${open.revision}` : `new ${view.show === 'new' ? view.kind : ''}`}
                kind={open?.kind ?? (view.show === 'new' ? view.kind : 'other')}
                part={open ?? null}
                units={units}
                onDone={(id) => setView(id && !open ? { show: 'part', id } : { show: 'list' })}
              />
              {open?.kind === 'antenna' && (
                <Box sx={{ display: 'flex', gap: 3, flexWrap: 'wrap', mt: 2 }}>
                  <SwrCurve points={open.spec.swr} />
                  <PatternRose points={open.spec.pattern} />
                  <LinkButton href={`/bench?antenna=${open.id}`} variant="outlined">
                    Sweep it at the bench
                  </LinkButton>
                </Box>
              )}
              {open && <UnitList key={`units ${open.id}`} part={open} />}
              {open && <PaperList key={`papers ${open.id}`} part={open} />}
            </Box>
          )}
        </Box>
      )}
    </>
  )
}
