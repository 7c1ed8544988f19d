'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { Option } from '@/ui/fields/Option'
import { TextField } from '@/ui/fields/TextField'
import { useState } from 'react'
import type { Gpx } from '@/core/formats'
import type { Place } from '@/core/geo'
import { fromLength, type Units } from '@/core/units'
import { problem } from '@/core/outcome'
import { useAction } from '@/ui/answers/useAction'
import { addTrialLeg } from './actions'
import { trackLeg, waypointLeg, type MarksFrom } from './legs'

/** A leg from the file: along one of its ways, or at its waypoints alone. */
export function FileLegForm({
  trialId,
  base,
  gpx,
  units,
}: {
  trialId: string
  base: Place
  gpx: Gpx
  units: Units
}) {
  const [track, setTrack] = useState(gpx.tracks.length > 0 ? 0 : -1)
  const [marks, setMarks] = useState<MarksFrom['kind']>(gpx.waypoints.length > 1 ? 'waypoints' : 'spacing')
  const [spacing, setSpacing] = useState('500')
  const [name, setName] = useState(gpx.tracks[0]?.name || 'Leg')
  const action = useAction()
  const refuse = (message: string) => action.refuse(problem('leg', 'Leg', message))
  const pick = (i: number) => {
    setTrack(i)
    setName(gpx.tracks[i]?.name || 'Leg')
  }
  const add = async () => {
    const spacingM = fromLength(Number(spacing.replace(',', '.')), units) * (units === 'imperial' ? 3 : 1)
    if (marks !== 'waypoints' && !(spacingM > 0)) return refuse('The spacing must be a number above 0.')
    const leg =
      track < 0
        ? waypointLeg(base, gpx, name)
        : trackLeg(
            base,
            gpx,
            track,
            name,
            marks === 'waypoints' ? { kind: 'waypoints' } : { kind: marks, spacingM },
          )
    if (leg.marks.length === 0)
      return refuse(
        marks !== 'waypoints'
          ? 'The way is shorter than the spacing. Make the spacing smaller.'
          : 'No waypoint lies within 250 m of this way. Set marks by spacing instead.',
      )
    await action.run(() => addTrialLeg(trialId, leg))
  }
  return (
    <Box sx={{ display: 'grid', gap: 1.5 }}>
      <TextField select label="Way" value={track} onChange={(e) => pick(Number(e.target.value))}>
        {gpx.tracks.map((w, i) => (
          <Option key={i} value={i}>
            {w.name || `${w.kind} ${i + 1}`}, {w.points.length} points
          </Option>
        ))}
        {gpx.waypoints.length > 0 && <Option value={-1}>No way, the waypoints alone</Option>}
      </TextField>
      <TextField label="Name of the leg" value={name} onChange={(e) => setName(e.target.value)} />
      {track >= 0 && (
        <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.5 }}>
          <TextField
            select
            label="Marks"
            value={marks}
            onChange={(e) => setMarks(e.target.value as MarksFrom['kind'])}
          >
            <Option value="waypoints">At its waypoints</Option>
            <Option value="spacing">Every so often along it</Option>
            <Option value="crow">Every so often, crow-flies</Option>
            <Option value="rings">At every crossing of a ring</Option>
          </TextField>
          {marks !== 'waypoints' && (
            <TextField
              label={`A mark every (${units === 'imperial' ? 'yd' : 'm'})`}
              value={spacing}
              onChange={(e) => setSpacing(e.target.value)}
              slotProps={{ htmlInput: { inputMode: 'decimal' } }}
            />
          )}
        </Box>
      )}
      {action.refusal('The leg was not added', 'Leg')}
      <Box>
        <Button variant="contained" onClick={add}>
          Add the leg from the file
        </Button>
      </Box>
    </Box>
  )
}
