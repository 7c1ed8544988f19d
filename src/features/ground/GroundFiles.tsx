'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Checkbox from '@mui/material/Checkbox'
import FormControlLabel from '@mui/material/FormControlLabel'
import { TextField } from '@/ui/fields/TextField'
import Typography from '@mui/material/Typography'
import { useEffect, useState } from 'react'
import { useDropzone } from 'react-dropzone'
import { ELEVATION_FILES } from '@/core/exchange/elevationFiles'
import { HEIGHT_UNITS, type HeightUnit } from '@/core/terrain/read/units'
import type { Units } from '@/core/units'
import type { GridRow } from '@/data/grids'
import type { TrialGround } from '@/data/trialGround'
import { useAction } from '@/ui/answers/useAction'
import { PickOne } from '@/ui/fields/PickOne'
import { Fold, Refused } from '@/ui/shell'
import { chooseFlatGround, chooseGround, dropGrid } from './actions'
import { FoundCard } from './FoundCard'
import { NotUsed } from './NotUsed'
import { useBringGround, type Takeable } from './useBringGround'

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
function GridLine({
  grid: g,
  onLeave,
  onDelete,
}: {
  grid: GridRow
  onLeave: () => void
  onDelete: () => void
}) {
  return (
    <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', borderTop: '1px solid var(--rule)', py: 0.75 }}>
      <Box sx={{ flex: 1, minWidth: 0, overflowWrap: 'anywhere' }}>
        <b>{g.name}</b>
        <Box sx={{ color: 'var(--soft)', fontSize: '0.88rem' }}>
          {g.width} × {g.height}, a height every {seconds(g.stepLat)}
          {g.filledCells > 0 && `, ${g.filledCells} voids filled (hatched on the map)`}
          {g.voidCells > 0 && `, ${g.voidCells} not known`}
        </Box>
      </Box>
      <Button size="small" onClick={onLeave} aria-label={`Leave ${g.name} out here`}>
        Leave out
      </Button>
      <Button size="small" onClick={onDelete} aria-label={`Delete ${g.name}`}>
        Delete
      </Button>
    </Box>
  )
}

const SAID = 'as the file says'

interface LookProps {
  bring: ReturnType<typeof useBringGround>
  units: Units
}

/** What was looked at: a card a file, what its figures are, and the way in. */
function LookedAt({ bring, units }: LookProps) {
  const { looked, unit, canLookAgain, lookAs, take, leave } = bring
  if (!canLookAgain || (looked.length === 0 && bring.problems.length === 0)) return null
  return (
    <Box sx={{ display: 'grid', gap: 1.5, my: 1.5 }}>
      {looked.map((f) => (
        <FoundCard key={f.name} found={f} units={units} />
      ))}
      <PickOne
        label="Its figures are"
        value={(unit ?? SAID) as HeightUnit | typeof SAID}
        options={[
          { value: SAID, name: SAID },
          ...(Object.keys(HEIGHT_UNITS) as HeightUnit[]).map((u) => ({ value: u, name: u })),
        ]}
        onPick={(u) => lookAs(u === SAID ? null : u)}
      />
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        {looked.length > 0 && (
          <Button variant="contained" onClick={() => void take(looked.map((f) => f.name))}>
            {looked.length > 1 ? `Take all ${looked.length} in` : 'Take it in'}
          </Button>
        )}
        <Button variant="outlined" onClick={leave}>
          Leave it
        </Button>
      </Box>
    </Box>
  )
}

interface Props {
  trialId: string
  ground: TrialGround
  hasBase: boolean
  units: Units
  /** What was looked at and is not taken yet, for the map. */
  onLooked: (found: readonly Takeable[]) => void
}

/** What is known of the ground, and files to bring more in. */
export function GroundFiles({ trialId, ground, hasBase, units, onLooked }: Props) {
  const bring = useBringGround(trialId)
  const { doing, problems, said, looked, look, cancel } = bring
  const action = useAction()
  useEffect(() => onLooked(looked), [looked, onLooked])
  const { getRootProps, getInputProps, isDragActive, open } = useDropzone({
    multiple: true,
    noClick: true,
    noKeyboard: true,
    onDrop: (f) => void look(f),
  })
  const use = (id: string, used: boolean) =>
    void action.run(() => chooseGround({ trialId, kind: 'grid', ofId: id, used }))
  const remove = (id: string) => void action.run(() => dropGrid(id))
  const used = ground.grids.filter((g) => g.used).map((g) => g.row)
  const flat = ground.flat !== null
  return (
    <Box component="section" aria-label="The ground itself" sx={{ mb: 3 }}>
      <Typography variant="h2" component="h2" sx={{ mb: 1 }}>
        The ground itself
      </Typography>
      {hasBase && (
        <FormControlLabel
          control={
            <Checkbox
              checked={flat}
              onChange={(e) => void action.run(() => chooseFlatGround({ trialId, flat: e.target.checked }))}
            />
          }
          label="It is flat: count what stands on it, and no hills"
        />
      )}
      {flat && used.length > 0 && (
        <Box sx={{ color: 'var(--soft)', mb: 1 }}>
          While it counts as flat, the heights below are not used.
        </Box>
      )}
      {used.map((g) => (
        <GridLine key={g.id} grid={g} onLeave={() => use(g.id, false)} onDelete={() => remove(g.id)} />
      ))}
      <NotUsed
        words={['piece of ground', 'pieces of ground']}
        offered={ground.grids}
        nameOf={(g) => g.name}
        onUse={(id) => use(id, true)}
        onDelete={remove}
      />
      <Box
        {...getRootProps({ role: 'group', 'aria-label': 'Bring ground in' })}
        sx={{
          border: '2px dashed',
          borderColor: isDragActive ? 'var(--accent)' : 'var(--rule)',
          p: 2,
          mt: 1,
        }}
      >
        <input {...getInputProps({ 'aria-label': 'Elevation files', accept: ELEVATION_FILES })} />
        {doing ? (
          <Box role="status">
            {doing}
            <progress className="share-done" aria-label={doing} />
            <Button size="small" variant="outlined" onClick={cancel}>
              Cancel
            </Button>
          </Box>
        ) : (
          <>
            <Box sx={{ color: 'var(--soft)', mb: 1 }}>
              SRTM tiles (.hgt), GeoTIFF in any usual projection, ESRI ASCII grid or .xyz with its .prj, also
              zipped; where there is none, a GPX track with heights. You see what is in a file before it is
              taken. Up to 64 MB a file.
            </Box>
            <Button
              variant={used.length === 0 && looked.length === 0 ? 'contained' : 'outlined'}
              onClick={open}
            >
              Bring ground in
            </Button>
          </>
        )}
      </Box>
      {problems.length > 0 && <Refused title="It was not taken in" problems={problems} />}
      {!doing && <LookedAt {...{ bring, units }} />}
      <HeightsTyped onHeights={(text) => void look([new File([text], 'typed heights.txt')])} />
      {said && (
        <Box role="status" sx={{ mt: 1 }}>
          {said}
        </Box>
      )}
      {action.refusal('It was not changed', 'Ground')}
    </Box>
  )
}
