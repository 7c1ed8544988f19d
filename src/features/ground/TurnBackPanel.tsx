'use client'

import Box from '@mui/material/Box'
import { TextField } from '@/ui/fields/TextField'
import ToggleButton from '@mui/material/ToggleButton'
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { clockText, planTurnBack, readClock, type Mark, type TurnBackLeg } from '@/core/trial'
import { distanceText, fromSpeed, speedUnit, toSpeed, type Units } from '@/core/units'
import { Table } from '@/ui/table/Table'
import { useUnitsChange } from '@/ui/fields/useUnitsChange'
import { NumberBox, numberIn, numberProblem } from '@/ui/fields/NumberBox'

type By = 'foot' | 'vehicle'
const SPEEDS_KMH: Record<By, number> = { foot: 4, vehicle: 25 }
const shown = (kmh: number, units: Units) => String(Number(toSpeed(kmh, units).toFixed(1)))
const CAUTIONS: Record<By, string> = {
  foot: 'Tell somebody the way and the time back. Turn back at the time below, wherever you are; a check that fails must not lead anybody on to worse ground.',
  vehicle: 'The driver drives. Stop where it is legal, or let the passenger log.',
}

/** Each leg with its times. */
function Times({ legs, units }: { legs: TurnBackLeg[]; units: Units }) {
  return (
    <Table
      label="Times of the way"
      head={
        <>
          <th>Leg</th>
          <th>Out and back</th>
          <th>Marks</th>
          <th>Leave the base</th>
          <th>At the last mark</th>
          <th>Turn back by</th>
          <th>Back at the base</th>
        </>
      }
    >
      {legs.map((l) => (
        <tr key={l.legId}>
          <td>
            <b>{l.legName}</b>
          </td>
          <td>{distanceText((l.outKm + l.backKm) * 1000, units)}</td>
          <td>{l.marks}</td>
          <td>{clockText(l.leaveMin)}</td>
          <td>{clockText(l.lastMin)}</td>
          <td>{l.turnBackMin === null ? '' : <b>{clockText(l.turnBackMin)}</b>}</td>
          <td>{clockText(l.backMin)}</td>
        </tr>
      ))}
    </Table>
  )
}

/** The way of the outing: order, distance, times with the stops, and when to turn back. */
export function TurnBackPanel({
  marks,
  minutesAtMark,
  units,
}: {
  marks: Mark[]
  minutesAtMark: number
  units: Units
}) {
  const [by, setBy] = useState<By>('foot')
  const [speed, setSpeed] = useState(shown(SPEEDS_KMH.foot, units))
  useUnitsChange(units, (from, to) => {
    const typed = numberIn(speed)
    if (typed !== null) setSpeed(shown(fromSpeed(typed, from), to))
  })
  const [stop, setStop] = useState(String(Math.max(1, Math.round(minutesAtMark))))
  const [start, setStart] = useState('09:00')
  const [backBy, setBackBy] = useState('17:00')
  const badSpeed = numberProblem(speed, { above: 0, max: 200 }, speedUnit(units))
  const badStop = numberProblem(stop, { min: 0, max: 600 }, 'minutes')
  const startMin = readClock(start)
  const backMin = readClock(backBy)
  const legs =
    !badSpeed && !badStop && startMin !== null
      ? planTurnBack(marks, {
          startMin,
          speedKmh: fromSpeed(numberIn(speed)!, units),
          minutesAtMark: numberIn(stop)!,
          backByMin: backMin,
        })
      : []
  const last = legs[legs.length - 1]
  const late = last && backMin !== null && last.backMin > backMin
  if (marks.length === 0) return null
  return (
    <Box component="section" aria-label="The way" sx={{ mt: 4 }}>
      <Typography variant="h2" component="h2">
        The way
      </Typography>
      <Box sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap', my: 1, alignItems: 'flex-start' }}>
        <ToggleButtonGroup
          exclusive
          size="small"
          value={by}
          onChange={(_, v: By | null) => {
            if (!v) return
            setBy(v)
            setSpeed(shown(SPEEDS_KMH[v], units))
          }}
          aria-label="How you go"
        >
          <ToggleButton value="foot">On foot</ToggleButton>
          <ToggleButton value="vehicle">By vehicle</ToggleButton>
        </ToggleButtonGroup>
        <NumberBox
          label="Speed"
          unit={speedUnit(units)}
          value={speed}
          problem={badSpeed}
          onChange={setSpeed}
          sx={{ width: 140 }}
        />
        <NumberBox
          label="At a mark"
          unit="min"
          value={stop}
          problem={badStop}
          onChange={setStop}
          sx={{ width: 140 }}
        />
        <TextField
          label="Set out at"
          value={start}
          onChange={(e) => setStart(e.target.value)}
          error={startMin === null}
          helperText={startMin === null ? 'A time is written 09:00' : ' '}
          sx={{ width: 130 }}
        />
        <TextField
          label="Be back by"
          value={backBy}
          onChange={(e) => setBackBy(e.target.value)}
          error={backMin === null && backBy !== ''}
          helperText={backMin === null && backBy !== '' ? 'A time is written 17:00' : ' '}
          sx={{ width: 130 }}
        />
      </Box>
      <Box sx={{ borderLeft: '6px solid var(--accent-fill)', pl: 1.5, mb: 1, maxWidth: 760 }}>
        {CAUTIONS[by]}
      </Box>
      {late && (
        <Box sx={{ borderLeft: '6px solid var(--bad)', pl: 1.5, mb: 1 }}>
          <b>
            Back at {clockText(last.backMin)}, later than {backBy}.
          </b>{' '}
          Leave marks out, set out earlier, or make two days of it.
        </Box>
      )}
      <Times legs={legs} units={units} />
    </Box>
  )
}
