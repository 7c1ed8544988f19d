'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { Option } from '@/ui/fields/Option'
import { TextField } from '@/ui/fields/TextField'
import Typography from '@mui/material/Typography'
import { formatISO } from 'date-fns'
import { useState } from 'react'
import type { KitPart, UnitRow } from '@/data/parts'
import type { UnitNote } from '@/data/schema'
import { useAction, type Action } from '@/ui/answers/useAction'
import { removeUnit, storeUnit } from './actions'

const NOTE_KINDS: UnitNote['kind'][] = ['defect on arrival', 'repair', 'note']

/** One unit: its name, its condition, and what happened to it. */
function UnitRowForm({ part, unit, action }: { part: KitPart; unit: UnitRow | null; action: Action }) {
  const [label, setLabel] = useState(unit?.label ?? '')
  const [condition, setCondition] = useState(unit?.condition ?? '')
  const [notes, setNotes] = useState<UnitNote[]>(unit?.detail.notes ?? [])
  const [note, setNote] = useState<UnitNote>({
    day: formatISO(new Date(), { representation: 'date' }),
    kind: 'repair',
    text: '',
  })
  const save = async (all: UnitNote[]) => {
    const outcome = await action.run(() =>
      storeUnit(unit?.id ?? null, part.id, { label, condition, notes: all }),
    )
    if (!outcome.ok) return
    setNotes(all)
    if (!unit) {
      setLabel('')
      setCondition('')
    }
  }
  return (
    <Box sx={{ borderTop: '1px solid var(--rule)', py: 1.5 }}>
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', alignItems: 'center' }}>
        <TextField
          label={unit ? 'Unit' : 'New unit'}
          value={label}
          onChange={(e) => setLabel(e.target.value)}
          sx={{ width: 170 }}
        />
        <TextField
          label="Condition"
          value={condition}
          onChange={(e) => setCondition(e.target.value)}
          sx={{ flex: '1 1 160px' }}
        />
        <Button variant="outlined" size="small" onClick={() => void save(notes)}>
          {unit ? 'Save the unit' : 'Add the unit'}
        </Button>
        {unit && (
          <Button size="small" onClick={() => void action.run(() => removeUnit(unit.id))}>
            Delete
          </Button>
        )}
      </Box>
      {notes.length > 0 && (
        <Box component="ul" sx={{ m: 0, mt: 1, pl: 2.5 }}>
          {notes.map((n, i) => (
            <li key={i}>
              {n.day}, {n.kind}: {n.text}
            </li>
          ))}
        </Box>
      )}
      {unit && (
        <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', mt: 1.25 }}>
          <TextField
            type="date"
            label="Day"
            value={note.day}
            onChange={(e) => setNote({ ...note, day: e.target.value })}
            slotProps={{ inputLabel: { shrink: true } }}
            sx={{ width: 160 }}
          />
          <TextField
            select
            label="What"
            value={note.kind}
            onChange={(e) => setNote({ ...note, kind: e.target.value as UnitNote['kind'] })}
            sx={{ width: 170 }}
          >
            {NOTE_KINDS.map((k) => (
              <Option key={k} value={k}>
                {k}
              </Option>
            ))}
          </TextField>
          <TextField
            label="What it was"
            value={note.text}
            onChange={(e) => setNote({ ...note, text: e.target.value })}
            sx={{ flex: '1 1 160px' }}
          />
          <Button
            size="small"
            variant="outlined"
            disabled={note.text.trim() === ''}
            onClick={() => {
              void save([...notes, note])
              setNote({ ...note, text: '' })
            }}
          >
            Write it down
          </Button>
        </Box>
      )}
    </Box>
  )
}

/** Individual units of a part, so that a faulty one can be told from a poor kind. */
export function UnitList({ part }: { part: KitPart }) {
  const action = useAction()
  return (
    <Box component="section" aria-label="Units" sx={{ mt: 3 }}>
      <Typography variant="h3" component="h3">
        Units
      </Typography>
      <Box sx={{ color: 'var(--soft)' }}>
        Two of one kind are two units: name them apart, and a faulty one is not taken for a poor kind.
      </Box>
      {action.refusal('Nothing was changed', 'Unit')}
      {part.units.map((u) => (
        <UnitRowForm key={u.id} part={part} unit={u} action={action} />
      ))}
      <UnitRowForm key={`new ${part.units.length}`} part={part} unit={null} action={action} />
    </Box>
  )
}
