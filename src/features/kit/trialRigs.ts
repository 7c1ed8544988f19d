import { isBaseKind } from '@/core/kit'
import type { OpenTrial } from '@/data'
import type { KitRig } from '@/data/rigs'

/** The rigs of a trial by end; where it has no links yet, all rigs by their kind. */
export function trialRigs(
  open: OpenTrial,
  rigs: readonly KitRig[],
): { base: KitRig[]; out: KitRig[]; ofTrial: boolean } {
  const ofTrial = open.links.length > 0
  const among = (ids: Set<string>) => rigs.filter((r) => ids.has(r.id))
  if (ofTrial)
    return {
      base: among(new Set(open.links.map((l) => l.base.id))),
      out: among(new Set(open.links.map((l) => l.out.id))),
      ofTrial,
    }
  return { base: rigs.filter(isBaseKind), out: rigs.filter((r) => !isBaseKind(r)), ofTrial }
}
