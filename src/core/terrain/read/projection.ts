import type { GeoKeys } from 'geotiff-geokeys-to-proj4'
import { bad, good, problem, type Outcome } from '@/core/outcome'

/** How a file's coordinates come to degrees. */
export interface FileSystem {
  /** As the projection library takes it; null where they are degrees of WGS 84, or of what differs by metres. */
  proj: string | null
  /** Of the coordinates to the projection's own. */
  perUnit: number
  /** Metres of one unit of height, as the file says; null where it does not say. */
  heightM: number | null
  /** As people call it. */
  name: string
}

/** As the library that reads GeoTIFFs gives them, by name. */
export type Keys = Partial<Record<string, unknown>>

/** Geographic systems whose degrees are taken as WGS 84's; they differ by metres at most. */
const GEOGRAPHIC = new Set([4326, 4258, 4269, 4979, 4937, 4957])
const USER_DEFINED = 32767

/** Units of height by their code, m: metre, foot, foot of the US survey. */
const HEIGHT_CODES: Record<number, number> = { 9001: 1, 9002: 0.3048, 9003: 1200 / 3937, 9005: 0.3047972654 }
/** Vertical systems that are in feet, by their code. */
const IN_FEET: Record<number, number> = {
  6360: 1200 / 3937,
  8228: 0.3048,
  5702: 1200 / 3937,
  6358: 1200 / 3937,
}

const numberIn = (keys: Keys, name: string): number | null =>
  typeof keys[name] === 'number' ? (keys[name] as number) : null

function heightUnit(keys: Keys): number | null {
  const vertical = numberIn(keys, 'VerticalCSTypeGeoKey') ?? numberIn(keys, 'VerticalGeoKey')
  const unit = numberIn(keys, 'VerticalUnitsGeoKey')
  if (unit !== null && unit in HEIGHT_CODES) return HEIGHT_CODES[unit]!
  return vertical !== null ? (IN_FEET[vertical] ?? null) : null
}

function nameOf(keys: Keys, epsg: number | null): string {
  const words = keys.PCSCitationGeoKey ?? keys.GTCitationGeoKey
  const text = typeof words === 'string' ? words.split('|')[0]!.replace(/\0/g, '').trim().slice(0, 60) : ''
  const said = /^(unknown|unnamed)$/i.test(text) ? '' : text
  const code = epsg === null || epsg === USER_DEFINED ? '' : `EPSG:${epsg}`
  return [code, said && code ? `(${said})` : said].filter(Boolean).join(' ')
}

const NOT_SAID =
  'It does not say its projection, so nobody knows where it lies. Give it one (EPSG:4326 for degrees), or bring its .prj file along where it is an ASCII grid.'

/**
 * The projection that the keys of a GeoTIFF name, be it by a code or by its parameters.
 * @param name of the file, for what is said
 */
export async function systemOfKeys(name: string, keys: Keys): Promise<Outcome<FileSystem>> {
  const projected = numberIn(keys, 'ProjectedCSTypeGeoKey')
  const geographic = numberIn(keys, 'GeographicTypeGeoKey')
  const epsg = projected ?? geographic
  const heightM = heightUnit(keys)
  if (projected === null && numberIn(keys, 'GTModelTypeGeoKey') !== 1) {
    if (geographic === null) return bad(problem('projection', name, NOT_SAID))
    if (GEOGRAPHIC.has(geographic))
      return good({ proj: null, perUnit: 1, heightM, name: nameOf(keys, geographic) })
  }
  if (
    projected === USER_DEFINED &&
    numberIn(keys, 'ProjCoordTransGeoKey') === null &&
    numberIn(keys, 'ProjectionGeoKey') === null
  )
    return bad(problem('projection', name, NOT_SAID))
  // A megabyte and a half of definitions, fetched only where a file needs it.
  const { toProj4 } = await import('geotiff-geokeys-to-proj4')
  const flat = Object.fromEntries(Object.entries(keys).filter(([key]) => !key.startsWith('Vertical')))
  const { proj4: proj, coordinatesConversionParameters, errors } = toProj4(flat as unknown as GeoKeys)
  const said = nameOf(keys, epsg)
  // That both systems are named is a remark: the projected one counts.
  if (Object.keys(errors ?? {}).some((e) => e !== 'bothGCSAndPCSAreSet'))
    return bad(
      problem(
        'projection',
        name,
        `Its projection is ${said || 'one of its own'}, which is not known here. Turn it to degrees (EPSG:4326) or UTM first.`,
      ),
    )
  // A GeoTIFF's first coordinate is always the one across, whatever order its projection is written in.
  const across = proj.replace(/\s*\+axis=\w+/, '')
  return good({ proj: across, perUnit: coordinatesConversionParameters.x, heightM, name: said })
}
