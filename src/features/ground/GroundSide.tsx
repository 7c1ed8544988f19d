'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { readGpx, type Gpx, type Problem } from '@/core/formats'
import { coordinateText, type CoordinateFormat, type Place } from '@/core/geo'
import type { Units } from '@/core/units'
import type { GridRow } from '@/data/grids'
import type { LegWithMarks } from '@/data/ground'
import { FileDrop } from '@/ui/fields/FileDrop'
import { Fold, Refused } from '@/ui/shell'
import { BaseForm } from './BaseForm'
import { BearingLegForm } from './BearingLegForm'
import { FileLegForm } from './FileLegForm'
import { KeptLegs } from './KeptLegs'
import { GroundFiles } from './GroundFiles'
import { SiteForm } from './SiteForm'

interface Props {
  trialId: string
  base: (Place & { name: string }) | null
  hasLegs: boolean
  grids: GridRow[]
  kept: LegWithMarks[]
  format: CoordinateFormat
  /** The place picked on the map. */
  picked: Place | null
  units: Units
}

/** What is brought in and set: base, legs, ground, places. */
export function GroundSide({ trialId, base, hasLegs, grids, kept, format, picked, units }: Props) {
  const [file, setFile] = useState<{ name: string; gpx: Gpx } | null>(null)
  const [problems, setProblems] = useState<Problem[]>([])
  const [moving, setMoving] = useState(false)
  const read = ([f]: { name: string; text: string }[]) => {
    if (!f) return
    const result = readGpx(f.text)
    setProblems(result.ok ? [] : result.problems.map((p) => ({ ...p, where: `${f.name}, ${p.where}` })))
    setFile(result.ok ? { name: f.name, gpx: result.value } : null)
  }
  return (
    <Box sx={{ display: 'grid', gap: 3, alignContent: 'start', minWidth: 0 }}>
      {(!base || moving) && (
        <BaseForm
          key={file?.name ?? 'none'}
          trialId={trialId}
          gpx={file?.gpx ?? null}
          onDone={() => setMoving(false)}
        />
      )}
      {base && !moving && (
        <Box>
          <Typography variant="h2" component="h2">
            {base.name}
          </Typography>
          <Box sx={{ color: 'var(--soft)' }}>
            {coordinateText(base, format)}{' '}
            <Button size="small" onClick={() => setMoving(true)}>
              Place it elsewhere
            </Button>
          </Box>
        </Box>
      )}
      <Box>
        <FileDrop
          label={file ? `${file.name} is open; drop another` : 'Drop a GPX file here'}
          hint="Waypoints, tracks or routes."
          accept=".gpx"
          onFiles={read}
          onTooLarge={(name) =>
            setProblems([
              { code: 'large', where: name, message: 'The file is larger than 64 MB. Thin out the track.' },
            ])
          }
        />
        {problems.length > 0 && <Refused title="The file was not taken in" problems={problems} />}
      </Box>
      {base && file && (
        <Box>
          <Typography variant="h2" component="h2" sx={{ mb: 1.5 }}>
            Add a leg from {file.name}
          </Typography>
          <FileLegForm key={file.name} trialId={trialId} base={base} gpx={file.gpx} units={units} />
        </Box>
      )}
      {base && (
        <Box component="details" open={!hasLegs && !file}>
          <Box component="summary" sx={{ cursor: 'pointer', fontWeight: 700, mb: 1.5, fontSize: '1.1rem' }}>
            Add a leg by bearing
          </Box>
          <BearingLegForm trialId={trialId} base={base} units={units} />
        </Box>
      )}
      <KeptLegs trialId={trialId} kept={kept} units={units} />
      <GroundFiles grids={grids} />
      <Fold title="Other places: candidates, relays, stations not ours">
        <SiteForm units={units} suggested={picked} />
      </Fold>
    </Box>
  )
}
