'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import LinearProgress from '@mui/material/LinearProgress'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { useRouter } from 'next/navigation'
import { useRef, useState } from 'react'
import { useDropzone } from 'react-dropzone'
import { problem, type Problem } from '@/core/outcome'
import type { GridRow } from '@/data/grids'
import { posted } from '@/ui/answers/posted'
import { unanswered, useAction } from '@/ui/answers/useAction'
import { whyOf } from '@/ui/answers/useAnswer'
import { Fold, Refused } from '@/ui/shell'
import { freshTerrainWorker } from '@/ui/terrain/useTerrain'
import { dropGrid } from './actions'

const MAX_BYTES = 64 * 1024 * 1024

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

/** What is known of the ground, and files to bring more in. */
export function GroundFiles({ grids }: { grids: GridRow[] }) {
  const router = useRouter()
  const [doing, setDoing] = useState<string | null>(null)
  const [problems, setProblems] = useState<Problem[]>([])
  const [said, setSaid] = useState('')
  const stop = useRef<(() => void) | null>(null)
  const removal = useAction()

  const bring = async (files: File[]) => {
    setProblems([])
    setSaid('')
    const large = files.find((f) => f.size > MAX_BYTES)
    if (large) {
      setProblems([
        {
          code: 'large',
          where: large.name,
          message: 'It is larger than 64 MB. Cut it to your ground first.',
        },
      ])
      return
    }
    // A worker of its own, so that cancelling ends it without touching the map's.
    const { worker, end } = freshTerrainWorker()
    const aborter = new AbortController()
    const cancelled = new Promise<never>((_, reject) => {
      stop.current = () => {
        aborter.abort()
        end()
        reject(new DOMException('cancelled', 'AbortError'))
      }
    })
    try {
      const taken: string[] = []
      for (const [i, file] of files.entries()) {
        const of = files.length > 1 ? ` (${i + 1} of ${files.length})` : ''
        setDoing(`Reading ${file.name}${of}`)
        const outcome = await Promise.race([worker.read(file.name, await file.arrayBuffer()), cancelled])
        if (!outcome.ok) {
          setProblems(outcome.problems)
          break
        }
        const { grid, filled } = outcome.value
        setDoing(`Keeping ${file.name}${of}`)
        const { data, filled: mask, ...where } = grid
        const query = new URLSearchParams({
          name: file.name,
          ...Object.fromEntries(Object.entries(where).map(([k, v]) => [k, String(v)])),
        })
        const body = new Blob([data as BlobPart, ...(mask ? [mask as BlobPart] : [])])
        const kept = await posted(`/api/grids?${query}`, body, aborter.signal)
        if (!kept.ok) {
          setProblems(kept.problems.map((p) => ({ ...p, where: file.name })))
          break
        }
        taken.push(
          `${file.name}: ${grid.width} × ${grid.height} heights${filled > 0 ? `, ${filled} voids filled from around them` : ''}`,
        )
      }
      if (taken.length > 0) setSaid(`${taken.join('. ')}.`)
      router.refresh()
    } catch (e) {
      if (e instanceof DOMException && e.name === 'AbortError')
        setSaid('Cancelled; nothing of that file was kept.')
      else
        setProblems([
          e instanceof TypeError
            ? unanswered(e)
            : problem('refused', 'Ground', `It could not be read: ${whyOf(e)}`),
        ])
    } finally {
      stop.current = null
      setDoing(null)
      end()
    }
  }
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
        <Box
          key={g.id}
          sx={{ display: 'flex', gap: 1, alignItems: 'center', borderTop: '1px solid var(--rule)', py: 0.75 }}
        >
          <Box sx={{ flex: 1 }}>
            <b>{g.name}</b>
            <Box sx={{ color: 'var(--soft)', fontSize: '0.88rem' }}>
              {g.width} × {g.height}, a height every {seconds(g.stepLat)}
              {g.filledCells > 0 && `, ${g.filledCells} voids filled (hatched on the map)`}
              {g.voidCells > 0 && `, ${g.voidCells} not known`}
            </Box>
          </Box>
          <Button size="small" onClick={() => void remove(g.id)} aria-label={`Delete ${g.name}`}>
            Delete
          </Button>
        </Box>
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
            <Button size="small" variant="outlined" onClick={() => stop.current?.()}>
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
