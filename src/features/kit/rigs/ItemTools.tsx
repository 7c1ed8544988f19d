'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { Option } from '@/ui/fields/Option'
import { TextField } from '@/ui/fields/TextField'
import { changeItem, moveItem, takeOut, type Assembly, type Part, type Placed } from '@/core/kit'
import { numberIn } from '@/ui/fields/NumberBox'
import type { UnitRow } from '@/data/parts'

interface Props {
  placed: Placed
  index: number
  portIndex: number
  parts: readonly Part[]
  units: UnitRow[]
  onChange: (change: (a: Assembly) => Assembly) => void
  onGone: () => void
}

/** What can be done with the chosen part of the chain. */
export function ItemTools({ placed, index, portIndex, parts, units, onChange, onGone }: Props) {
  const { item, part } = placed
  const move = (by: number) => onChange((a) => moveItem(a, parts, portIndex, item.key, index + by))
  const antenna = part.kind === 'antenna' ? part.spec : null
  const mine = units.filter((u) => u.partId === part.id)
  return (
    <Box
      role="group"
      aria-label={`What to do with ${part.name}`}
      sx={{
        display: 'flex',
        flexWrap: 'wrap',
        gap: 1,
        alignItems: 'center',
        borderTop: '1px solid var(--rule)',
        px: 2,
        py: 1.25,
      }}
    >
      <b>{part.name}</b>
      {!antenna && (
        <>
          <Button
            size="small"
            variant="outlined"
            onClick={() => onChange((a) => changeItem(a, portIndex, item.key, { flipped: !item.flipped }))}
          >
            Turn round
          </Button>
          <Button size="small" variant="outlined" onClick={() => move(-1)}>
            Towards the radio
          </Button>
          <Button size="small" variant="outlined" onClick={() => move(1)}>
            Towards the sky
          </Button>
        </>
      )}
      {antenna?.setBy && (
        <TextField
          label={`${antenna.setBy[0]!.toUpperCase()}${antenna.setBy.slice(1)} to, ${antenna.settingUnit}`}
          defaultValue={item.setting ?? ''}
          key={`${item.key} ${item.setting}`}
          onBlur={(e) =>
            onChange((a) => changeItem(a, portIndex, item.key, { setting: numberIn(e.target.value) }))
          }
          sx={{ width: 170 }}
        />
      )}
      {mine.length > 0 && (
        <TextField
          select
          label="Unit"
          value={item.unitId ?? ''}
          onChange={(e) =>
            onChange((a) => changeItem(a, portIndex, item.key, { unitId: e.target.value || null }))
          }
          sx={{ width: 180 }}
        >
          <Option value="">any of them</Option>
          {mine.map((u) => (
            <Option key={u.id} value={u.id}>
              {u.label}
            </Option>
          ))}
        </TextField>
      )}
      <Button
        size="small"
        variant="outlined"
        onClick={() => {
          onChange((a) => takeOut(a, portIndex, item.key))
          onGone()
        }}
      >
        Take out
      </Button>
    </Box>
  )
}
