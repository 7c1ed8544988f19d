'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { placedOf } from '@/core/geo'
import type { MapContents } from '@/core/formats'
import { fileNameOf } from '@/core/trial/runFileName'
import type { AreaRow } from '@/data/areas'
import type { LegWithMarks, SiteRow } from '@/data/ground'
import { downloadText } from '@/ui/fields/downloadText'
import { Fold } from '@/ui/shell'

interface Props {
  trialName: string
  site: SiteRow | null
  sites: SiteRow[]
  legs: LegWithMarks[]
  areas: AreaRow[]
}

/** All that has a place on the map of a trial. */
function mapContents({ trialName, site, sites, legs, areas }: Props): MapContents {
  return {
    name: trialName,
    places: placedOf([...(site ? [site] : []), ...sites]).map(({ name, role, lat, lon }) => ({
      name,
      role,
      lat,
      lon,
    })),
    tracks: legs.filter((l) => l.track.length > 1).map((l) => ({ name: l.name, points: l.track })),
    marks: legs.flatMap((l) => placedOf(l.marks)),
    areas,
  }
}

/** Hands the map out in open formats. */
export function TakeOut(props: Props) {
  const file = fileNameOf(props.trialName, 'ground')
  // The writers come when they are wanted.
  const write = async (kind: 'gpx' | 'kml' | 'geojson') => {
    const { writeGeoJson, writeGpx, writeKml } = await import('@/core/formats/writeMap')
    const map = mapContents(props)
    if (kind === 'gpx') downloadText(`${file}.gpx`, writeGpx(map), 'application/gpx+xml')
    else if (kind === 'kml')
      downloadText(`${file}.kml`, writeKml(map), 'application/vnd.google-earth.kml+xml')
    else downloadText(`${file}.geojson`, writeGeoJson(map), 'application/geo+json')
  }
  return (
    <Fold title="Take the map out">
      <Box sx={{ color: 'var(--soft)', my: 1 }}>
        Base, places, legs and marks; areas too in KML and GeoJSON.
      </Box>
      <Box sx={{ display: 'flex', gap: 1 }}>
        <Button size="small" variant="outlined" onClick={() => void write('gpx')}>
          GPX
        </Button>
        <Button size="small" variant="outlined" onClick={() => void write('kml')}>
          KML
        </Button>
        <Button size="small" variant="outlined" onClick={() => void write('geojson')}>
          GeoJSON
        </Button>
      </Box>
    </Fold>
  )
}
