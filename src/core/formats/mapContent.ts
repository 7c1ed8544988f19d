import type { Rings } from '@/core/terrain/cover'
import type { Gpx } from './gpx'

/** An area as a file has it; what it is may be named or not. */
export interface FileArea {
  name: string
  /** As the file says, such as "wood"; empty where it does not. */
  kind: string
  heightM: number | null
  rings: Rings
}

/** What a file has to lay on the map: places, ways, areas. */
export interface MapFile extends Gpx {
  areas: FileArea[]
}

/** Kind and height of an area from what a file says; the height is left out where it is none. */
export function areaOf(kind: string, height: string): Pick<FileArea, 'kind' | 'heightM'> {
  const heightM = Number(height)
  return {
    kind: kind.trim().toLowerCase(),
    heightM: height.trim() !== '' && heightM >= 0 && heightM <= 120 ? heightM : null,
  }
}
