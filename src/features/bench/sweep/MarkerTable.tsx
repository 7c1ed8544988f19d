'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { useState } from 'react'
import { swrText } from '@/core/rf'
import { readAt, type Sweep } from '@/core/bench'
import { figureText } from '@/core/units'
import { NumberBox, numberIn } from '@/ui/fields/NumberBox'
import { Table } from '@/ui/table/Table'
import type { Marker } from './SweepPicture'

interface Props {
  sweep: Sweep
  markers: readonly Marker[]
  onAdd: (frequencyMHz: number) => void
  onMove: (id: number, frequencyMHz: number) => void
  onRemove: (id: number) => void
}

/** What the sweep says at each marker, in every word for it at once. */
export function MarkerTable({ sweep, markers, onAdd, onMove, onRemove }: Props) {
  const [typed, setTyped] = useState('')
  const f = numberIn(typed)
  const outside = f !== null && readAt(sweep, f) === null
  return (
    <Box sx={{ mt: 2 }}>
      <Table
        label="Markers"
        figures
        stacks
        head={
          <>
            <th>Marker</th>
            <th>MHz</th>
            <th>SWR</th>
            <th>Return loss, dB</th>
            <th>|Γ|</th>
            <th>R, ohm</th>
            <th>X, ohm</th>
            <th>Phase, °</th>
            <th />
          </>
        }
      >
        {markers.map((m, i) => (
          <MarkerRow key={m.id} n={i + 1} m={m} sweep={sweep} onMove={onMove} onRemove={onRemove} />
        ))}
      </Table>
      <Box
        component="form"
        sx={{ display: 'flex', gap: 1, mt: 1, alignItems: 'flex-start' }}
        className="no-print"
        onSubmit={(e) => {
          e.preventDefault()
          if (f === null || outside) return
          onAdd(f)
          setTyped('')
        }}
      >
        <NumberBox
          label="A marker at"
          unit="MHz"
          size="small"
          value={typed}
          problem={outside ? 'Outside the sweep' : null}
          onChange={setTyped}
          sx={{ width: 180 }}
        />
        <Button type="submit" variant="outlined" disabled={f === null || outside}>
          Set it
        </Button>
      </Box>
    </Box>
  )
}

function MarkerRow({
  n,
  m,
  sweep,
  onMove,
  onRemove,
}: { n: number; m: Marker; sweep: Sweep } & Pick<Props, 'onMove' | 'onRemove'>) {
  const r = readAt(sweep, m.frequencyMHz)
  const [typed, setTyped] = useState<string | null>(null)
  const taken = () => {
    const f = typed === null ? null : numberIn(typed)
    if (f !== null && readAt(sweep, f)) onMove(m.id, f)
    setTyped(null)
  }
  return (
    <tr>
      <th scope="row">
        <b>{n}</b>
      </th>
      <td data-label="MHz">
        <Box
          component="input"
          aria-label={`Frequency of marker ${n}, MHz`}
          inputMode="decimal"
          value={typed ?? String(Number(m.frequencyMHz.toFixed(3)))}
          onChange={(e) => setTyped(e.target.value)}
          onBlur={taken}
          onKeyDown={(e) => e.key === 'Enter' && taken()}
          sx={{
            width: 88,
            font: 'inherit',
            textAlign: 'right',
            border: 0,
            borderBottom: '1px dashed var(--soft)',
            background: 'none',
            color: 'var(--ink)',
          }}
        />
      </td>
      <td data-label="SWR">{r ? swrText(r.swr) : 'outside'}</td>
      <td data-label="Return loss, dB">{r ? figureText(Math.min(99, r.returnLossDb)) : ''}</td>
      <td data-label="|Γ|">{r ? r.size.toFixed(3) : ''}</td>
      <td data-label="R, ohm">{r?.ohms ? figureText(r.ohms.r) : ''}</td>
      <td data-label="X, ohm">{r?.ohms ? figureText(r.ohms.x) : ''}</td>
      <td data-label="Phase, °">{r?.phaseDeg == null ? '' : figureText(r.phaseDeg, 0)}</td>
      <td className="no-print">
        <Button size="small" onClick={() => onRemove(m.id)} aria-label={`Take marker ${n} away`}>
          Away
        </Button>
      </td>
    </tr>
  )
}
