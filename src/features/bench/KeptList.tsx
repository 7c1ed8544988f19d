'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import type { Measurement } from '@/core/bench'
import { useAction } from '@/ui/answers/useAction'
import { PickOne } from '@/ui/fields/PickOne'
import { Table } from '@/ui/table/Table'
import type { MeasurementHead } from '@/data/measurements'
import { openMeasurement } from './openMeasurement'
import { changeMeasurement, dropMeasurement, goByMeasurement } from './actions'
import { NONE } from './PickPart'
import type { BenchPart } from './types'

interface Props<M extends Measurement> {
  kept: readonly MeasurementHead[]
  parts: readonly BenchPart[]
  /** What opening one is called. */
  open: string
  onOpen: (m: M) => void
}

const SOURCE_WORDS = {
  instrument: 'instrument',
  simulated: 'simulated',
  file: 'file',
  typed: 'typed',
} as const

/** What was kept, the newest first: opened again, given to an antenna, let count, thrown away. */
export function KeptList<M extends Measurement>({ kept, parts, open, onOpen }: Props<M>) {
  const action = useAction()
  const [asked, setAsked] = useState<string | null>(null)
  if (kept.length === 0) return null
  const part = (m: MeasurementHead) => parts.find((a) => a.id === m.partId)
  const give = (m: MeasurementHead, partId: string) =>
    action.run(() =>
      changeMeasurement({
        id: m.id,
        revision: m.revision,
        name: m.name,
        partId: partId === NONE ? null : partId,
        conditions: m.conditions,
      }),
    )
  return (
    <Box component="section" className="no-print" sx={{ mt: 4 }}>
      <Typography variant="h2" component="h2" sx={{ mb: 1 }}>
        Kept
      </Typography>
      <Table
        label="Measurements kept"
        stacks
        wide
        head={
          <>
            <th>What</th>
            <th>Taken</th>
            <th>By</th>
            {parts.length > 0 && <th>Part</th>}
            <th />
          </>
        }
      >
        {kept.map((m) => {
          const of = part(m)
          const counts = of?.goesBy.includes(m.id) ?? false
          return (
            <tr key={m.id}>
              <th scope="row">
                <b>{m.name}</b>
                {m.conditions && <Box sx={{ color: 'var(--soft)', fontSize: '0.88rem' }}>{m.conditions}</Box>}
              </th>
              <td data-label="Taken">{m.takenAt.slice(0, 10)}</td>
              <td data-label="By">
                {m.instrument || SOURCE_WORDS[m.source]}
                {m.source === 'simulated' && m.instrument !== '' && ' (simulated)'}
              </td>
              {parts.length > 0 && (
                <td data-label="Part">
                  <PickOne
                    size="small"
                    value={of?.id ?? NONE}
                    options={[
                      { value: NONE, name: 'none' },
                      ...parts.map((a) => ({ value: a.id, name: a.name })),
                    ]}
                    onPick={(id) => void give(m, id)}
                    aria-label={`Part of ${m.name}`}
                    sx={{ minWidth: 150 }}
                  />
                  {of && (m.kind === 'sweep' || (m.kind === 'turn' && m.of === null)) && (
                    <Box sx={{ fontSize: '0.88rem' }}>
                      {counts ? (
                        'its figures count now'
                      ) : (
                        <Button size="small" onClick={() => void action.run(() => goByMeasurement(m.id))}>
                          Let it count
                        </Button>
                      )}
                    </Box>
                  )}
                </td>
              )}
              <td>
                <Button
                  size="small"
                  variant="outlined"
                  onClick={() => void action.run(() => openMeasurement<M>(m.id), onOpen)}
                  aria-label={`${open}: ${m.name}`}
                >
                  {open}
                </Button>{' '}
                {asked === m.id ? (
                  <>
                    <Button
                      size="small"
                      color="error"
                      onClick={() => void action.run(() => dropMeasurement(m.id))}
                    >
                      Yes, throw it away
                    </Button>
                    <Button size="small" onClick={() => setAsked(null)}>
                      Keep it
                    </Button>
                  </>
                ) : (
                  <Button size="small" onClick={() => setAsked(m.id)} aria-label={`Throw away: ${m.name}`}>
                    Throw away
                  </Button>
                )}
              </td>
            </tr>
          )
        })}
      </Table>
      {action.refusal('This was not done')}
    </Box>
  )
}
