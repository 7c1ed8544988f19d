import { useState } from 'react'
import type { MapFile } from '@/core/formats'
import { problem, type Problem } from '@/core/outcome'
import type { DroppedFile } from '@/ui/fields/droppedFile'

/** The GPX, KML or GeoJSON file that is open, or why it is not. */
export function useMapFile() {
  const [file, setFile] = useState<{ name: string; map: MapFile } | null>(null)
  const [problems, setProblems] = useState<Problem[]>([])
  const read = async ([f]: DroppedFile[]) => {
    if (!f) return
    // The readers come when they are wanted.
    const { readMapFile } = await import('@/core/formats/mapFile')
    const result = readMapFile(f.name, f.bytes)
    setProblems(result.ok ? [] : result.problems.map((p) => ({ ...p, where: `${f.name}, ${p.where}` })))
    setFile(result.ok ? { name: f.name, map: result.value } : null)
  }
  return {
    file,
    problems,
    read,
    tooLarge: (name: string) =>
      setProblems([problem('large', name, 'The file is larger than 64 MB. Thin out the track.')]),
    /** Its areas were taken in, or are not wanted; a file of nothing else is closed. */
    withoutAreas: () => setFile((f) => (f && hasWays(f.map) ? { ...f, map: { ...f.map, areas: [] } } : null)),
  }
}

/** Whether there is something in a file that a leg could be made of. */
export const hasWays = (map: MapFile) => map.waypoints.length + map.tracks.length > 0
