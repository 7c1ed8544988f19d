'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Checkbox from '@mui/material/Checkbox'
import { isBaseKind, whyNoTalk, type Rig } from '@/core/kit'
import { Table } from '@/ui/table/Table'
import { RigBadge } from '@/ui/shell'
import { looksOf } from '@/ui/theme/palette'
import { comparisonWords } from './comparisonWords'

interface PickedLink {
  baseRigId: string
  outRigId: string
}

interface Props {
  rigs: Rig[]
  value: PickedLink[]
  /** The most that one trial takes. */
  most: number
  onChange: (links: PickedLink[]) => void
}

const HEAD = { textAlign: 'left', color: 'var(--soft)', fontWeight: 400 } as const

/** What stays, what changes, and every pairing of a rig at the base with one out there to choose from. */
export function LinkPicker({ rigs, value, most, onChange }: Props) {
  const looks = looksOf(rigs.map((r) => r.letter))
  const look = (r: Rig) => looks[rigs.indexOf(r)]!
  const usedAt = (end: 'baseRigId' | 'outRigId', r: Rig) => value.some((l) => l[end] === r.id)
  // Two handhelds with nothing fixed between them are a link as well.
  const bases = rigs.filter((r) => isBaseKind(r) || usedAt('baseRigId', r))
  const atBase = bases.length > 0 ? bases : rigs
  const outs = rigs.filter((r) => !isBaseKind(r) || usedAt('outRigId', r))
  const has = (b: Rig, o: Rig) => value.some((l) => l.baseRigId === b.id && l.outRigId === o.id)
  const toggle = (b: Rig, o: Rig) =>
    onChange(
      has(b, o)
        ? value.filter((l) => !(l.baseRigId === b.id && l.outRigId === o.id))
        : [...value, { baseRigId: b.id, outRigId: o.id }],
    )
  const { stays, changes } = comparisonWords(
    value.flatMap((l) => {
      const [base, out] = [rigs.find((r) => r.id === l.baseRigId), rigs.find((r) => r.id === l.outRigId)]
      return base && out ? [{ base, out }] : []
    }),
  )
  const silent = atBase.flatMap((b) => outs.flatMap((o) => (b.id === o.id ? [] : (whyNoTalk(b, o) ?? []))))
  return (
    <Box>
      <Box sx={{ display: 'grid', gridTemplateColumns: '90px minmax(0, 1fr)', rowGap: 0.5, mb: 1.5 }}>
        <Box sx={{ color: 'var(--soft)' }}>Stays</Box>
        <Box>{stays}</Box>
        <Box sx={{ color: 'var(--soft)' }}>Changes</Box>
        <Box sx={{ fontWeight: 700 }}>{changes}</Box>
      </Box>
      <Table
        label="What is compared"
        head={
          <>
            <Box component="th" sx={HEAD}>
              Out there ↓
            </Box>
            {atBase.map((b) => (
              <Box component="th" key={b.id} sx={HEAD}>
                <Box component="span" sx={{ display: 'block', fontSize: '0.85rem' }}>
                  At the base
                </Box>
                <Box component="span" sx={{ color: 'var(--ink)' }}>
                  <RigBadge letter={b.letter} index={look(b)} size={22} /> {b.name}
                </Box>
              </Box>
            ))}
          </>
        }
      >
        {outs.map((o) => (
          <tr key={o.id}>
            <th style={{ textAlign: 'left', fontWeight: 400, whiteSpace: 'nowrap' }}>
              <RigBadge letter={o.letter} index={look(o)} size={22} /> {o.name}
            </th>
            {atBase.map((b) => {
              const why = whyNoTalk(b, o)
              const full = value.length >= most && !has(b, o)
              return (
                <td key={b.id}>
                  <Checkbox
                    checked={has(b, o)}
                    disabled={b.id === o.id || full || (why !== null && !has(b, o))}
                    onChange={() => toggle(b, o)}
                    slotProps={{
                      input: { 'aria-label': `${o.name} with ${b.name}`, ...(why ? { title: why } : {}) },
                    }}
                  />
                </td>
              )
            })}
          </tr>
        ))}
      </Table>
      {silent.length > 0 && (
        <Box sx={{ color: 'var(--soft)', mt: 1 }}>
          Cannot hear each other: {[...new Set(silent)].join(' ')}
        </Box>
      )}
      {value.length >= most && (
        <Box sx={{ color: 'var(--soft)', mt: 1 }}>A trial compares at most {most} links.</Box>
      )}
      {value.length > 0 && (
        <Button
          size="small"
          sx={{ mt: 1 }}
          onClick={() => onChange(value.map((l) => ({ baseRigId: l.outRigId, outRigId: l.baseRigId })))}
        >
          Swap the ends: what is out there comes to the base
        </Button>
      )}
    </Box>
  )
}
