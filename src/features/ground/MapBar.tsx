import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Checkbox from '@mui/material/Checkbox'
import FormControlLabel from '@mui/material/FormControlLabel'
import MenuItem from '@mui/material/MenuItem'
import TextField from '@mui/material/TextField'
import { COORDINATE_FORMATS, type CoordinateFormat } from '@/core/geo'

interface Props {
  format: CoordinateFormat
  onFormat: (f: CoordinateFormat) => void
  measuring: boolean
  onMeasuring: (on: boolean) => void
  snap: boolean
  onSnap: (on: boolean) => void
  /** Null where nothing is shown. */
  onHideSight: (() => void) | null
  /** What the pointer is at, or what was measured. */
  words: string
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
          <MenuItem key={f} value={f}>
            {f}
          </MenuItem>
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
        label="Dragged marks snap to their way"
      />
      {props.onHideSight && (
        <Button size="small" onClick={props.onHideSight}>
          Hide what is in sight
        </Button>
      )}
      <Box sx={{ ml: 'auto' }} data-testid="readout">
        {props.words}
      </Box>
    </Box>
  )
}
