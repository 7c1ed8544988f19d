import { COVER_HEIGHT_M, COVER_KINDS } from '@/core/terrain'
import type { FileArea } from '@/core/formats'
import type { AreaKind } from '@/data/areas'

export const AREA_KINDS: readonly AreaKind[] = [...COVER_KINDS, 'to cover']

export const AREA_WORDS: Record<AreaKind, string> = {
  open: 'open ground',
  scattered: 'scattered trees or houses',
  suburb: 'suburb',
  town: 'town',
  wood: 'wood',
  'to cover': 'ground to be covered',
}

export const usualHeightM = (kind: AreaKind) => (kind === 'to cover' ? 0 : COVER_HEIGHT_M[kind])

/** What other programs may call it. */
const OTHER_WORDS: Record<string, AreaKind> = {
  forest: 'wood',
  woods: 'wood',
  trees: 'wood',
  residential: 'suburb',
  village: 'suburb',
  urban: 'town',
  city: 'town',
  farmland: 'open',
  meadow: 'open',
  orchard: 'scattered',
}

/** The kind that a file's area has by its own word; null where it has none that is known. */
export function kindOfFileArea(area: FileArea): AreaKind | null {
  const word = area.kind || area.name.trim().toLowerCase()
  return AREA_KINDS.find((k) => k === word) ?? OTHER_WORDS[word] ?? null
}

/** Corners typed a line each, latitude then longitude, as a closed ring; or what is wrong with them. */
export function typedRing(text: string): { ring: [number, number][] } | { problem: string } {
  const lines = text.split(/\n/).filter((l) => l.trim() !== '')
  const ring: [number, number][] = []
  for (const [i, line] of lines.entries()) {
    const [lat, lon, ...more] = line
      .trim()
      .split(/[\s;,]+/)
      .map(Number)
    if (more.length > 0 || !Number.isFinite(lat) || !Number.isFinite(lon))
      return {
        problem: `Line ${i + 1}, "${line.trim()}", is no place; write latitude and longitude, such as 47.31 -29.55.`,
      }
    if (Math.abs(lat!) > 89 || Math.abs(lon!) > 180)
      return { problem: `Line ${i + 1} lies off the globe; latitude comes first.` }
    ring.push([lon!, lat!])
  }
  if (ring.length < 3) return { problem: 'An area needs three corners or more, one a line.' }
  return { ring: [...ring, ring[0]!] }
}
