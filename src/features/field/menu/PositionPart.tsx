'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Checkbox from '@mui/material/Checkbox'
import FormControlLabel from '@mui/material/FormControlLabel'
import { Option } from '@/ui/fields/Option'
import { TextField } from '@/ui/fields/TextField'
import { useState } from 'react'
import { readGpx } from '@/core/formats/gpx'
import { FileDrop } from '@/ui/fields/FileDrop'
import { changeSettings } from '../device/settings'
import { withSpeed } from '../position/guide'
import { browserSource, replaySource, serialSource } from '../position/positionSource'
import type { MenuProps } from './shared'

const SPEEDS = [1, 4, 16, 60, 240]

/** Where positions come from: this device, a receiver on a wire, or a way walked before. None is needed. */
export function PositionPart({ source, onSource, position, settings }: MenuProps) {
  const [times, setTimes] = useState(16)
  const [problem, setProblem] = useState<string | null>(null)
  const serial = async () => {
    try {
      onSource(withSpeed(await serialSource()))
      setProblem(null)
    } catch (e) {
      setProblem(e instanceof Error && e.name !== 'NotFoundError' ? e.message : 'No port was chosen.')
    }
  }
  return (
    <>
      <Box>
        {source ? `From ${source.name}.` : 'No position is used; go by the marks.'}{' '}
        {position && `${position.lat.toFixed(5)}, ${position.lon.toFixed(5)}`}
      </Box>
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        <Button variant="outlined" size="large" onClick={() => onSource(withSpeed(browserSource()))}>
          This device
        </Button>
        <Button variant="outlined" size="large" onClick={() => void serial()}>
          A receiver on a wire (NMEA)
        </Button>
        {source && (
          <Button size="large" onClick={() => onSource(null)}>
            None
          </Button>
        )}
      </Box>
      <FormControlLabel
        sx={{ minHeight: 48 }}
        control={
          <Checkbox checked={settings.share} onChange={(e) => changeSettings({ share: e.target.checked })} />
        }
        label="Let the desk see where this device is, in this run"
      />
      <TextField
        select
        label="Replay a walk, times its own speed"
        value={times}
        onChange={(e) => setTimes(Number(e.target.value))}
      >
        {SPEEDS.map((s) => (
          <Option key={s} value={s}>
            {s} times
          </Option>
        ))}
      </TextField>
      <FileDrop
        label="Drop a GPX track to replay"
        hint="It stands in for a receiver, to practise with."
        accept=".gpx"
        onFiles={([f]) => {
          if (!f) return
          const gpx = readGpx(f.text)
          const track = gpx.ok ? gpx.value.tracks[0] : undefined
          if (!gpx.ok) setProblem(gpx.problems[0]!.message)
          else if (!track) setProblem('The file has no track; it holds waypoints only.')
          else {
            setProblem(null)
            onSource(replaySource(track.name || f.name, track.points, times))
          }
        }}
        onTooLarge={() => setProblem('The file is larger than 64 MB.')}
      />
      {problem && (
        <Box role="alert" sx={{ color: 'var(--bad)' }}>
          {problem}
        </Box>
      )}
    </>
  )
}
