'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import MenuItem from '@mui/material/MenuItem'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { formatISO } from 'date-fns'
import { useState } from 'react'
import type { KitPart, UnitRow } from '@/data/parts'
import type { UnitNote } from '@/data/schema'
import { Refused } from '@/ui/shell'
import { removeUnit, storeUnit } from './actions'

const NOTE_KINDS: UnitNote['kind'][] = ['defect on arrival', 'repair', 'note']

/** One unit: its name, its condition, and what happened to it. */
function UnitRowForm({
  part,
  unit,
  onSaid,
}: {
  part: KitPart
  unit: UnitRow | null
  onSaid: (m: string | null) => void
}) {
  const [label, setLabel] = useState(unit?.label ?? '')
  const [condition, setCondition] = useState(unit?.condition ?? '')
  const [notes, setNotes] = useState<UnitNote[]>(unit?.detail.notes ?? [])
  const [note, setNote] = useState<UnitNote>({
    day: formatISO(new Date(), { representation: 'date' }),
    kind: 'repair',
    text: '',
  })
  const save = async (all: UnitNote[]) => {
    const result = await storeUnit(unit?.id ?? null, part.id, { label, condition, notes: all })
    onSaid(result.ok ? null : result.message)
    if (!result.ok) return
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
          <Button
            size="small"
            onClick={async () => {
              const r = await removeUnit(unit.id)
              onSaid(r.ok ? null : r.message)
            }}
          >
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
              <MenuItem key={k} value={k}>
                {k}
              </MenuItem>
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
  const [refusal, setRefusal] = useState<string | null>(null)
  return (
    <Box component="section" aria-label="Units" sx={{ mt: 3 }}>
      <Typography variant="h3" component="h3">
        Units
      </Typography>
      <Box sx={{ color: 'var(--soft)' }}>
        Two of one kind are two units: name them apart, and a faulty one is not taken for a poor kind.
      </Box>
      {refusal && <Refused title="Nothing was changed" problems={[{ where: 'Unit', message: refusal }]} />}
      {part.units.map((u) => (
        <UnitRowForm key={u.id} part={part} unit={u} onSaid={setRefusal} />
      ))}
      <UnitRowForm key={`new ${part.units.length}`} part={part} unit={null} onSaid={setRefusal} />
    </Box>
  )
}
