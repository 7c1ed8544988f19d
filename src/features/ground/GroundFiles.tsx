'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import LinearProgress from '@mui/material/LinearProgress'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { useDropzone } from 'react-dropzone'
import type { GridRow } from '@/data/grids'
import { useAction } from '@/ui/answers/useAction'
import { Fold, Refused } from '@/ui/shell'
import { dropGrid } from './actions'
import { useBringGround } from './useBringGround'

function seconds(step: number): string {
  const s = step * 3600
  return s < 60 ? `${Number(s.toFixed(1))} seconds of arc` : `${Number((s / 60).toFixed(1))} minutes of arc`
}

/** Heights typed at a few places, where no grid is to be had. */
function HeightsTyped({ onHeights }: { onHeights: (text: string) => void }) {
  const [text, setText] = useState('')
  return (
    <Fold title="No grid to be had? Type heights at a few places">
      <TextField
        label="Latitude, longitude, metres: a place a line"
        placeholder="47.3 -29.55 120"
        value={text}
        onChange={(e) => setText(e.target.value)}
        multiline
        minRows={3}
        fullWidth
        sx={{ my: 1 }}
      />
      <Button size="small" variant="outlined" onClick={() => onHeights(text)}>
        Make ground of these
      </Button>
    </Fold>
  )
}

/** One grid: its size, and how fine it is. */
function GridLine({ grid: g, onDelete }: { grid: GridRow; onDelete: () => void }) {
  return (
    <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', borderTop: '1px solid var(--rule)', py: 0.75 }}>
      <Box sx={{ flex: 1 }}>
        <b>{g.name}</b>
        <Box sx={{ color: 'var(--soft)', fontSize: '0.88rem' }}>
          {g.width} × {g.height}, a height every {seconds(g.stepLat)}
          {g.filledCells > 0 && `, ${g.filledCells} voids filled (hatched on the map)`}
          {g.voidCells > 0 && `, ${g.voidCells} not known`}
        </Box>
      </Box>
      <Button size="small" onClick={onDelete} aria-label={`Delete ${g.name}`}>
        Delete
      </Button>
    </Box>
  )
}

/** What is known of the ground, and files to bring more in. */
export function GroundFiles({ grids }: { grids: GridRow[] }) {
  const { doing, problems, said, bring, cancel } = useBringGround()
  const removal = useAction()
  const { getRootProps, getInputProps, isDragActive, open } = useDropzone({
    multiple: true,
    noClick: true,
    noKeyboard: true,
    onDrop: (f) => void bring(f),
  })
  const remove = (id: string) => removal.run(() => dropGrid(id))
  return (
    <Box component="section" aria-label="The ground itself" sx={{ mb: 3 }}>
      <Typography variant="h2" component="h2" sx={{ mb: 1 }}>
        The ground itself
      </Typography>
      {grids.map((g) => (
        <GridLine key={g.id} grid={g} onDelete={() => void remove(g.id)} />
      ))}
      <Box
        {...getRootProps({ role: 'group', 'aria-label': 'Bring ground in' })}
        sx={{
          border: '2px dashed',
          borderColor: isDragActive ? 'var(--accent)' : 'var(--rule)',
          p: 2,
          mt: 1,
        }}
      >
        <input
          {...getInputProps({ 'aria-label': 'Elevation files', accept: '.hgt,.tif,.tiff,.asc,.gpx,.txt' })}
        />
        {doing ? (
          <Box role="status">
            {doing}
            <LinearProgress sx={{ my: 1 }} />
            <Button size="small" variant="outlined" onClick={cancel}>
              Cancel
            </Button>
          </Box>
        ) : (
          <>
            <Box sx={{ color: 'var(--soft)', mb: 1 }}>
              SRTM tiles (.hgt), GeoTIFF in degrees or UTM, ESRI ASCII grid; where there is none, a GPX track
              with heights. Several at once lie side by side. Up to 64 MB a file.
            </Box>
            <Button variant={grids.length === 0 ? 'contained' : 'outlined'} onClick={open}>
              Bring ground in
            </Button>
          </>
        )}
      </Box>
      <HeightsTyped onHeights={(text) => void bring([new File([text], 'typed heights.txt')])} />
      {said && (
        <Box role="status" sx={{ mt: 1 }}>
          {said}
        </Box>
      )}
      {problems.length > 0 && <Refused title="It was not taken in" problems={problems} />}
      {removal.refusal('It was not deleted', 'Ground')}
    </Box>
  )
}
