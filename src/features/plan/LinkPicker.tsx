'use client'

import Box from '@mui/material/Box'
import Checkbox from '@mui/material/Checkbox'
import type { Rig } from '@/core/kit'
import { Table } from '@/ui/table/Table'
import { RigBadge } from '@/ui/shell'
import { looksOf } from '@/ui/theme/palette'

interface PickedLink {
  baseRigId: string
  outRigId: string
}

interface Props {
  rigs: Rig[]
  value: PickedLink[]
  onChange: (links: PickedLink[]) => void
}

/** Every pairing of a rig at the base with one out there; a trial compares those ticked. */
export function LinkPicker({ rigs, value, onChange }: Props) {
  const bases = rigs.filter((r) => r.kind === 'base' || r.kind === 'relay')
  const outs = rigs.filter((r) => r.kind !== 'base' && r.kind !== 'relay')
  const looks = looksOf(rigs.map((r) => r.letter))
  const look = (r: Rig) => looks[rigs.indexOf(r)]!
  // Two handhelds with nothing fixed between them are a link as well.
  const atBase = bases.length > 0 ? bases : outs
  const has = (b: Rig, o: Rig) => value.some((l) => l.baseRigId === b.id && l.outRigId === o.id)
  const toggle = (b: Rig, o: Rig) =>
    onChange(
      has(b, o)
        ? value.filter((l) => !(l.baseRigId === b.id && l.outRigId === o.id))
        : [...value, { baseRigId: b.id, outRigId: o.id }],
    )
  return (
    <Table
      label="What is compared"
      head={
        <>
          <Box component="th" sx={{ textAlign: 'left', color: 'var(--soft)', fontWeight: 400 }}>
            Out there
          </Box>
          {atBase.map((b) => (
            <th key={b.id} style={{ fontWeight: 400 }}>
              <RigBadge letter={b.letter} index={look(b)} size={22} /> {b.name}
            </th>
          ))}
        </>
      }
    >
      {outs.map((o) => (
        <tr key={o.id}>
          <th style={{ textAlign: 'left', fontWeight: 400, whiteSpace: 'nowrap' }}>
            <RigBadge letter={o.letter} index={look(o)} size={22} /> {o.name}
          </th>
          {atBase.map((b) => (
            <td key={b.id} style={{ textAlign: 'center' }}>
              <Checkbox
                checked={has(b, o)}
                disabled={b.id === o.id}
                onChange={() => toggle(b, o)}
                slotProps={{ input: { 'aria-label': `${o.name} with ${b.name}` } }}
              />
            </td>
          ))}
        </tr>
      ))}
    </Table>
  )
}
