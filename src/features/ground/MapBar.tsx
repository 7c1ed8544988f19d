import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Checkbox from '@mui/material/Checkbox'
import FormControlLabel from '@mui/material/FormControlLabel'
import { Option } from '@/ui/fields/Option'
import { TextField } from '@/ui/fields/TextField'
import type { ReactNode } from 'react'
import { COORDINATE_FORMATS, type CoordinateFormat } from '@/core/geo'
import type { BackdropRow } from '@/data/backdrops'

interface Props {
  format: CoordinateFormat
  onFormat: (f: CoordinateFormat) => void
  measuring: boolean
  onMeasuring: (on: boolean) => void
  snap: boolean
  onSnap: (on: boolean) => void
  /** Null where nothing is shown. */
  onHideSight: (() => void) | null
  /** Rings of expected reach are drawn. */
  reach: boolean
  onReach: (on: boolean) => void
  backdrops: BackdropRow[]
  backdropId: string
  onBackdrop: (id: string) => void
  /** What the pointer is at, or what was measured. */
  children: ReactNode
}

/** What stands over the map: coordinates, measuring, snapping. */
export function MapBar(props: Props) {
  return (
    <Box sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap', alignItems: 'center', mb: 1 }}>
      <TextField
        select
        label="Coordinates in"
        value={props.format}
        onChange={(e) => props.onFormat(e.target.value as CoordinateFormat)}
        sx={{ minWidth: 180 }}
      >
        {COORDINATE_FORMATS.map((f) => (
          <Option key={f} value={f}>
            {f}
          </Option>
        ))}
      </TextField>
      <Button
        size="small"
        variant={props.measuring ? 'contained' : 'outlined'}
        onClick={() => props.onMeasuring(!props.measuring)}
      >
        {props.measuring ? 'Done measuring' : 'Measure'}
      </Button>
      <FormControlLabel
        control={
          <Checkbox size="small" checked={props.snap} onChange={(e) => props.onSnap(e.target.checked)} />
        }
        label="Marks snap to their way"
      />
      <FormControlLabel
        control={
          <Checkbox size="small" checked={props.reach} onChange={(e) => props.onReach(e.target.checked)} />
        }
        label="Rings of expected reach"
      />
      {props.backdrops.length > 0 && (
        <TextField
          select
          label="Ground drawn as"
          value={props.backdropId}
          onChange={(e) => props.onBackdrop(e.target.value)}
          sx={{ minWidth: 190 }}
          slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
        >
          <Option value="">relief and contours</Option>
          {props.backdrops.map((b) => (
            <Option key={b.id} value={b.id}>
              {b.name}
            </Option>
          ))}
        </TextField>
      )}
      {props.onHideSight && (
        <Button size="small" onClick={props.onHideSight}>
          Hide what is in sight
        </Button>
      )}
      {props.children}
    </Box>
  )
}
