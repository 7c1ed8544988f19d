import { type Outcome, bad, good, problem } from '@/core/outcome'
import { decodeText, decodeXml } from './decodeText'
import { readGeoJson } from './geoJson'
import { readGpx } from './gpx'
import type { MapFile } from './mapContent'
import { readKml } from './kml'
import { readKmz } from './kmz'
import { MAX_FILE_BYTES } from './fileRefused'

/** Reads GPX, KML, KMZ or GeoJSON, told apart by the name's ending. */
export function readMapFile(name: string, bytes: Uint8Array): Outcome<MapFile> {
  if (bytes.byteLength > MAX_FILE_BYTES)
    return bad(problem('too-large', name, 'The file is larger than 64 MB. Split it, or thin out the track.'))
  const ending = /\.[^.]*$/.exec(name.toLowerCase())?.[0]
  if (ending === '.kmz') return readKmz(bytes)
  if (ending === '.kml') return readKml(decodeXml(bytes))
  if (ending === '.geojson' || ending === '.json') return readGeoJson(decodeText(bytes).text)
  if (ending === '.gpx') {
    const gpx = readGpx(decodeXml(bytes))
    return gpx.ok ? good({ ...gpx.value, areas: [] }) : gpx
  }
  return bad(
    problem(
      'kind',
      name,
      'Places and ways are read from .gpx, .kml, .kmz and .geojson files; this is none of them.',
    ),
  )
}
