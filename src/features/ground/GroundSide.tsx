'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { MAP_FILES } from '@/core/formats/mapFiles'
import { coordinateText, type CoordinateFormat, type Place } from '@/core/geo'
import { usedOf } from '@/core/offered'
import type { Rings } from '@/core/terrain'
import type { Units } from '@/core/units'
import type { LegWithMarks, SiteRow } from '@/data/ground'
import type { OtherPlaceWithLegs } from '@/data/places'
import type { TrialGround } from '@/data/trialGround'
import { FileDrop } from '@/ui/fields/FileDrop'
import { Fold, Refused } from '@/ui/shell'
import { AreasPanel } from './AreasPanel'
import { Backdrops } from './Backdrops'
import { KeptLegs } from './KeptLegs'
import { GroundFiles } from './GroundFiles'
import { OtherPlaces } from './OtherPlaces'
import {
  BaseForm,
  BearingLegForm,
  FileAreas,
  FileLegForm,
  OneMarkForm,
  SiteForm,
  TapeLegForm,
} from './laterForms'
import { TakeOut } from './TakeOut'
import type { Takeable } from './useBringGround'
import { hasWays, useMapFile } from './useMapFile'

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
  const { file, problems, read, tooLarge, withoutAreas } = useMapFile()
  const [moving, setMoving] = useState(false)
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
          onFiles={(files) => void read(files)}
          onTooLarge={tooLarge}
        />
        {problems.length > 0 && <Refused title="The file was not taken in" problems={problems} />}
      </Box>
      {base && file && hasWays(file.map) && (
        <Box>
          <Typography variant="h2" component="h2" sx={{ mb: 1.5 }}>
            Add a leg from {file.name}
          </Typography>
          <FileLegForm key={file.name} trialId={trialId} base={base} gpx={file.map} units={units} />
        </Box>
      )}
      {file && file.map.areas.length > 0 && (
        <FileAreas key={file.name} fileName={file.name} areas={file.map.areas} onDone={withoutAreas} />
      )}
      {base && (
        <Fold title="Add a leg by bearing" open={legs.length === 0}>
          <BearingLegForm key={legs.length} {...{ trialId, base, units }} legs={legs.length} />
        </Fold>
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
