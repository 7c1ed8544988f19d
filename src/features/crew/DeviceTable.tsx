'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { TextField } from '@/ui/fields/TextField'
import { useState } from 'react'
import { MAX_LETTERS } from '@/core/schema/limits'
import { agoText, countText } from '@/core/units'
import { asked } from '@/ui/answers/posted'
import { useAction } from '@/ui/answers/useAction'
import { Table } from '@/ui/table/Table'
import { ROLE_NAMES } from './BringIn'
import type { DeviceLine, GivableRun } from './types'

interface RowProps {
  device: DeviceLine
  runs: ReadonlyMap<string, GivableRun>
  now: number
  onChange: () => void
}

function DeviceRow({ device, runs, now, onChange }: RowProps) {
  const action = useAction()
  const [name, setName] = useState<string | null>(null)
  const [sure, setSure] = useState(false)
  const path = `/api/crew/devices/${device.id}`
  const given = device.runs.map((r) => runs.get(r.runId)?.name ?? 'a finished run')
  return (
    <tr>
      <th scope="row">
        {name === null ? (
          <b>{device.name}</b>
        ) : (
          <Box
            component="form"
            sx={{ display: 'flex', gap: 1 }}
            onSubmit={(e) => {
              e.preventDefault()
              void action.run(
                () => asked('PATCH', path, { name: name.trim() }),
                () => {
                  setName(null)
                  onChange()
                },
              )
            }}
          >
            <TextField
              size="small"
              label="Its name"
              autoFocus
              value={name}
              onChange={(e) => setName(e.target.value)}
              slotProps={{ htmlInput: { maxLength: MAX_LETTERS.name } }}
            />
            <Button type="submit">Rename</Button>
          </Box>
        )}
        {action.refusal('It was left as it is')}
      </th>
      <td data-label="May">{ROLE_NAMES[device.role]}</td>
      <td data-label="Runs">{given.join(', ') || (device.role === 'field' ? 'none yet' : '')}</td>
      <td data-label="Last here">
        {device.revokedAt !== null
          ? `shut out ${agoText(device.revokedAt, now)}`
          : device.lastSeenAt === null
            ? 'never'
            : agoText(device.lastSeenAt, now)}
      </td>
      <td data-label="Still on it">
        {device.waiting === null ? '' : countText(device.waiting, 'entry', 'entries')}
      </td>
      <td>
        {device.revokedAt === null && (
          <Box sx={{ display: 'flex', gap: 0.5, flexWrap: 'wrap' }}>
            {name === null && (
              <Button size="small" onClick={() => setName(device.name)} aria-label={`Rename ${device.name}`}>
                Rename
              </Button>
            )}
            <Button
              size="small"
              color={sure ? 'error' : 'primary'}
              variant={sure ? 'contained' : 'text'}
              aria-label={`${sure ? 'Yes, shut out' : 'Shut out'} ${device.name}`}
              onClick={() => (sure ? void action.run(() => asked('DELETE', path), onChange) : setSure(true))}
              onBlur={() => setSure(false)}
            >
              {sure ? 'Yes, shut it out' : 'Shut it out'}
            </Button>
          </Box>
        )}
      </td>
    </tr>
  )
}

interface Props {
  devices: readonly DeviceLine[]
  runs: readonly GivableRun[]
  now: number
  onChange: () => void
}

/** Every device that was ever brought in. */
export function DeviceTable({ devices, runs, now, onChange }: Props) {
  const byId = new Map(runs.map((r) => [r.id, r]))
  return (
    <Table
      label="Devices"
      wide
      stacks
      head={
        <>
          <th scope="col">Device</th>
          <th scope="col">What it does</th>
          <th scope="col">Runs it was given</th>
          <th scope="col">Last here</th>
          <th scope="col">Still on it alone</th>
          <th scope="col" aria-label="Change it" />
        </>
      }
    >
      {[...devices]
        .sort((a, b) => Number(a.revokedAt !== null) - Number(b.revokedAt !== null))
        .map((device) => (
          <DeviceRow key={device.id} {...{ device, now, onChange }} runs={byId} />
        ))}
    </Table>
  )
}
