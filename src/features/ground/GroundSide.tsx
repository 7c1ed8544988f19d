'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import type { Problem } from '@/core/outcome'
import { useState } from 'react'
import { MAP_FILES, readMapFile, type MapFile } from '@/core/formats'
import { coordinateText, type CoordinateFormat, type Place } from '@/core/geo'
import { usedOf } from '@/core/offered'
import type { Rings } from '@/core/terrain'
import type { Units } from '@/core/units'
import type { LegWithMarks, SiteRow } from '@/data/ground'
import type { OtherPlaceWithLegs } from '@/data/places'
import type { TrialGround } from '@/data/trialGround'
import { FileDrop, type DroppedFile } from '@/ui/fields/FileDrop'
import { Fold, Refused } from '@/ui/shell'
import { AreasPanel } from './AreasPanel'
import { Backdrops } from './Backdrops'
import { BaseForm } from './BaseForm'
import { FileAreas } from './FileAreas'
import { BearingLegForm } from './BearingLegForm'
import { FileLegForm } from './FileLegForm'
import { KeptLegs } from './KeptLegs'
import { GroundFiles } from './GroundFiles'
import { OtherPlaces } from './OtherPlaces'
import { OneMarkForm } from './OneMarkForm'
import { SiteForm } from './SiteForm'
import { TakeOut } from './TakeOut'
import { TapeLegForm } from './TapeLegForm'
import type { Takeable } from './useBringGround'

interface Props {
  trialId: string
  trialName: string
  site: SiteRow | null
  /** The base's place; null where it has no coordinates. */
  base: (Place & { name: string }) | null
  legs: LegWithMarks[]
  sites: SiteRow[]
  ground: TrialGround
  kept: LegWithMarks[]
  places: OtherPlaceWithLegs[]
  format: CoordinateFormat
  /** The place picked on the map. */
  picked: Place | null
  drawn: Rings | null
  drawing: boolean
  onDraw: (on: boolean) => void
  onDrawnDone: () => void
  onLooked: (found: readonly Takeable[]) => void
  units: Units
}

/** What is brought in and set: base, legs, ground, what stands on it, places. */
export function GroundSide(props: Props) {
  const { trialId, site, base, legs, ground, kept, format, picked, units } = props
  const [file, setFile] = useState<{ name: string; map: MapFile } | null>(null)
  const [problems, setProblems] = useState<Problem[]>([])
  const [moving, setMoving] = useState(false)
  const read = ([f]: DroppedFile[]) => {
    if (!f) return
    const result = readMapFile(f.name, f.bytes)
    setProblems(result.ok ? [] : result.problems.map((p) => ({ ...p, where: `${f.name}, ${p.where}` })))
    setFile(result.ok ? { name: f.name, map: result.value } : null)
  }
  const hasLegs = legs.length > 0
  const tracks = file !== null && file.map.waypoints.length + file.map.tracks.length > 0
  return (
    <Box sx={{ display: 'grid', gap: 3, alignContent: 'start', minWidth: 0 }}>
      {(!site || moving) && (
        <BaseForm
          key={file?.name ?? 'none'}
          trialId={trialId}
          gpx={file?.map ?? null}
          onDone={() => setMoving(false)}
        />
      )}
      {site && !moving && (
        <Box>
          <Typography variant="h2" component="h2">
            {site.name}
          </Typography>
          <Box sx={{ color: 'var(--soft)' }}>
            {base ? coordinateText(base, format) : 'without coordinates'}{' '}
            <Button size="small" onClick={() => setMoving(true)}>
              Place it elsewhere
            </Button>
          </Box>
        </Box>
      )}
      <Box>
        <FileDrop
          label={file ? `${file.name} is open; drop another` : 'Drop a GPX, KML or GeoJSON file here'}
          hint="Places, ways, areas."
          accept={MAP_FILES}
          onFiles={read}
          onTooLarge={(name) =>
            setProblems([
              { code: 'large', where: name, message: 'The file is larger than 64 MB. Thin out the track.' },
            ])
          }
        />
        {problems.length > 0 && <Refused title="The file was not taken in" problems={problems} />}
      </Box>
      {base && file && tracks && (
        <Box>
          <Typography variant="h2" component="h2" sx={{ mb: 1.5 }}>
            Add a leg from {file.name}
          </Typography>
          <FileLegForm key={file.name} trialId={trialId} base={base} gpx={file.map} units={units} />
        </Box>
      )}
      {file && file.map.areas.length > 0 && (
        <FileAreas
          key={file.name}
          fileName={file.name}
          areas={file.map.areas}
          onDone={() => setFile(tracks ? { ...file, map: { ...file.map, areas: [] } } : null)}
        />
      )}
      {base && (
        <Box component="details" open={!hasLegs && !file}>
          <Box component="summary" sx={{ cursor: 'pointer', fontWeight: 700, mb: 1.5, fontSize: '1.1rem' }}>
            Add a leg by bearing
          </Box>
          <BearingLegForm key={legs.length} {...{ trialId, base, units }} legs={legs.length} />
        </Box>
      )}
      {base && (
        <Fold title="Add one mark: picked, typed, or where this device is">
          <OneMarkForm key={legs.length} trialId={trialId} legs={legs} picked={picked} />
        </Fold>
      )}
      {site && (
        <Fold title="Add marks by tape, wheel or paces">
          <TapeLegForm trialId={trialId} units={units} />
        </Fold>
      )}
      <OtherPlaces trialId={trialId} places={props.places} hasBase={base !== null} />
      <KeptLegs trialId={trialId} kept={kept} units={units} />
      <GroundFiles {...{ trialId, ground, units }} hasBase={base !== null} onLooked={props.onLooked} />
      <AreasPanel
        {...{ trialId }}
        offered={ground.areas}
        drawn={props.drawn}
        drawing={props.drawing}
        units={units}
        onDraw={props.onDraw}
        onDrawnDone={props.onDrawnDone}
      />
      <Backdrops trialId={trialId} offered={ground.backdrops} />
      <Fold title="Other places: candidates, relays, stations not ours">
        <SiteForm units={units} suggested={picked} />
      </Fold>
      <TakeOut
        trialName={props.trialName}
        site={site}
        sites={props.sites}
        legs={legs}
        areas={usedOf(ground.areas)}
      />
    </Box>
  )
}
