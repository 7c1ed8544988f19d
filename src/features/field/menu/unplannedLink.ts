import { v7 } from 'uuid'
import type { Link } from '@/core/kit'
import type { TrialPlan } from '@/core/trial'

const LETTERS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ'

/**
 * A link with a rig out there that nobody planned: at the same base, on the same channel and with the same
 * power as the one it stands beside, its antenna and lead unknown until somebody describes it.
 */
export function unplannedLink(plan: TrialPlan, like: Link, name: string): Link {
  const used = new Set(plan.links.flatMap((l) => [l.letter, l.out.letter, l.base.letter]))
  const letter = [...LETTERS].find((c) => !used.has(c)) ?? `${plan.links.length + 1}`
  const { atRx: _atRx, budget: _budget, ...known } = like.out
  return {
    id: v7(),
    letter,
    name,
    base: like.base,
    out: { ...known, id: v7(), letter, name, antennaGainDbi: null, leadLossDb: null, attenuatorDb: 0 },
  }
}
