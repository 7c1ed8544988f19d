import { gunzipSync } from 'fflate'
import { decodeText } from '@/core/formats/decodeText'
import { readGpx } from '@/core/formats/gpx'
import { MAX_UNPACKED, unpackedOf } from '@/core/formats/unpack'
import { type Outcome, bad, good, problem } from '@/core/outcome'
import {
  gridFromPoints,
  readAsciiGrid,
  readGeoTiff,
  readHeightPoints,
  readHgt,
  readXyz,
  type HeightsRead,
  type HeightUnit,
} from '@/core/terrain'
import { ELEVATION_FILES } from './elevationFiles'

export interface NamedBytes {
  name: string
  bytes: Uint8Array<ArrayBuffer>
}

/** One piece of ground as a file holds it. */
export interface ElevationFile {
  name: string
  read: Outcome<HeightsRead>
  /** Heights of a few places only, typed or along a track, and guesses between: they speak for one trial. */
  fromPlaces: boolean
}

const endingOf = (name: string) => /\.[^.]*$/.exec(name.toLowerCase())?.[0] ?? ''
const stemOf = (name: string) => name.toLowerCase().replace(/\.[^.]*$/, '')
const plainName = (path: string) => path.split(/[\\/]/).at(-1)!

/** What a .gz says that it unpacks to, in its last four bytes; null where it is too short to be one. */
function unpackedSize(bytes: Uint8Array): number | null {
  if (bytes.byteLength < 18) return null
  return new DataView(bytes.buffer, bytes.byteOffset + bytes.byteLength - 4).getUint32(0, true)
}

/** Files out of the archives among them, and a .gz by what it holds. */
function opened(files: readonly NamedBytes[]): Outcome<NamedBytes[]> {
  const all: NamedBytes[] = []
  for (const file of files) {
    const ending = endingOf(file.name)
    if (ending === '.zip') {
      const members = unpackedOf(file.bytes, (name) => ELEVATION_FILES.split(',').includes(endingOf(name)))
      if (!members.ok)
        return { ok: false, problems: members.problems.map((p) => ({ ...p, where: file.name })) }
      if (members.value.length === 0)
        return bad(problem('empty', file.name, 'There is no elevation file in it (.hgt, .tif, .asc, .xyz).'))
      all.push(...members.value.map((m) => ({ ...m, name: plainName(m.name) })))
    } else if (ending === '.gz') {
      const size = unpackedSize(file.bytes)
      if (size === null || size > MAX_UNPACKED)
        return bad(problem('gz', file.name, 'It is cut short, or unpacks to more than 256 MB.'))
      try {
        const out = new Uint8Array(size)
        all.push({
          name: file.name.replace(/\.gz$/i, ''),
          bytes: gunzipSync(file.bytes, { out }) as Uint8Array<ArrayBuffer>,
        })
      } catch {
        return bad(
          problem('gz', file.name, 'It cannot be unpacked; it is cut short or no .gz. Copy it again.'),
        )
      }
    } else all.push(file)
  }
  return good(all)
}

function fromGpx(name: string, text: string): Outcome<HeightsRead> {
  const gpx = readGpx(text)
  if (!gpx.ok) return gpx
  const { tracks, waypoints } = gpx.value
  const points = [...waypoints, ...tracks.flatMap((w) => w.points)].flatMap((p) =>
    p.elevationM == null ? [] : [{ lat: p.lat, lon: p.lon, heightM: p.elevationM }],
  )
  const grid = gridFromPoints(name, points)
  return grid.ok ? good({ grid: grid.value, notes: [PLACES_ONLY] }) : grid
}

function typed(name: string, text: string): Outcome<HeightsRead> {
  const points = readHeightPoints(text)
  if (!points.ok) return points
  const grid = gridFromPoints(name, points.value)
  return grid.ok ? good({ grid: grid.value, notes: [PLACES_ONLY] }) : grid
}

const PLACES_ONLY =
  'It is made of heights at some places, and guessed between them: a makeshift, for this trial alone.'

async function readOne(
  { name, bytes }: NamedBytes,
  projection: string | null,
  unit: HeightUnit | null,
): Promise<Outcome<HeightsRead>> {
  const text = () => decodeText(bytes).text
  const buffer = () => bytes.slice().buffer
  switch (endingOf(name)) {
    case '.hgt':
      return readHgt(name, buffer(), unit)
    case '.asc':
      return readAsciiGrid(name, text(), projection, unit)
    case '.xyz':
      return readXyz(name, text(), projection, unit)
    case '.tif':
    case '.tiff':
      return readGeoTiff(name, buffer(), unit)
    case '.gpx':
      return fromGpx(name, text())
    case '.txt':
      return typed(name, text())
    default:
      return bad(
        problem(
          'kind',
          name,
          'Elevation is read from .hgt, .tif, .asc and .xyz files (also .zip and .gz of them), from a .gpx with heights, or a .txt of places; this is none of them.',
        ),
      )
  }
}

/**
 * Reads files of elevation of whatever kind by their names; a .prj goes with the .asc or .xyz of its name, archives are
 * opened. Each is good or refused by itself.
 * @param unit what somebody says that the figures are, in place of what the files say
 */
export async function readElevation(
  files: readonly NamedBytes[],
  unit: HeightUnit | null = null,
): Promise<Outcome<ElevationFile[]>> {
  const all = opened(files)
  if (!all.ok) return all
  const projections = new Map(
    all.value
      .filter((f) => endingOf(f.name) === '.prj')
      .map((f) => [stemOf(f.name), decodeText(f.bytes).text]),
  )
  const grids = all.value.filter((f) => endingOf(f.name) !== '.prj')
  if (grids.length === 0)
    return bad(
      problem('kind', files[0]?.name ?? '', 'A .prj file goes with a grid of its name: bring both at once.'),
    )
  const read: ElevationFile[] = []
  for (const file of grids) {
    read.push({
      name: file.name,
      read: await readOne(file, projections.get(stemOf(file.name)) ?? null, unit),
      fromPlaces: ['.gpx', '.txt'].includes(endingOf(file.name)),
    })
  }
  return good(read)
}
