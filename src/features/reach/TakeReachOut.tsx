'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import type { Direction, Link } from '@/core/kit'
import type { PredictionSettings } from '@/core/reach'
import { layerName, mapFacts } from '@/core/reach/map/mapWords'
import type { ReachMap } from '@/core/reach/map/reachMap'
import { gridEdges } from '@/core/terrain/grid'
import { fileNameOf } from '@/core/trial'
import { whyOf } from '@/ui/answers/useAnswer'
import { dayText } from '@/core/units'
import { downloadText } from '@/ui/fields/downloadText'
import { Refused } from '@/ui/shell'
import type { TerrainWorker } from '@/ui/terrain/useTerrain'
import { looksNow } from '@/ui/theme/looksNow'
import { asMapBase, type MapPlace } from './mapPlace'
import { printPicture } from './printPicture'

interface Props {
  worker: TerrainWorker | null
  trialName: string
  base: MapPlace
  radiusM: number
  links: Link[]
  directions: Direction[]
  reliability: number
  settings: PredictionSettings
  map: ReachMap
  sentence: string
}

const KINDS = ['GeoJSON', 'KML', 'GeoTIFF', 'KMZ overlay', 'Picture to print'] as const
type Kind = (typeof KINDS)[number]

/** A hex as red, green and blue. */
const inkOf = (hex: string) =>
  [1, 3, 5].map((i) => parseInt(hex.slice(i, i + 2), 16)) as [number, number, number]

/** The map in open formats, each saying what it was made with. */
async function write(kind: Kind, props: Props): Promise<void> {
  const { worker, trialName, base, radiusM, links, directions, reliability, settings, map } = props
  const made = `Made ${dayText(new Date())}.`
  const facts = [...mapFacts(links, directions, reliability, settings.correction ?? null), made]
  const file = `${fileNameOf(trialName)}-reach`
  const looks = looksNow(links.map((l) => l.letter))
  if (kind === 'Picture to print') {
    const picture = await printPicture({
      title: trialName,
      sentence: props.sentence,
      facts,
      map,
      links,
      hues: looks.map((l) => l.hue),
    })
    return downloadText(`${file}.png`, picture, 'image/png')
  }
  if (kind === 'GeoJSON' || kind === 'KML') {
    const { writeGeoJson, writeKml } = await import('@/core/formats/writeMap')
    const more = { madeWith: facts.join('; ') }
    const contents = {
      name: `${trialName}: reach`,
      places: [{ ...base, name: 'Base', role: 'base' }],
      tracks: [],
      marks: [],
      areas: map.layers.flatMap((layer) =>
        layer.rings.map((rings) => ({ name: layerName(layer, links), kind: 'reach', more, rings })),
      ),
    }
    return kind === 'KML'
      ? downloadText(`${file}.kml`, writeKml(contents), 'application/vnd.google-earth.kml+xml')
      : downloadText(`${file}.geojson`, writeGeoJson(contents), 'application/geo+json')
  }
  const { writeGeoTiff, writeOverlayKmz } = await import('@/core/formats/writeRaster')
  const [link] = links as [Link]
  const found = await worker!.reachGrid(
    asMapBase(base),
    radiusM,
    link,
    directions,
    settings,
    inkOf(looks[0]!.hue),
  )
  const said = [...mapFacts([link], directions, reliability, settings.correction ?? null), made].join('; ')
  const one = `${file}-${link.letter}`
  if (kind === 'GeoTIFF')
    return downloadText(`${one}.tif`, writeGeoTiff(found.grid, `Chance of copy: ${said}`), 'image/tiff')
  const kmz = writeOverlayKmz(
    `${trialName}: ${link.letter}, ${link.name}`,
    said,
    gridEdges(found.grid),
    found.png,
  )
  downloadText(`${one}.kmz`, kmz, 'application/vnd.google-earth.kmz')
}

/** Takes the map out: outlines, the chances themselves, a picture. */
export function TakeReachOut(props: Props) {
  const [why, setWhy] = useState<string | null>(null)
  const [busy, setBusy] = useState(false)
  const take = async (kind: Kind) => {
    setBusy(true)
    setWhy(null)
    await write(kind, props).catch((e: unknown) => setWhy(whyOf(e)))
    setBusy(false)
  }
  return (
    <Box component="section" sx={{ my: 3 }}>
      <Typography variant="h2" component="h2" gutterBottom>
        Take the map out
      </Typography>
      <Box sx={{ color: 'var(--soft)', mb: 1 }}>
        GeoJSON and KML hold the outlines as they are drawn, GeoTIFF and KMZ the chance of copy everywhere
        {props.links.length > 1 && `, of ${props.links[0]!.letter} alone`}; each says what it was made with.
      </Box>
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        {KINDS.map((kind) => (
          <Button key={kind} size="small" variant="outlined" disabled={busy} onClick={() => void take(kind)}>
            {kind}
          </Button>
        ))}
      </Box>
      {why && (
        <Refused title="It was not written" problems={[{ where: 'Take the map out', message: `${why}.` }]} />
      )}
    </Box>
  )
}
