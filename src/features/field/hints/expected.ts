import { linkKey } from '@/core/reach/linkKey'
import type { RunPack } from '../log/runPack'

/** The chance of copy that was expected of a link at a mark, as the pack brought it; null where it is not known. */
export function expectedChance(pack: RunPack, linkId: string, markId: string): number | null {
  const link = pack.plan.links.find((l) => l.id === linkId)
  const mark = pack.plan.marks.find((m) => m.id === markId)
  const leg = mark && pack.ground?.legs.find((l) => l.legId === mark.legId)
  const curve = link && leg?.chances[linkKey(link)]
  if (!mark || !curve || curve.length === 0) return null
  const near = curve.reduce((a, b) =>
    Math.abs(b.distanceM - mark.distanceM) < Math.abs(a.distanceM - mark.distanceM) ? b : a,
  )
  return near.chance
}
