'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { Option } from '@/ui/fields/Option'
import { TextField } from '@/ui/fields/TextField'
import { useState } from 'react'
import { PART_KINDS, type PartKind } from '@/core/kit'
import type { Units } from '@/core/units'
import type { KitPart } from '@/data/parts'
import { useAction } from '@/ui/answers/useAction'
import { Empty, PageHead, LinkButton } from '@/ui/shell'
import { KIND_NAMES } from '../partWords'
import { removePart } from './actions'
import { PatternRose, SwrCurve } from './CurveDrawings'
import { ExamplePicker } from './ExamplePicker'
import { PaperList } from './PaperList'
import { PartForm } from './PartForm'
import { PartsByKind } from './PartsByKind'
import { UnitList } from './UnitList'

type View =
  { show: 'list' } | { show: 'examples' } | { show: 'new'; kind: PartKind } | { show: 'part'; id: string }

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
              <Option key={k} value={k}>
                {KIND_NAMES[k][0]}
              </Option>
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
            <PartsByKind
              parts={parts}
              units={units}
              open={open}
              columns={side ? 1 : 2}
              onOpen={(id) => setView({ show: 'part', id })}
              onDelete={remove}
            />
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
